import { Pick } from '@/design/pick.tsx';
import type { ListQuery } from './use-list.ts';

export interface RetiredFilterProps {
  readonly label: string;
  /** What those are called that are in use, and those that are no more. */
  readonly words: readonly [string, string];
  readonly query: ListQuery;
  readonly onChange: (to: { retired: string | undefined }) => void;
}

/** What is in use, or what was retired. */
export function RetiredFilter({ label, words, query, onChange }: RetiredFilterProps) {
  const [now, noMore] = words;
  return (
    <Pick
      label={label}
      value={query['retired'] ?? ''}
      onChange={(retired) => onChange({ retired: retired || undefined })}
      options={[
        { value: '', label: now },
        { value: 'yes', label: noMore },
      ]}
    />
  );
}
