import { Message, MessagesAnswer, MessageThreads } from '@ant-trail/contract/messages';
import { may } from '@ant-trail/core/accounts';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { ask, tell, wordsFor } from '@/device/api.ts';
import { newId } from '@/device/identity.ts';
import { useOffice } from '@/device/office.ts';
import { FindPerson } from '@/features/accounts/desk/find-person.tsx';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { MessageLines } from '../message-lines.tsx';
import { WriteLine } from '../write-line.tsx';

/** What is written with people on their trails. */
export function MessagesScreen() {
  const { person: me, organisation } = useMe();
  const { with: person } = useLocalSearchParams<{ with?: string }>();
  const router = useRouter();
  const people = usePeople();
  const { answer, problem } = useOffice(MessageThreads, '/api/messages', ['message']);
  const walkers = people.list.filter(({ id, roles }) => id !== me.id && may(roles, 'walk'));
  return (
    <DeskPage title="Messages" problem={problem}>
      <Row gap="$5" alignItems="flex-start" flexWrap="wrap">
        <Column width={300} maxWidth="100%" gap="$3">
          <FindPerson
            label="Write to"
            empty="Somebody on a trail"
            people={walkers}
            chosen={person ?? null}
            onChoose={(id) => router.setParams({ with: id ?? undefined })}
          />
          <Column role="list" aria-label="With whom">
            {(answer?.threads ?? []).map((thread) => (
              <Row key={thread.person} role="listitem">
                <PressableRow
                  flex={1}
                  padding="$3"
                  gap={2}
                  backgroundColor={thread.person === person ? '$sheet' : 'transparent'}
                  onPress={() => router.setParams({ with: thread.person })}
                >
                  <Row gap="$2" justifyContent="space-between">
                    <Body strong>{thread.name}</Body>
                    {thread.unseen > 0 ? (
                      <Figure small strong eyes>
                        {thread.unseen} new
                      </Figure>
                    ) : null}
                  </Row>
                  <Body small quiet numberOfLines={1} textAlign="left">
                    {sayWhen(thread.last.at, organisation.timeZone)} · {thread.last.text}
                  </Body>
                </PressableRow>
              </Row>
            ))}
          </Column>
          {answer?.threads.length === 0 ? <Body quiet>Nothing was written so far.</Body> : null}
        </Column>
        {person ? <Thread key={person} person={person} /> : null}
      </Row>
    </DeskPage>
  );
}

function Thread({ person }: { readonly person: string }) {
  const { person: me, organisation } = useMe();
  const people = usePeople();
  const { answer, problem } = useOffice(MessagesAnswer, `/api/messages/${person}`, ['message']);
  const messages = answer?.messages ?? [];
  const unread = messages.some(({ by, seenAt }) => by === person && seenAt === null);
  useEffect(() => {
    if (unread) tell('POST', '/api/messages/seen', { person }).catch(() => undefined);
  }, [unread, person]);
  const send = async (text: string): Promise<string | null> => {
    try {
      await ask(Message, 'POST', '/api/messages', {
        ...{ id: newId(), person, visit: null, text, by: me.id, at: new Date().toISOString() },
      });
      return null;
    } catch (error) {
      return wordsFor(error);
    }
  };
  return (
    <Column
      flex={1}
      minWidth={300}
      maxWidth={640}
      gap="$4"
      render="section"
      aria-label={`With ${people.name(person)}`}
    >
      {problem ? (
        <Body eyes role="alert">
          {problem}
        </Body>
      ) : null}
      <MessageLines
        messages={messages}
        timeZone={organisation.timeZone}
        isOurs={({ by }) => by !== person}
        nameOf={(id) => (id === me.id ? 'You' : people.name(id))}
      />
      <WriteLine label={`To ${people.name(person)}`} button="Send" onSend={send} />
    </Column>
  );
}
