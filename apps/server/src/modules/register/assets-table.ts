import { AssetsQuery, type AssetLine } from '@ant-trail/contract/register';
import { sayFact, type Field } from '@ant-trail/core/fields';
import { sameKind } from '@ant-trail/core/register';
import { listTable } from '../../tables/list-table.ts';
import type { Cell } from '../../tables/table-file.ts';
import { assetKinds } from './kinds.ts';
import { listAssets } from './list-assets.ts';

/** Things of the register, as they can be taken along; what is known of them stands in one column. */
export const assetsTable = listTable({
  path: '/api/assets',
  name: 'Things',
  allowed: 'read',
  query: AssetsQuery,
  titles: ['Thing', 'Kind', 'Place', 'In', 'Condition', 'Label', 'Known', 'Id'],
  page: listAssets,
  cells: async (db) => {
    const kinds = await assetKinds(db);
    const fieldsOf = (kind: string): readonly Field[] =>
      kinds.find(({ name }) => sameKind(name, kind))?.fields ?? [];
    return (line: AssetLine): Cell[] => [
      ...[line.name, line.kind, line.siteName, line.way.join(', '), line.condition],
      line.number ?? '',
      fieldsOf(line.kind)
        .flatMap((field) => {
          const said = sayFact(field, line.facts);
          return said ? [`${field.label}: ${said}`] : [];
        })
        .join('; '),
      line.id,
    ];
  },
});
