import { sayFact, type Facts, type Field } from '@ant-trail/core/fields';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';

const COLUMN = 'own ';

/** A column for each of the office's own fields; left out until somebody asks for them. */
export const ownColumns = <Item,>(
  fields: readonly Field[],
  factsOf: (item: Item) => Facts | undefined,
): readonly ListColumn<Item>[] =>
  fields.map((field) => ({
    ...{ id: `${COLUMN}${field.key}`, label: field.label, width: 150 },
    cell: (item) => <Body small>{sayFact(field, factsOf(item) ?? {}, sayDatedDay)}</Body>,
  }));

export const ownIds = (fields: readonly Field[]): readonly string[] =>
  fields.map(({ key }) => `${COLUMN}${key}`);
