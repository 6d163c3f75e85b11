import { OwnFields } from '@ant-trail/contract/fields';
import { may } from '@ant-trail/core/accounts';
import type { Field, FieldHolder } from '@ant-trail/core/fields';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useMe } from '@/features/accounts/session.ts';
import { FieldsEditor } from './fields-editor.tsx';
import { useOwnFields } from './use-own-fields.ts';

const OF: Record<FieldHolder, string> = {
  job: 'of each job',
  place: 'of each place',
  client: 'of each client',
};

/** Opens what is to be known of each job, place or client, for whoever may say so. */
export function OwnFieldsButton({ holder }: { readonly holder: FieldHolder }) {
  const { person } = useMe();
  const [open, setOpen] = useState(false);
  if (!may(person.roles, 'keep places')) return null;
  return (
    <>
      <Button dense onPress={() => setOpen(true)}>
        Own fields
      </Button>
      {open ? <OwnFieldsDialog holder={holder} onClose={() => setOpen(false)} /> : null}
    </>
  );
}

interface OwnFieldsDialogProps {
  readonly holder: FieldHolder;
  readonly onClose: () => void;
}

function OwnFieldsDialog({ holder, onClose }: OwnFieldsDialogProps) {
  const own = useOwnFields(holder);
  // As they are at the office until something is changed here.
  const [changed, setChanged] = useState<readonly Field[] | null>(null);
  const [nowReported, setReported] = useState<readonly string[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const fields = changed ?? own.fields;
  const reported = nowReported ?? own.reported;
  const toggle = (key: string): void =>
    setReported(
      reported.includes(key) ? reported.filter((each) => each !== key) : [...reported, key],
    );
  const save = async (): Promise<void> => {
    try {
      await ask(OwnFields, 'PUT', `/api/own-fields/${holder}`, { fields, reported });
      onClose();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog title={`What is known ${OF[holder]}`} onClose={onClose} width={600}>
      <Column gap="$3">
        <Body quiet>
          It can be searched, narrowed by, taken along in tables, and is on the phones of those who
          go there.
        </Body>
        <FieldsEditor
          fields={fields}
          onChange={setChanged}
          more={({ key, label }) => (
            <Tick
              label={`“${label}” in reports`}
              on={reported.includes(key)}
              onPress={() => toggle(key)}
            />
          )}
        />
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={save}>
          Save
        </Button>
      </Column>
    </Dialog>
  );
}
