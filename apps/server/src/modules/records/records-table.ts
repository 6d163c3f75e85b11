import { RecordsQuery, type SheetRecord } from '@ant-trail/contract/records';
import type { SoughtField } from '@ant-trail/core/fields';
import { recordFields } from '@ant-trail/core/records';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import type { EntityManager } from 'typeorm';
import { newestVersion } from '../templates/versions.ts';
import { listRecords } from './list-records.ts';

const TITLES = ['Day', 'Place', 'Thing', 'People', 'State', 'Worst finding, 0 to 4'];

/** The questions that are shown: all of the newest version, but those left out. */
async function fieldsShown(
  db: EntityManager,
  { template, without = '' }: Pick<RecordsQuery, 'template' | 'without'>,
): Promise<SoughtField[]> {
  const left = new Set(without.split(','));
  const { body } = await newestVersion(db, template);
  return recordFields(body).filter(({ key }) => !left.has(key));
}

/** Records as they can be taken along: a line each, a column for each question. */
export const recordsTable = listTable({
  path: '/api/records',
  name: 'Records',
  allowed: 'read',
  query: RecordsQuery,
  titles: async (db, asked) => [
    ...TITLES,
    ...(await fieldsShown(db, asked)).map(({ label }) => label),
    'Id',
  ],
  page: listRecords,
  cells: async (db, asked) => {
    const fields = await fieldsShown(db, asked);
    return (record: SheetRecord): Cell[] => [
      ...[record.day, record.siteName, record.thing ?? '', record.people.join('; ')],
      ...[record.stage, record.worst],
      ...fields.map(({ key }) =>
        Object.hasOwn(record.fields, key) ? (record.fields[key]?.t ?? '') : '',
      ),
      record.id,
    ];
  },
});
