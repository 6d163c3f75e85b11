import { useController } from 'react-hook-form';
import { Pick } from '@/design/pick.tsx';
import { useBranches } from '@/features/accounts/desk/use-branches.ts';
import { useMe } from '@/features/accounts/session.ts';
import type { SiteForm } from './hazard-fields.tsx';

/** The branch whose phones have the place; where the organisation has one, there is nothing to choose. */
export function BranchOfSite({ control }: { control: SiteForm }) {
  const branches = useBranches();
  const { branch } = useMe();
  const { field } = useController({ control, name: 'branch' });
  if (branches.length < 2) return null;
  return (
    <Pick
      label="Branch"
      value={field.value ?? branch.id}
      onChange={field.onChange}
      options={branches.map(({ id, name }) => ({ value: id, label: name }))}
    />
  );
}
