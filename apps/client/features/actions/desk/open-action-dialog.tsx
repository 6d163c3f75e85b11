import { Action } from '@ant-trail/contract/actions';
import type { Site } from '@ant-trail/contract/sites';
import { DAYS_FOR_SEVERITY } from '@ant-trail/core/actions';
import { addDays, inZone } from '@ant-trail/core/calendar';
import { SEVERITIES, severityWord, type Finding, type Severity } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { DayField } from '@/design/when.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';

export interface OpenActionDialogProps {
  readonly site: Site;
  readonly sheet: string;
  readonly finding: Finding | null;
  readonly proposedOwner: string | null;
  readonly onClose: () => void;
  readonly onDone: () => void;
}

/** Opens a corrective action at review. */
export function OpenActionDialog(props: OpenActionDialogProps) {
  const { site, sheet, finding, proposedOwner, onClose, onDone } = props;
  const { person, organisation } = useMe();
  const people = usePeople();
  const today = inZone(officeTime(), organisation.timeZone).day;
  const [title, setTitle] = useState(finding?.proposedAction ?? '');
  const [details, setDetails] = useState(finding?.words ?? '');
  const [severity, setSeverity] = useState<Severity>(finding?.severity ?? 1);
  const [owner, setOwner] = useState(proposedOwner ?? person.id);
  const [dueOn, setDueOn] = useState(addDays(today, DAYS_FOR_SEVERITY[severity]));
  const [problem, setProblem] = useState<string | null>(null);
  const open = async () => {
    if (!title.trim() || !dueOn) {
      setProblem('Say what is to be done, and by when.');
      return;
    }
    try {
      await ask(Action, 'POST', '/api/actions', {
        id: newId(),
        site: site.id,
        sheet,
        key: finding?.key ?? null,
        title,
        details,
        severity,
        owner,
        dueOn,
      });
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog title={`Open an action at ${site.name}`} onClose={onClose}>
      <Column gap="$3">
        <Input label="What is to be done" value={title} onChange={setTitle} autoFocus />
        <Input label="Why" lines={2} value={details} onChange={setDetails} />
        <Pick
          label="How bad is it"
          value={String(severity)}
          onChange={(value) => {
            const chosen = SEVERITIES.find((each) => String(each) === value) ?? 1;
            setSeverity(chosen);
            setDueOn(addDays(today, DAYS_FOR_SEVERITY[chosen]));
          }}
          options={SEVERITIES.map((each) => ({ value: String(each), label: severityWord(each) }))}
        />
        <Pick
          label="By whom"
          value={owner}
          onChange={setOwner}
          options={people.list.map(({ id, name }) => ({ value: id, label: name }))}
        />
        <DayField label="By when" value={dueOn} onChange={setDueOn} />
        {problem ? (
          <Body small eyes strong role="alert">
            {problem}
          </Body>
        ) : null}
        <Button main onPress={() => open()}>
          Open it
        </Button>
      </Column>
    </Dialog>
  );
}
