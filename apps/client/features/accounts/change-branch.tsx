import { useState } from 'react';
import { Pick } from '@/design/pick.tsx';
import { wordsFor } from '@/device/api.ts';
import { useMe, useSession } from './session.ts';

/** The branch somebody is in, where they have several: changed with no new sign-in. */
export function ChangeBranch({ onChanged }: { readonly onChanged?: () => void }) {
  const me = useMe();
  const changeBranch = useSession((state) => state.changeBranch);
  const [problem, setProblem] = useState<string | null>(null);
  if (me.branches.length < 2) return null;
  const change = async (branch: string): Promise<void> => {
    try {
      await changeBranch(branch);
      setProblem(null);
      onChanged?.();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Pick
      label="The branch you are in"
      value={me.branch.id}
      onChange={(branch) => void change(branch)}
      options={me.branches.map(({ id, name }) => ({ value: id, label: name }))}
      problem={problem ?? undefined}
    />
  );
}
