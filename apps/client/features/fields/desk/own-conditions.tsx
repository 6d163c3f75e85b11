import { soughtFields, type Field } from '@ant-trail/core/fields';
import type { List } from '@/features/lists/desk/use-list.ts';
import { Conditions } from './conditions.tsx';
import { readWhere, writeWhere } from './where.ts';

export interface OwnConditionsProps {
  readonly fields: readonly Field[];
  readonly list: Pick<List<unknown>, 'query' | 'change'>;
}

/** Narrows a list by the office's own fields, where it has any. */
export function OwnConditions({ fields, list }: OwnConditionsProps) {
  const where = readWhere(list.query);
  if (fields.length === 0 && where.length === 0) return null;
  return (
    <Conditions
      label="Only where an own field says"
      empty="Choose a field"
      fields={soughtFields(fields)}
      where={where}
      onChange={(next) => list.change({ where: writeWhere(next) })}
    />
  );
}
