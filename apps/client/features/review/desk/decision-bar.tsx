import { may } from '@ant-trail/core/accounts';
import type { Dossier } from '@ant-trail/contract/review';
import { STAGE_PATH } from '@ant-trail/core/log';
import { consentsIn } from '@ant-trail/core/sheet';
import { useMemo, useState } from 'react';
import { Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { useSetting } from '@/device/settings.ts';
import { useShortcut } from '@/design/use-shortcut.ts';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { OpenActionDialog } from '@/features/actions/desk/open-action-dialog.tsx';
import { CorrectDialog } from './correct-dialog.tsx';
import { giveApproval, takeApprovalBack, useApproving } from './approving.ts';
import type { ReadingState } from './read-dossier.ts';
import { ReturnDialog } from './return-dialog.tsx';

export interface DecisionBarProps {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
  readonly chosen: string | null;
  readonly onDone: () => void;
  readonly onChanged: () => void;
  /** On a phone: what is decided most stands there, the rest behind one button. */
  readonly folded?: boolean;
}

type Open = 'return' | 'correct' | 'action' | null;

/** What the reviewer decides, each with its key. */
export function DecisionBar(props: DecisionBarProps) {
  const { dossier, reading, chosen, onDone, onChanged, folded = false } = props;
  const [unfolded, setUnfolded] = useState(false);
  const shows = !folded || unfolded;
  const { person } = useMe();
  const keysOn = useSetting('singleKeys') === 'on';
  const [open, setOpen] = useState<Open>(null);
  const { given, refused } = useApproving();
  const sheet = dossier.sheet.id;
  const state = chosen === null ? undefined : reading.questions.get(chosen);
  const reviews = may(person.roles, 'review');
  const { stage } = reading.state;
  const decides = reviews && stage === 'finished';
  const corrects = reviews && (stage === 'finished' || stage === 'returned') && state !== undefined;

  const consents = useMemo(() => consentsIn(reading.state), [reading.state]);
  const isGiven = given?.sheet === sheet;
  const differ = reading.state.disagreements.length > 0;
  const [warned, setWarned] = useState<string | null>(null);
  const approve = (): void => {
    // Said once per sheet: the later of two answers must not be approved unread.
    if (differ && warned !== sheet) {
      setWarned(sheet);
      return;
    }
    giveApproval({
      sheet,
      name: dossier.site.name,
      draft: {
        ...{ sheet, path: STAGE_PATH, kind: 'approve', value: reading.open.cover },
        seen: reading.open.headsOf(STAGE_PATH),
        by: person.id,
      },
      onSent: onChanged,
    });
    onDone();
  };
  const said =
    refused?.words ??
    (differ && warned === sheet
      ? 'Answers differ here: let one stand. Approve again to take the latest as they are.'
      : null);
  const report = (): void => {
    window.open(`/api/sheets/${sheet}/report.pdf`, '_blank');
  };
  useShortcut('a', approve, decides && !isGiven);
  useShortcut('r', () => setOpen('return'), decides && !isGiven);
  useShortcut('c', () => setOpen('correct'), corrects);
  useShortcut('o', () => setOpen('action'), reviews);
  useShortcut('u', takeApprovalBack, given !== null);
  const changed = (): void => {
    setOpen(null);
    onChanged();
  };
  return (
    <Row
      render="footer"
      className={folded ? undefined : 'decisions'}
      backgroundColor="$sheet"
      borderTopWidth={1}
      borderColor="$rule"
      paddingHorizontal="$4"
      paddingVertical={folded ? '$1' : '$2'}
      gap="$2"
      flexWrap="wrap"
    >
      <Button main onPress={approve} disabled={!decides || isGiven} shortcut="A">
        Approve
      </Button>
      <Button onPress={() => setOpen('return')} disabled={!decides || isGiven} shortcut="R">
        {folded ? 'Return' : 'Return with a note'}
      </Button>
      {shows ? (
        <>
          <Button onPress={() => setOpen('correct')} disabled={!corrects} shortcut="C">
            Correct a value
          </Button>
          <Button onPress={() => setOpen('action')} disabled={!reviews} shortcut="O">
            Open an action
          </Button>
          <Button onPress={report}>Report</Button>
          {consents.map(({ path, label }) => (
            <Button
              key={path}
              label={`${label}, as PDF`}
              onPress={() =>
                window.open(
                  `/api/sheets/${sheet}/consent.pdf?at=${encodeURIComponent(path)}`,
                  '_blank',
                )
              }
            >
              {label}
            </Button>
          ))}
        </>
      ) : null}
      {folded ? (
        <Button plain onPress={() => setUnfolded(!unfolded)}>
          {unfolded ? 'Less' : 'More'}
        </Button>
      ) : null}
      {given ? (
        <Row gap="$2" role="status" alignItems="center">
          <Body small strong>
            {given.name} is approved.
          </Body>
          <Button dense onPress={takeApprovalBack} shortcut="U">
            Take it back
          </Button>
        </Row>
      ) : null}
      {said ? (
        <Body small eyes strong role="alert">
          {said}
        </Body>
      ) : null}
      {folded || !keysOn ? null : (
        <Row flex={1} justifyContent="flex-end" minWidth={180}>
          <Body tiny quiet className="key-hint">
            next J · back K · photo Space
          </Body>
        </Row>
      )}
      {open === 'return' ? (
        <ReturnDialog
          dossier={dossier}
          reading={reading}
          onClose={() => setOpen(null)}
          onDone={() => {
            setOpen(null);
            onDone();
          }}
        />
      ) : null}
      {open === 'correct' && state ? (
        <CorrectDialog
          dossier={dossier}
          reading={reading}
          state={state}
          onClose={() => setOpen(null)}
          onDone={changed}
        />
      ) : null}
      {open === 'action' ? (
        <OpenActionDialog
          site={dossier.site}
          sheet={sheet}
          finding={state?.findings[0] ?? null}
          proposedOwner={dossier.visit.person}
          onClose={() => setOpen(null)}
          onDone={changed}
        />
      ) : null}
    </Row>
  );
}
