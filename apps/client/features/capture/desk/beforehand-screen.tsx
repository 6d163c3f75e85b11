import { Dossier } from '@ant-trail/contract/review';
import { PROGRAMME_PATH } from '@ant-trail/core/log';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Notice } from '@/design/notice.tsx';
import { Pick } from '@/design/pick.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body, Heading, Title } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { useHoldStill } from '@/device/hold-still.ts';
import { useOffice } from '@/device/office.ts';
import { usePrepared } from '@/device/use-prepared.ts';
import { useMe } from '@/features/accounts/session.ts';
import { AtPlace } from '@/features/kinds/desk/at-place.ts';
import { withDrafts, type Drafts } from './beforehand.ts';
import { BeforehandSections } from './beforehand-questions.tsx';
import { writeAllFromDesk } from './desk-entries.ts';

/** What the office knows already is filled in before anybody goes: they only look whether it is so. */
export function BeforehandScreen() {
  const { sheet } = useLocalSearchParams<{ sheet: string }>();
  const dossier = useOffice(Dossier, `/api/sheets/${sheet}`, ['sheet']);
  const canRead = usePrepared(dossier.answer?.version.body);
  return (
    <Scroll render="main" id="main" tabIndex={0} aria-label="Filled in beforehand">
      <Column padding="$4" gap="$4" maxWidth={760} width="100%" alignSelf="center">
        {dossier.answer && canRead ? (
          <AtPlace value={dossier.answer.site.id}>
            <Beforehand key={sheet} dossier={dossier.answer} again={dossier.again} />
          </AtPlace>
        ) : dossier.problem ? (
          <Notice tone="eyes">{dossier.problem}</Notice>
        ) : null}
      </Column>
    </Scroll>
  );
}

function Beforehand({ dossier, again }: { dossier: Dossier; again: () => void }) {
  useHoldStill();
  const router = useRouter();
  const { person } = useMe();
  const [drafts, setDrafts] = useState<Drafts>(new Map());
  const [wrong, setWrong] = useState<ReadonlyMap<string, string>>(new Map());
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState(0);
  const { state, mine } = useMemo(
    () => withDrafts(dossier, drafts, person.id),
    [dossier, drafts, person.id],
  );
  const { title } = dossier.version.body;
  const open = state.stage === 'untouched' || state.stage === 'under way';
  const programmes = dossier.version.body.programmes ?? [];
  const keep = async (): Promise<void> => {
    if (wrong.size > 0) return setProblem('Something here can’t be an answer yet: it says why.');
    try {
      const refused = await writeAllFromDesk(mine);
      setDrafts(new Map([...drafts].filter(([path]) => refused.has(path))));
      setWrong(refused);
      setKept(mine.length - refused.size);
      setProblem(null);
      again();
    } catch (error) {
      setProblem(wordsFor(error));
    }
    return undefined;
  };
  return (
    <>
      <Column gap="$1">
        <Title>{title}</Title>
        <Body quiet>
          {dossier.site.name}, {sayShortDay(dossier.visit.day)}
        </Body>
        <Body>
          Fill in what is known already. On the phone it stands as filled in by the office, and
          whoever is there can change it.
        </Body>
      </Column>
      {open ? null : (
        <Notice tone="info">
          This sheet is {state.stage}. What is wrong in it is corrected where it is read.
        </Notice>
      )}
      {programmes.length > 0 && open ? (
        <Pick
          label="Programme"
          value={state.programme?.key ?? ''}
          options={[
            { value: '', label: 'Chosen at the place' },
            ...programmes.map(({ key, name }) => ({ value: key, label: name })),
          ]}
          onChange={(key) =>
            setDrafts(new Map([...drafts, [PROGRAMME_PATH, { value: key || null }]]))
          }
        />
      ) : null}
      <BeforehandSections
        state={state}
        body={dossier.version.body}
        about={`${dossier.site.name} · ${title.toLowerCase()}`}
        open={open}
        wrong={wrong}
        onGive={(path, given) => {
          setKept(0);
          setProblem(null);
          // Several may be given in one go.
          setWrong((before) => {
            const now = new Map(before);
            if ('problem' in given) now.set(path, given.problem);
            else now.delete(path);
            return now;
          });
          if (!('problem' in given)) setDrafts((before) => new Map([...before, [path, given]]));
        }}
      />
      {problem ? (
        <Body small eyes strong role="alert">
          {problem}
        </Body>
      ) : null}
      {kept > 0 ? (
        <Body small role="status">
          {kept === 1 ? 'One answer is' : `${kept} answers are`} with the office.
        </Body>
      ) : null}
      <Row gap="$3">
        <Button main disabled={!open || drafts.size === 0} onPress={() => keep()}>
          Keep these answers
        </Button>
        <Button
          plain
          onPress={() => (router.canGoBack() ? router.back() : router.navigate('/day'))}
        >
          Back
        </Button>
      </Row>
      {state.sections.length === 0 ? <Heading>This template asks nothing.</Heading> : null}
    </>
  );
}
