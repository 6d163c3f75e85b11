import { hasSaid } from '@ant-trail/core/planning';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body } from '@/design/text.tsx';
import { AddSheetDialog } from './add-sheet-dialog.tsx';
import { HandOverDialog } from './hand-over-dialog.tsx';
import { LeaveOutDialog } from './leave-out-dialog.tsx';
import { markForSheet, sayProgress } from './step-words.ts';
import type { TrailSheet, TrailStop } from './trail.ts';
import { TurnBackDialog } from './turn-back-dialog.tsx';

type Open =
  | 'add'
  | 'hand over'
  | 'turn back'
  | { readonly give: TrailSheet }
  | { readonly leaveOut: TrailSheet }
  | null;

/** The sheets of a stop, each a tap away; one more is added here, and work handed over. */
export function SheetList({ stop }: { stop: TrailStop }) {
  const router = useRouter();
  const [open, setOpen] = useState<Open>(null);
  const { sheets, job, visit, site } = stop;
  const arrived = hasSaid(visit.events, 'arrived');
  const canTurnBack =
    stop.turnedBackFor === null &&
    (stop.step === 'arrived' || stop.step === 'start' || stop.step === 'go on');
  const close = (): void => setOpen(null);
  const given = (): void => {
    close();
    router.navigate('/trail');
  };
  return (
    <Column gap="$2">
      <Column role="list" aria-label="Sheets">
        {sheets.map((each) => (
          <Row key={each.sheet.id} role="listitem" gap="$2" flexWrap="wrap">
            <PressableRow
              flexGrow={1}
              flexShrink={1}
              flexBasis={220}
              disabled={!arrived}
              paddingVertical="$2"
              gap={0}
              onPress={() => router.navigate(`/sheet/${each.sheet.id}`)}
            >
              <Row gap="$2">
                <Mark name={markForSheet(each)} silent />
                <Column flex={1}>
                  <Body strong>{each.title}</Body>
                  <Body small quiet>
                    {sayProgress(each)}
                    {each.sheet.expected ? '' : ' · added here'}
                    {each.sheet.person ? ' · yours alone' : ''}
                  </Body>
                </Column>
              </Row>
            </PressableRow>
            {/* Together on a line of their own where the name needs the first. */}
            <Row gap="$2" justifyContent="flex-end">
              {sheets.length > 1 && (each.stage === 'untouched' || each.stage === 'under way') ? (
                <Button
                  dense
                  plain
                  label={`Hand over ${each.title}`}
                  onPress={() => setOpen({ give: each })}
                >
                  Hand over
                </Button>
              ) : null}
              {sheets.length > 1 && arrived && each.stage === 'untouched' && !each.leftOut ? (
                <Button
                  dense
                  plain
                  label={`Leave out ${each.title}`}
                  onPress={() => setOpen({ leaveOut: each })}
                >
                  Leave out
                </Button>
              ) : null}
            </Row>
          </Row>
        ))}
      </Column>
      <Row gap="$2" flexWrap="wrap">
        <Button dense onPress={() => setOpen('add')} disabled={!arrived}>
          Add a sheet
        </Button>
        <Button dense onPress={() => setOpen('hand over')}>
          Hand over the visit
        </Button>
        {canTurnBack ? (
          <Button dense onPress={() => setOpen('turn back')}>
            Turn back
          </Button>
        ) : null}
      </Row>
      {open === 'turn back' ? <TurnBackDialog stop={stop} onClose={close} /> : null}
      {open === 'add' ? <AddSheetDialog stop={stop} onClose={close} /> : null}
      {open === 'hand over' ? (
        <HandOverDialog
          what={site.name}
          of={{ job: job.id, visit: visit.id, sheet: null }}
          onClose={close}
          onDone={given}
        />
      ) : null}
      {open !== null && typeof open === 'object' && 'leaveOut' in open ? (
        <LeaveOutDialog sheet={open.leaveOut} job={job.id} onClose={close} />
      ) : null}
      {open !== null && typeof open === 'object' && 'give' in open ? (
        <HandOverDialog
          what={open.give.title}
          of={{ job: job.id, visit: null, sheet: open.give.sheet.id }}
          onClose={close}
          onDone={close}
        />
      ) : null}
    </Column>
  );
}
