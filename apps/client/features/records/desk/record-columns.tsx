import type { SheetRecord } from '@ant-trail/contract/records';
import type { SoughtField } from '@ant-trail/core/fields';
import { Column, Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';

/** Questions whose answers stand in the list from the beginning. */
const SHOWN = 3;
/** Place, day, and a column for each question. */
export const columnsOf = (fields: readonly SoughtField[]): readonly ListColumn<SheetRecord>[] => [
  {
    id: 'place',
    label: 'Place',
    order: 'place',
    cell: ({ siteName, thing, people }) => (
      <Column alignItems="flex-start">
        <Body strong>{thing ? `${siteName}, ${thing}` : siteName}</Body>
        <Body small quiet>
          {people.join(', ')}
        </Body>
      </Column>
    ),
  },
  {
    id: 'day',
    label: 'Day',
    order: 'day',
    width: 150,
    cell: ({ day, stage }) => (
      <Column>
        <Figure small>
          {sayShortDay(day)} {day.slice(0, 4)}
        </Figure>
        <Body small quiet>
          {stage}
        </Body>
      </Column>
    ),
  },
  ...fields.map(({ key, label }): ListColumn<SheetRecord> => ({
    ...{ id: key, label, width: 150 },
    cell: ({ fields: said }) => {
      const field = Object.hasOwn(said, key) ? said[key] : undefined;
      if (!field) return null;
      return (
        <Row gap="$1">
          {field.bad ? <Mark name="needs eyes" size={14} /> : null}
          <Body small eyes={field.bad === true}>
            {field.t}
          </Body>
        </Row>
      );
    },
  })),
];

/** Numbers are what one compares at a glance; the other columns come when they are asked for. */
export function hiddenAtFirst(fields: readonly SoughtField[]): string[] {
  const numbersFirst = [
    ...fields.filter(({ kind }) => kind === 'number'),
    ...fields.filter(({ kind }) => kind !== 'number'),
  ];
  return numbersFirst.slice(SHOWN).map(({ key }) => key);
}
