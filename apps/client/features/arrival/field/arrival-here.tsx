import { ArrivalWords, type ArrivalSeal } from '@ant-trail/contract/arrival';
import type { Visit } from '@ant-trail/contract/planning';
import { isOver } from '@ant-trail/core/planning';
import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { ask, Unreachable, wordsFor } from '@/device/api.ts';
import { newId } from '@/device/identity.ts';
import { currentFix } from '@/device/position.ts';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { Scanner } from '@/features/codes/field/scanner.tsx';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { openSeal } from './open-seal.ts';

/** What was opened, by visit: in the page's memory alone, so that nothing of it is ever kept. */
const useOpened = create<{ readonly words: Readonly<Record<string, string>> }>(() => ({
  words: {},
}));

const show = (visit: string, words: string | null): void =>
  useOpened.setState(({ words: before }) => {
    const rest = Object.fromEntries(Object.entries(before).filter(([id]) => id !== visit));
    return { words: words === null ? rest : { ...rest, [visit]: words } };
  });

export interface ArrivalHereProps {
  readonly site: string;
  readonly visit: Visit;
}

/** What only whoever is there should know: opened by the code at the place, or through the office. */
export function ArrivalHere({ site, visit }: ArrivalHereProps) {
  const { store } = usePhone();
  const sealed = useLive(() => store.arrivalSeals.get(site), [store, site]);
  const opened = useOpened(({ words }) => words[visit.id]);
  const [how, setHow] = useState<'code' | 'office' | null>(null);
  const over = isOver(visit.events);
  useEffect(() => {
    if (over) show(visit.id, null);
  }, [over, visit.id]);
  if (over || (!sealed && opened === undefined)) return null;
  return (
    <Column gap="$2">
      {opened === undefined ? (
        <>
          <Body quiet>
            Sealed until you are there. The code that hangs at the place opens it, with no network.
          </Body>
          <Row gap="$2" flexWrap="wrap">
            <Button dense onPress={() => setHow('code')}>
              Scan the place’s code
            </Button>
            <Button dense plain onPress={() => setHow('office')}>
              No code there?
            </Button>
          </Row>
        </>
      ) : (
        <>
          <Body style={{ whiteSpace: 'pre-wrap' }}>{opened}</Body>
          <Row>
            <Button dense onPress={() => show(visit.id, null)}>
              Close it again
            </Button>
          </Row>
        </>
      )}
      {how === 'code' && sealed ? (
        <CodeReader sealed={sealed} visit={visit.id} onClose={() => setHow(null)} />
      ) : null}
      {how === 'office' ? <OfficeDialog visit={visit.id} onClose={() => setHow(null)} /> : null}
    </Column>
  );
}

function CodeReader({
  sealed,
  visit,
  onClose,
}: {
  sealed: ArrivalSeal;
  visit: string;
  onClose: () => void;
}) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const [problem, setProblem] = useState<string | null>(null);
  const read = async (code: string): Promise<void> => {
    const came = await openSeal(sealed, code);
    if ('problem' in came) return setProblem(came.problem);
    // Noted before it is shown: nobody reads it unseen.
    await doHere(store, {
      kind: 'arrival opened',
      body: {
        ...{ id: newId(), site: sealed.id, visit, version: sealed.version },
        ...{ by: person.id, at: new Date().toISOString() },
      },
    });
    engine.soon();
    show(visit, came.words);
    onClose();
  };
  return (
    <Scanner
      label="the place’s code"
      goesOn
      refused={problem}
      onRead={({ code }) => void read(code)}
      onClose={onClose}
    />
  );
}

function OfficeDialog({ visit, onClose }: { visit: string; onClose: () => void }) {
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [looking, setLooking] = useState(false);
  const open = async (byPosition: boolean): Promise<void> => {
    if (!byPosition && !reason.trim())
      return setProblem('Say why you need it: the office sees it at once.');
    setLooking(byPosition);
    const fix = byPosition ? await currentFix() : null;
    setLooking(false);
    if (byPosition && !fix)
      return setProblem('Your phone can’t tell where it is. Say why instead.');
    try {
      const { words } = await ask(ArrivalWords, 'POST', `/api/visits/${visit}/opening`, {
        ...{ fix, reason: reason.trim() },
      });
      show(visit, words);
      onClose();
    } catch (error) {
      setProblem(
        error instanceof Unreachable
          ? 'With no network only the place’s code opens it. Or call the office: they can read it to you.'
          : wordsFor(error),
      );
    }
  };
  return (
    <Dialog title="Without the code" onClose={onClose}>
      <Column gap="$3">
        <Body>The office opens it for you, and sees that it did.</Body>
        <Button main disabled={looking} onPress={() => open(true)}>
          {looking ? 'Looking where you are …' : 'I am there: by my position'}
        </Button>
        <Input
          label="Or say why, or type the number on the sheet"
          value={reason}
          onChange={setReason}
          problem={problem ?? undefined}
        />
        <Button onPress={() => open(false)}>Open it by that</Button>
      </Column>
    </Dialog>
  );
}
