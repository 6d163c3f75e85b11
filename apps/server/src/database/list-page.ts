import type { ObjectLiteral, SelectQueryBuilder } from 'typeorm';
import { z } from 'zod';
import { Refusal } from '../http/refusal.ts';

/** A column a list is ordered by: what it holds decides how a cursor is read. */
export interface OrderColumn {
  readonly sql: string;
  readonly holds: 'text' | 'date' | 'uuid' | 'int';
}

export interface Order {
  /** The last one is the id: no two rows are at the same place. */
  readonly columns: readonly OrderColumn[];
  readonly descending: boolean;
}

const HELD = {
  text: z.string().max(400),
  date: z.iso.date(),
  uuid: z.uuid(),
  int: z.string().regex(/^-?\d{1,9}$/),
} as const;

export interface ListPage {
  readonly ids: readonly string[];
  readonly next: string | null;
  /** Told with the first page alone: it does not change by reading on. */
  readonly total: number | null;
}

/**
 * The ids of a page: the rows after a cursor, in one order. The cursor holds the place of the last row
 * seen, so that what is added or taken away meanwhile neither hides a row nor shows one twice.
 */
export async function listPage<Row extends ObjectLiteral>(
  query: SelectQueryBuilder<Row>,
  { columns, descending }: Order,
  { cursor, most }: { cursor?: string | undefined; most: number },
): Promise<ListPage> {
  const page = query.clone();
  page.select([]);
  for (const [at, { sql }] of columns.entries()) page.addSelect(`${sql}::text`, `c${at}`);
  for (const { sql } of columns) page.addOrderBy(sql, descending ? 'DESC' : 'ASC');
  if (cursor !== undefined) {
    const place = readPlace(cursor, columns);
    const here = columns.map(({ sql }) => sql).join(', ');
    const there = columns.map(({ holds }, at) => `:place${at}::${holds}`).join(', ');
    page.andWhere(
      `(${here}) ${descending ? '<' : '>'} (${there})`,
      Object.fromEntries(place.map((value, at) => [`place${at}`, value])),
    );
  }
  const found = await page.limit(most + 1).getRawMany<Record<string, string>>();
  const shown = found.slice(0, most);
  const last = shown.at(-1);
  const placeOf = (row: Record<string, string>): string[] =>
    columns.map((_, at) => row[`c${at}`] ?? '');
  return {
    ids: shown.map((row) => row[`c${columns.length - 1}`] ?? ''),
    next: found.length > most && last ? writePlace(placeOf(last)) : null,
    total: cursor === undefined ? await countOf(query) : null,
  };
}

async function countOf<Row extends ObjectLiteral>(query: SelectQueryBuilder<Row>): Promise<number> {
  const row = await query.clone().select('count(*)', 'count').getRawOne<{ count: string }>();
  return Number(row?.count ?? 0);
}

const writePlace = (place: readonly string[]): string =>
  Buffer.from(JSON.stringify(place)).toString('base64url');

function readPlace(cursor: string, columns: readonly OrderColumn[]): readonly string[] {
  const schema = z.tuple(columns.map(({ holds }) => HELD[holds]) as unknown as [z.ZodType<string>]);
  try {
    return schema.parse(JSON.parse(Buffer.from(cursor, 'base64url').toString('utf8')));
  } catch {
    throw new Refusal(400, 'other-list', 'This list was asked for otherwise. Load it anew.');
  }
}

const MOST_WORDS = 6;

/** The words somebody looks for, each as a pattern that finds it anywhere in a text. */
export const patternsOf = (text: string | undefined): string[] =>
  (text ?? '')
    .split(/\s+/)
    .filter(Boolean)
    .slice(0, MOST_WORDS)
    .map((word) => `%${word.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`);

/** Rows in the order of a page of their ids. */
export function inOrderOf<Row extends { readonly id: string }>(
  ids: readonly string[],
  rows: readonly Row[],
): Row[] {
  const byId = new Map(rows.map((row) => [row.id, row]));
  return ids.flatMap((id) => byId.get(id) ?? []);
}
