import { ArrivalState, ArrivalWords } from '@ant-trail/contract/arrival';
import { may } from '@ant-trail/core/accounts';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { ask, fetchFile, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { saveFile } from '@/device/save-file.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { HOW_WORDS, needsLook } from './how-words.ts';

const OPENINGS_SHOWN = 5;

/** What only whoever is at a place should know: sealed, with who read it. */
export function ArrivalPanel({ site, name }: { site: string; name: string }) {
  const { person, organisation } = useMe();
  const people = usePeople();
  const { answer, again } = useOffice(ArrivalState, `/api/sites/${site}/arrival`, [
    ...(['opening', 'arrival'] as const),
  ]);
  const [words, setWords] = useState<string | null>(null);
  const [writing, setWriting] = useState<string | null>(null);
  const [takingOff, setTakingOff] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  if (!answer) return null;
  const mayRead = may(person.roles, 'read arrival details');
  const mayKeep = may(person.roles, 'keep places');
  const { isThere } = answer;
  const attempt = async (work: () => Promise<void>): Promise<void> => {
    try {
      await work();
      setProblem(null);
      again();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const read = async (): Promise<string> =>
    (await ask(ArrivalWords, 'POST', `/api/sites/${site}/arrival/reading`)).words;
  const save = (): Promise<void> =>
    attempt(async () => {
      await ask(ArrivalState, 'PUT', `/api/sites/${site}/arrival`, {
        ...{ words: writing ?? '', after: answer.version },
      });
      setWriting(null);
      setWords(null);
    });
  const takeOff = (): Promise<void> =>
    attempt(async () => {
      await ask(ArrivalState, 'POST', `/api/sites/${site}/arrival/removal`, {
        after: answer.version,
      });
      setWords(null);
      setTakingOff(false);
    });
  const print = (): Promise<void> =>
    attempt(async () =>
      saveFile(await fetchFile(`/api/sites/${site}/arrival/code`, {}), `Code of ${name}.pdf`),
    );
  return (
    <Column gap="$2" render="section" aria-label="For whoever is there">
      <Heading>For whoever is there</Heading>
      <Body small quiet>
        {isThere
          ? 'Alarm code, key safe and the like: sealed, also on phones, until the code at the place is scanned. Every reading is noted.'
          : 'Nothing yet. Alarm code, key safe, safe word: sealed here and on phones until somebody is at the place.'}
      </Body>
      {words === null ? null : <Body style={{ whiteSpace: 'pre-wrap' }}>{words}</Body>}
      <Row gap="$2" flexWrap="wrap">
        {isThere && mayRead && words === null ? (
          <Button dense onPress={() => attempt(async () => setWords(await read()))}>
            Read it
          </Button>
        ) : null}
        {words === null ? null : (
          <Button dense onPress={() => setWords(null)}>
            Close it again
          </Button>
        )}
        {mayKeep ? (
          <Button
            dense
            onPress={() =>
              attempt(async () => setWriting(isThere && mayRead ? (words ?? (await read())) : ''))
            }
          >
            {isThere ? 'Change it' : 'Write it'}
          </Button>
        ) : null}
        {isThere && mayRead ? (
          <Button dense onPress={print}>
            Print the place’s code
          </Button>
        ) : null}
        {isThere && mayKeep && !takingOff ? (
          <Button dense onPress={() => setTakingOff(true)}>
            Take it off
          </Button>
        ) : null}
      </Row>
      {takingOff ? (
        <Row gap="$2" flexWrap="wrap" role="alert">
          <Body small flex={1} minWidth={200}>
            Nothing of it stays, here or on phones. Who read it stays known.
          </Body>
          <Button dense main onPress={takeOff}>
            Take it off for good
          </Button>
          <Button dense onPress={() => setTakingOff(false)}>
            Leave it
          </Button>
        </Row>
      ) : null}
      {problem && writing === null ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
      {answer.openings.slice(0, OPENINGS_SHOWN).map(({ id, by, at, how, reason }) => (
        <Row key={id} gap="$2" alignItems="flex-start">
          <Mark name={needsLook(how) ? 'needs eyes' : 'received'} size={14} silent />
          <Body small eyes={needsLook(how)} quiet={!needsLook(how)} flex={1}>
            {people.name(by)} {HOW_WORDS[how]}, {sayWhen(at, organisation.timeZone)}
            {reason ? `: “${reason}”` : ''}
          </Body>
        </Row>
      ))}
      {writing === null ? null : (
        <Dialog title={`For whoever is at ${name}`} onClose={() => setWriting(null)}>
          <Column gap="$3">
            <Input
              label="What only they should know"
              lines={5}
              value={writing}
              onChange={setWriting}
              problem={problem ?? undefined}
            />
            <Body small quiet>
              It opens by the code at the place, which you print and hang there, or through you.
            </Body>
            <Button main onPress={save}>
              Seal it
            </Button>
          </Column>
        </Dialog>
      )}
    </Column>
  );
}
