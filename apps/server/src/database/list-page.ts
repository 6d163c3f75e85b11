import type { EntityManager, ObjectLiteral, SelectQueryBuilder } from 'typeorm';
import { z } from 'zod';
import { Refusal } from '../refusals/refusal.ts';

/** A column a list is ordered by: what it holds decides how a cursor is read. */
export interface OrderColumn {
  readonly sql: string;
  readonly holds: 'text' | 'date' | 'timestamptz' | 'uuid' | 'int';
}

export interface Order {
  /** The last one is the id: no two rows are at the same place. */
  readonly columns: readonly OrderColumn[];
  readonly descending: boolean;
}

const isoOf = (text: string): string => text.replace(' ', 'T').replace(/([+-]\d\d)$/, '$1:00');

const HELD = {
  text: z.string().max(400),
  date: z.iso.date(),
  // As the database writes it.
  timestamptz: z
    .string()
    .regex(/^[12]\d{3}-\d\d-\d\d \d\d:\d\d:\d\d(\.\d{1,6})?[+-](0\d|1[0-4])(:[0-5]\d)?$/)
    .refine((text) => !Number.isNaN(Date.parse(isoOf(text)))),
  uuid: z.uuid(),
  int: z.string().regex(/^-?\d{1,9}$/),
} as const;

export interface ListPage {
  readonly ids: readonly string[];
  readonly next: string | null;
  /** Told with the first page alone: it does not change by reading on. */
  readonly total: number | null;
}

export interface ListAsked {
  readonly cursor?: string | undefined;
  readonly most: number;
  /** Finding the rows costs more than sorting them: where they are few they are found once. */
  readonly dear?: boolean;
}

/** So many rows are found and sorted at once; of more, a page is read by the index in its order. */
const FEW = 20_000;

type Found = Record<string, string>;

/**
 * The ids of a page: the rows after a cursor, in one order. The cursor holds the place of the last row
 * seen, so that what is added or taken away meanwhile neither hides a row nor shows one twice.
 */
export async function listPage<Row extends ObjectLiteral>(
  db: EntityManager,
  query: SelectQueryBuilder<Row>,
  { columns, descending }: Order,
  { cursor, most, dear = false }: ListAsked,
  fewest = FEW,
): Promise<ListPage> {
  const page = query.clone().select([]);
  for (const [at, { sql }] of columns.entries()) page.addSelect(sql, `c${at}`);
  if (cursor !== undefined) {
    const place = readPlace(cursor, columns);
    const here = columns.map(({ sql }) => sql).join(', ');
    const there = columns.map(({ holds }, at) => `:place${at}::${holds}`).join(', ');
    page.andWhere(
      `(${here}) ${descending ? '<' : '>'} (${there})`,
      Object.fromEntries(place.map((value, at) => [`place${at}`, value])),
    );
  }
  const [finding, given] = page.getQueryAndParameters();
  const texts = columns.map((_, at) => `c${at}::text AS t${at}`).join(', ');
  const order = columns.map((_, at) => `c${at} ${descending ? 'DESC' : 'ASC'}`).join(', ');
  const read = async (few: number | null): Promise<Found[]> =>
    db.query<Found[]>(
      `WITH found AS ${few ? '' : 'NOT '}MATERIALIZED (${finding} ${few ? `LIMIT ${few + 1}` : ''})
       SELECT ${texts}${few ? ', (SELECT count(*) FROM found) AS total' : ''}
       FROM found ORDER BY ${order} LIMIT ${most + 1}`,
      given,
    );
  const few = cursor === undefined && dear ? await read(fewest) : null;
  const counted = few ? Number(few[0]?.['total'] ?? 0) : null;
  const isWhole = counted !== null && counted <= fewest;
  const found = few && isWhole ? few : await read(null);
  const shown = found.slice(0, most);
  const last = shown.at(-1);
  const placeOf = (row: Found): string[] => columns.map((_, at) => row[`t${at}`] ?? '');
  return {
    ids: shown.map((row) => row[`t${columns.length - 1}`] ?? ''),
    next: found.length > most && last ? writePlace(placeOf(last)) : null,
    total: cursor !== undefined ? null : isWhole ? counted : await countOf(query),
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

/** The words somebody looks for, each once, as a pattern that finds it anywhere in a text. */
export function patternsOf(text: string | undefined): string[] {
  const words = new Set((text ?? '').toLowerCase().split(/\s+/).filter(Boolean));
  return [...words]
    .slice(0, MOST_WORDS)
    .map((word) => `%${word.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`);
}

/** Rows in the order of a page of their ids. */
export function inOrderOf<Row extends { readonly id: string }>(
  ids: readonly string[],
  rows: readonly Row[],
): Row[] {
  const byId = new Map(rows.map((row) => [row.id, row]));
  return ids.flatMap((id) => byId.get(id) ?? []);
}
