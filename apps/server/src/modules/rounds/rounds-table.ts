import { RoundsQuery, type RoundLine } from '@ant-trail/contract/rounds';
import { sayRule } from '@ant-trail/core/rounds';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { peopleNamed } from '../accounts/people.ts';
import { listRounds } from './list-rounds.ts';

/** Rounds, as they can be taken along. */
export const roundsTable = listTable({
  path: '/api/rounds',
  name: 'Rounds',
  allowed: 'read',
  query: RoundsQuery,
  titles: ['Round', 'How often', 'Rule', 'Stops', 'Who', 'Next', 'Last', 'What came of it', 'Id'],
  page: listRounds,
  cells: async (db) => {
    const names = new Map((await peopleNamed(db)).map(({ id, name }) => [id, name]));
    return ({ id, name, rule, stops, person, next, last }: RoundLine): Cell[] => [
      ...[name, sayRule(rule), rule, stops, names.get(person ?? '') ?? '', next?.day ?? ''],
      ...[last?.day ?? '', last?.standing ?? '', id],
    ];
  },
});
