import { type ListQuery } from '@ant-trail/contract/common';
import { TableFormat } from '@ant-trail/contract/exchange';
import type { Ability } from '@ant-trail/core/accounts';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { longRoute, type Route, type Within } from '../http/route.ts';
import { Refusal } from '../refusals/refusal.ts';
import { tableAnswer } from './table-answer.ts';
import type { Cell } from './table-file.ts';

/** More lines than anybody reads on paper; whoever needs more narrows the list and takes it in parts. */
const MOST_LINES = 20_000;
const LINES_A_PAGE = 200;

export interface ListTable<Query extends z.ZodType, Row> {
  readonly path: string;
  readonly name: string;
  readonly allowed: Ability;
  readonly query: Query;
  readonly titles:
    readonly string[] | ((db: EntityManager, query: z.infer<Query>) => Promise<readonly string[]>);
  readonly page: (
    db: EntityManager,
    query: z.infer<Query>,
  ) => Promise<{ rows: readonly Row[]; next: string | null; total: number | null }>;
  /** Asked once for the table, before any line: how a row is written. */
  readonly cells: (
    db: EntityManager,
    query: z.infer<Query>,
  ) => Promise<(row: Row) => readonly Cell[]>;
}

/** A list as a table file: the same rows in the same order, all of them. */
export function listTable<Query extends typeof ListQuery, Row>(
  table: ListTable<Query, Row>,
): Route {
  return longRoute({
    method: 'get',
    path: `${table.path}.:format`,
    allowed: table.allowed,
    summary: `${table.name} that are looked for, as a CSV or XLSX file`,
    params: z.object({ format: TableFormat }),
    query: table.query,
    handle: async ({ within, params, query }) =>
      tableAnswer(
        [await titlesOf(table, within, query), ...(await readLines(table, within, query))],
        table.name,
        params.format,
      ),
  });
}

const titlesOf = async <Query extends typeof ListQuery, Row>(
  { titles }: ListTable<Query, Row>,
  within: Within,
  query: z.infer<Query>,
): Promise<readonly string[]> =>
  typeof titles === 'function' ? within((db) => titles(db, query)) : titles;

/** Page by page, each in a transaction of its own: others get their turn in between. */
async function readLines<Query extends typeof ListQuery, Row>(
  table: ListTable<Query, Row>,
  within: Within,
  query: z.infer<Query>,
): Promise<(readonly Cell[])[]> {
  const lines: (readonly Cell[])[] = [];
  const cells = await within((db) => table.cells(db, query));
  for (let cursor: string | undefined; ;) {
    const asked = { ...query, cursor, most: LINES_A_PAGE };
    const page = await within((db) => table.page(db, asked));
    if ((page.total ?? 0) > MOST_LINES)
      throw new Refusal(
        422,
        'too-many-lines',
        `These are ${page.total} lines, and a table takes ${MOST_LINES}. Narrow the list and take it in parts.`,
      );
    lines.push(...page.rows.map(cells));
    if (page.next === null) return lines;
    cursor = page.next;
  }
}
