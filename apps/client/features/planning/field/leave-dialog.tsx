import { isUnsigned } from '@ant-trail/core/planning';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Mark } from '@/design/mark.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { AddSheetDialog } from './add-sheet-dialog.tsx';
import { markForSheet, sayProgress } from './step-words.ts';
import type { TrailStop } from './trail.ts';
import { recordStep } from './visit-steps.ts';

/** Before somebody leaves a job of several sheets: is that all of them? */
export function LeaveDialog({ stop, onClose }: { stop: TrailStop; onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const router = useRouter();
  const [adding, setAdding] = useState(false);
  const [busy, setBusy] = useState(false);
  const { job, sheets, visit } = stop;
  const missing = (job.expectedSheets ?? 0) - job.sheets.length;
  const leave = async (): Promise<void> => {
    setBusy(true);
    await recordStep(store, { visit: visit.id, by: person.id, kind: 'left' });
    engine.soon();
    onClose();
    router.navigate('/trail');
  };
  if (adding) return <AddSheetDialog stop={stop} onClose={onClose} />;
  return (
    <Dialog title="Are you done here?" onClose={onClose}>
      <Column gap="$3">
        {missing > 0 ? (
          <Notice tone="eyes" mark="needs eyes">
            {job.expectedSheets} sheets are expected at this job; there are {job.sheets.length}.
          </Notice>
        ) : null}
        {isUnsigned(job.signing) ? (
          <Notice tone="eyes" mark="needs eyes">
            Whoever answers for the place has not signed yet.
          </Notice>
        ) : null}
        <Column role="list" gap="$2">
          {sheets.map((each) => (
            <Row key={each.sheet.id} role="listitem" gap="$2">
              <Mark name={markForSheet(each)} silent />
              <Body flex={1}>
                {each.title}
                {each.sheet.expected ? '' : ' (added here)'}
              </Body>
              <Body small quiet>
                {sayProgress(each)}
              </Body>
            </Row>
          ))}
        </Column>
        <Button main={missing <= 0} onPress={() => leave()} disabled={busy}>
          {missing > 0 ? 'Leave all the same' : 'Yes, leave'}
        </Button>
        <Button main={missing > 0} onPress={() => setAdding(true)}>
          Add a sheet
        </Button>
      </Column>
    </Dialog>
  );
}
