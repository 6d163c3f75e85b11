import { Branch, BranchesAnswer, type PersonDraft } from '@ant-trail/contract/accounts';
import { useState } from 'react';
import { useController, type Control } from 'react-hook-form';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Lines } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { useBranches } from './use-branches.ts';

/** For which branches somebody works; where the organisation has one, there is nothing to choose. */
export function BranchesOf({ control }: { control: Control<PersonDraft> }) {
  const branches = useBranches();
  const { field, fieldState } = useController({ control, name: 'branches' });
  if (branches.length < 2) return null;
  const chosen = field.value ?? [];
  return (
    <Column gap="$1">
      <Body small strong>
        Works for
      </Body>
      <Lines
        several
        label="Works for"
        options={branches.map(({ id, name }) => ({ value: id, label: name }))}
        chosen={chosen}
        onPress={(id) =>
          field.onChange(
            chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id],
          )
        }
      />
      {fieldState.error ? (
        <Body small eyes role="alert">
          Choose at least one branch.
        </Body>
      ) : null}
    </Column>
  );
}

/** The branches of the organisation: each has its own places, which go to the phones of its people. */
export function BranchesDialog({ onClose }: { onClose: () => void }) {
  const { answer, again } = useOffice(BranchesAnswer, '/api/branches', ['branch']);
  const [name, setName] = useState('');
  const [changing, setChanging] = useState<Branch | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const save = async (): Promise<void> => {
    try {
      if (changing) await ask(Branch, 'PUT', `/api/branches/${changing.id}`, { name });
      else await ask(Branch, 'POST', '/api/branches', { name });
      setName('');
      setChanging(null);
      setProblem(null);
      again();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog title="Branches" onClose={onClose} width={460}>
      <Column gap="$3">
        <Body small quiet>
          Each place belongs to a branch. A phone has the places of the branch its person is in.
        </Body>
        {answer?.branches.map((branch) => (
          <Row key={branch.id} gap="$2">
            <Body flex={1}>{branch.name}</Body>
            <Button
              dense
              plain
              label={`Rename ${branch.name}`}
              onPress={() => {
                setChanging(branch);
                setName(branch.name);
              }}
            >
              Rename
            </Button>
          </Row>
        ))}
        <Input
          label={changing ? `New name of ${changing.name}` : 'Name of another branch'}
          value={name}
          onChange={setName}
          problem={problem ?? undefined}
          onEnter={() => void save()}
        />
        <Button main disabled={!name.trim()} onPress={save}>
          {changing ? 'Rename it' : 'Add the branch'}
        </Button>
      </Column>
    </Dialog>
  );
}
