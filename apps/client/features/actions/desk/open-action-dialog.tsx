import { zodResolver } from '@hookform/resolvers/zod';
import { Action, ActionDraft } from '@ant-trail/contract/actions';
import type { Site } from '@ant-trail/contract/sites';
import { DAYS_FOR_SEVERITY } from '@ant-trail/core/actions';
import { addDays, inZone } from '@ant-trail/core/calendar';
import { SEVERITIES, severityWord, type Finding } from '@ant-trail/core/sheet';
import { useEffect, useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { FormDay, FormInput, FormPick } from '@/design/form-fields.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import { FindPerson } from '@/features/accounts/desk/find-person.tsx';
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

/** What is asked of whoever opens it; the rest is known. */
const Asked = ActionDraft.pick({
  ...{ title: true, details: true, severity: true, owner: true, dueOn: true },
}).extend({ title: z.string().trim().min(1, 'Say what is to be done.').max(200) });
type Asked = z.infer<typeof Asked>;

/** Opens a corrective action at review. */
export function OpenActionDialog(props: OpenActionDialogProps) {
  const { site, sheet, finding, proposedOwner, onClose, onDone } = props;
  const { person, organisation } = useMe();
  const people = usePeople();
  const today = inZone(officeTime(), organisation.timeZone).day;
  const [problem, setProblem] = useState<string | null>(null);
  const worst = finding?.severity ?? 1;
  const form = useForm<Asked>({
    resolver: zodResolver(Asked),
    defaultValues: {
      ...{ title: finding?.proposedAction ?? '', details: finding?.words ?? '', severity: worst },
      ...{ owner: proposedOwner ?? person.id, dueOn: addDays(today, DAYS_FOR_SEVERITY[worst]) },
    },
  });
  const { control, formState } = form;
  const severity = useWatch({ control, name: 'severity' });
  useEffect(() => {
    // The worse it is, the sooner; whoever knows better changes the day afterwards.
    if (severity !== form.formState.defaultValues?.severity)
      form.setValue('dueOn', addDays(today, DAYS_FOR_SEVERITY[severity]));
  }, [form, severity, today]);
  const open = form.handleSubmit(async (asked) => {
    try {
      await ask(Action, 'POST', '/api/actions', {
        ...asked,
        ...{ id: newId(), site: site.id, sheet, key: finding?.key ?? null },
      });
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  });
  return (
    <Dialog title={`Open an action at ${site.name}`} onClose={onClose}>
      <Column gap="$3">
        <FormInput {...{ control, name: 'title', label: 'What is to be done' }} autoFocus />
        <FormInput {...{ control, name: 'details', label: 'Why' }} lines={2} />
        <FormPick
          {...{ control, name: 'severity', label: 'How bad is it' }}
          read={(value) => SEVERITIES.find((each) => String(each) === value) ?? 1}
          options={SEVERITIES.map((each) => ({ value: String(each), label: severityWord(each) }))}
        />
        <Controller
          control={control}
          name="owner"
          render={({ field }) => (
            <FindPerson
              label="By whom"
              people={people.list}
              chosen={field.value}
              onChoose={(who) => field.onChange(who ?? field.value)}
            />
          )}
        />
        <FormDay {...{ control, name: 'dueOn', label: 'By when' }} />
        {problem ? (
          <Body small eyes strong role="alert">
            {problem}
          </Body>
        ) : null}
        <Button main onPress={() => open()} disabled={formState.isSubmitting}>
          Open it
        </Button>
      </Column>
    </Dialog>
  );
}
