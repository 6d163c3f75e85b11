import { FieldFilters, type FieldFilter } from '@ant-trail/contract/fields';
import type { ListQuery } from '@/features/lists/desk/use-list.ts';

/** The conditions a list is narrowed by, as its address says them. */
export function readWhere({ where }: ListQuery): readonly FieldFilter[] {
  if (!where) return [];
  try {
    const read = FieldFilters.safeParse(JSON.parse(where));
    return read.success ? read.data : [];
  } catch {
    // An address somebody changed by hand.
    return [];
  }
}

export const writeWhere = (where: readonly FieldFilter[]): string | undefined =>
  where.length > 0 ? JSON.stringify(where) : undefined;
