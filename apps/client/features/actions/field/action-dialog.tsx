import { DAYS_FOR_SEVERITY } from '@ant-trail/core/actions';
import { addDays, inZone } from '@ant-trail/core/calendar';
import { severityWord, type Finding } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { DayField } from '@/design/when.tsx';
import { Body } from '@/design/text.tsx';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { useColleagues } from '@/features/accounts/use-colleagues.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { openActionHere } from './own-actions.ts';

interface ActionDialogProps {
  readonly finding: Finding;
  /** Where and in which sheet it was found. */
  readonly site: string;
  readonly sheet: string;
  readonly onClose: () => void;
}

/** Opens a corrective action from a finding, on the spot. */
export function ActionDialog({ finding, site, sheet, onClose }: ActionDialogProps) {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const people = useColleagues(store);
  const today = inZone(officeTime(), organisation.timeZone).day;
  const [title, setTitle] = useState(finding.proposedAction ?? finding.words);
  const [owner, setOwner] = useState(person.id);
  const [dueOn, setDueOn] = useState(addDays(today, DAYS_FOR_SEVERITY[finding.severity]));
  const [asked, setAsked] = useState(false);
  const open = async () => {
    setAsked(true);
    if (!title.trim() || !dueOn) return;
    await openActionHere(store, {
      id: newId(),
      site,
      sheet,
      key: finding.key,
      title: title.trim(),
      details: finding.words,
      severity: finding.severity,
      owner,
      dueOn,
    });
    engine.soon();
    onClose();
  };
  return (
    <Dialog title="Open an action" onClose={onClose}>
      <Column gap="$3">
        <Body small quiet>
          {finding.words} ({severityWord(finding.severity)})
        </Body>
        <Input
          label="What is to be done"
          value={title}
          onChange={setTitle}
          problem={asked && !title.trim() ? 'Say what is to be done.' : undefined}
        />
        <Pick
          label="By whom"
          value={owner}
          onChange={setOwner}
          options={people.map(({ id, name }) => ({ value: id, label: name }))}
        />
        <DayField label="By when" value={dueOn} onChange={setDueOn} />
        <Button main onPress={() => open()}>
          Open it
        </Button>
      </Column>
    </Dialog>
  );
}
