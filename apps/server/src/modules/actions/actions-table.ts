import { ActionsQuery, type Action } from '@ant-trail/contract/actions';
import { severityWord } from '@ant-trail/core/sheet';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { peopleNamed } from '../accounts/people.ts';
import { listActions } from './list-actions.ts';

/** Actions, as they can be taken along. */
export const actionsTable = listTable({
  path: '/api/actions',
  name: 'Actions',
  allowed: 'read',
  query: ActionsQuery,
  titles: ['Due', 'Action', 'Why', 'Place', 'State', 'How bad', 'Owner', 'Last word', 'Id'],
  page: listActions,
  cells: async (db) => {
    const names = new Map((await peopleNamed(db)).map(({ id, name }) => [id, name]));
    return (action: Action): Cell[] => [
      ...[action.dueOn, action.title, action.details, action.siteName, action.state],
      severityWord(action.severity),
      names.get(action.owner) ?? '',
      action.moves.at(-1)?.note ?? '',
      action.id,
    ];
  },
});
