import { DayField } from '@/design/when.tsx';
import type { ListQuery } from './use-list.ts';

export interface DaysFilterProps {
  readonly query: ListQuery;
  readonly onChange: (to: Readonly<Record<string, string | undefined>>) => void;
}

/** From which day, and to which; both may stay open. */
export const DaysFilter = ({ query, onChange }: DaysFilterProps) => (
  <>
    <DayField
      label="From"
      value={query['from'] ?? ''}
      onChange={(from) => onChange({ from: from || undefined })}
    />
    <DayField
      label="To"
      value={query['to'] ?? ''}
      onChange={(to) => onChange({ to: to || undefined })}
    />
  </>
);
