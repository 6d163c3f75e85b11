import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Body, Title } from '@/design/text.tsx';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { MessageLines } from '../message-lines.tsx';
import { WriteLine } from '../write-line.tsx';

/** What is written with the office, with no network too; what is seen here is told as read. */
export function MessagesScreen() {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const router = useRouter();
  const { visit } = useLocalSearchParams<{ visit?: string }>();
  const known = useLive(async () => {
    const visits = await store.visits.filter((each) => each.person === person.id).primaryKeys();
    const mine = new Set(visits);
    // What was written about a stop goes along with it, whoever had it before.
    const messages = (await store.messages.toArray())
      .filter((each) => each.person === person.id || (each.visit && mine.has(each.visit)))
      .sort((a, b) => (a.id < b.id ? -1 : 1));
    const people = await store.people.toArray();
    const outbox = await store.outbox.toArray();
    const job = visit ? await store.jobs.get((await store.visits.get(visit))?.job ?? '') : null;
    return {
      messages,
      names: new Map(people.map(({ id, name }) => [id, name])),
      waiting: new Set(outbox.map(({ id }) => id)),
      about: job ? ((await store.sites.get(job.site))?.name ?? null) : null,
    };
  }, [store, person.id, visit]);
  const messages = known?.messages;
  useEffect(() => {
    const unread = (messages ?? []).filter(
      (each) => each.person === person.id && each.by !== person.id && each.seenAt === null,
    );
    if (unread.length === 0) return;
    const at = officeTime().toISOString();
    const tell = async (): Promise<void> => {
      for (const { id } of unread)
        await doHere(store, {
          kind: 'message seen',
          body: { id: newId(), message: id, by: person.id, at },
        });
      engine.soon();
    };
    void tell();
  }, [messages, store, engine, person.id]);
  const send = async (text: string): Promise<null> => {
    await doHere(store, {
      kind: 'message',
      body: {
        ...{ id: newId(), person: person.id, visit: visit ?? null, text, by: person.id },
        at: officeTime().toISOString(),
      },
    });
    engine.soon();
    return null;
  };
  return (
    <FieldPage title="Messages">
      <FieldHead>
        <Row>
          <Button dense plain onPress={() => router.navigate(visit ? `/visit/${visit}` : '/trail')}>
            {visit ? '‹ Stop' : '‹ Trail'}
          </Button>
        </Row>
        <Title>Messages</Title>
      </FieldHead>
      <Scroll render="main" id="main">
        <Column padding="$4" gap="$4">
          {messages?.length === 0 ? <Body quiet>Nothing was written so far.</Body> : null}
          <MessageLines
            messages={messages ?? []}
            timeZone={organisation.timeZone}
            isOurs={({ by }) => by === person.id}
            nameOf={(id) => (id === person.id ? 'You' : (known?.names.get(id) ?? 'The office'))}
            {...(known ? { waiting: known.waiting } : {})}
          />
          <WriteLine
            label={known?.about ? `To the office, about ${known.about}` : 'To the office'}
            button="Send"
            onSend={send}
          />
        </Column>
      </Scroll>
      <FieldFoot>
        <FieldNav />
      </FieldFoot>
    </FieldPage>
  );
}
