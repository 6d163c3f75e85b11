import { may } from '@ant-trail/core/accounts';
import { SiteNote, SiteNotesAnswer } from '@ant-trail/contract/sites';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';

/** Notes at a place: what is there for whoever comes next, one more, and those no longer true withdrawn. */
export function SiteNotes({ site }: { site: string }) {
  const { person, organisation } = useMe();
  const people = usePeople();
  const { answer, again } = useOffice(SiteNotesAnswer, `/api/sites/${site}/notes`, ['site note']);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keeps = may(person.roles, 'keep places');
  const tell = async (at: string, body?: object): Promise<void> => {
    try {
      await ask(SiteNote, 'POST', at, body);
      setText('');
      setProblem(null);
      again();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const shown = (answer?.notes ?? []).filter(({ withdrawn }) => !withdrawn);
  return (
    <Column gap="$2">
      <Heading>For whoever comes next</Heading>
      {answer && shown.length === 0 ? <Body quiet>Nobody left a note.</Body> : null}
      {shown.length > 0 ? (
        <Column role="list" aria-label="Notes" gap="$2">
          {shown.map((note) => (
            <Row key={note.id} role="listitem" gap="$3" alignItems="flex-start">
              <Column flex={1}>
                <Body>{note.text}</Body>
                <Body small quiet>
                  {people.name(note.by)}, {sayWhen(note.at, organisation.timeZone)}
                </Body>
              </Column>
              {keeps ? (
                <Button
                  dense
                  plain
                  label={`Withdraw: ${note.text}`}
                  onPress={() => tell(`/api/site-notes/${note.id}/withdrawal`)}
                >
                  Withdraw
                </Button>
              ) : null}
            </Row>
          ))}
        </Column>
      ) : null}
      {keeps ? (
        <Row gap="$2" alignItems="flex-end">
          <Column flex={1}>
            <Input
              label="One more note"
              value={text}
              onChange={setText}
              problem={problem ?? undefined}
            />
          </Column>
          <Button
            dense
            disabled={!text.trim()}
            onPress={() => tell(`/api/sites/${site}/notes`, { text })}
          >
            Leave it there
          </Button>
        </Row>
      ) : null}
    </Column>
  );
}
