import type { Receipt } from '@ant-trail/contract/sync';
import type { Logger } from 'pino';
import { codeOf } from '../../database/tenancy.ts';
import { asRefusal, wrongInput } from '../../http/problem.ts';
import { problemWithInput } from '../../http/readable.ts';
import type { OperationTaker, Taking, Word } from '../../phones/operation.ts';
import { TAKERS } from './operations.ts';

/** An operation that could be read, with the place its receipt has. */
interface Read {
  readonly at: number;
  readonly body: unknown;
}

/**
 * Takes a batch of operations in one transaction. Every operation gets its receipt, in the order
 * they came; one that is refused does not keep the others out, and can be sent again.
 */
export async function takePush(
  taking: Taking,
  raw: readonly unknown[],
  log: Pick<Logger, 'error'>,
): Promise<Receipt[]> {
  const words: (Word | undefined)[] = [];
  const lines = new Map<OperationTaker, Read[]>(TAKERS.map((taker) => [taker, []]));
  raw.forEach((item, at) => {
    const read = readOperation(item);
    if ('refused' in read) words[at] = read;
    else lines.get(read.taker)?.push({ at, body: read.body });
  });
  for (const [taker, line] of lines) await takeLine(taking, taker, line, words, log);
  const now = new Date().toISOString();
  return raw.map((item, index) => {
    const word = words[index] ?? { refused: 'The office could not read this.' };
    const id = idOf(item);
    return typeof word === 'string'
      ? { id, outcome: word, at: now }
      : { id, outcome: 'refused', at: now, reason: word.refused };
  });
}

function readOperation(
  item: unknown,
): { taker: OperationTaker; body: unknown } | { refused: string } {
  const problem = problemWithInput(item);
  if (problem) return { refused: problem };
  if (typeof item !== 'object' || item === null)
    return { refused: 'The office could not read this.' };
  const { kind, body } = item as { kind?: unknown; body?: unknown };
  const taker = TAKERS.find((each) => each.kind === kind);
  if (!taker)
    return { refused: 'The office does not know this kind of thing yet. Keep it, and send later.' };
  const read = taker.schema.safeParse(body);
  return read.success ? { taker, body: read.data } : { refused: wrongInput(read.error).message };
}

/** The id under which the phone waits for its receipt: as it was sent. */
function idOf(item: unknown): string {
  const body = typeof item === 'object' && item !== null && 'body' in item ? item.body : null;
  const id = typeof body === 'object' && body !== null && 'id' in body ? body.id : null;
  return typeof id === 'string' ? id : 'unknown';
}

/**
 * Takes what was read of one kind, all of it within a savepoint. Where that fails as a whole, each
 * half is taken by itself, until the bad one stands alone and is refused.
 */
async function takeLine(
  taking: Taking,
  taker: OperationTaker,
  line: readonly Read[],
  words: (Word | undefined)[],
  log: Pick<Logger, 'error'>,
): Promise<void> {
  if (line.length === 0) return;
  try {
    const given = await taking.db.transaction((db) =>
      taker.take(
        { ...taking, db },
        line.map(({ body }) => body),
      ),
    );
    line.forEach(({ at }, index) => (words[at] = given[index]));
  } catch (error) {
    if (isOurs(error)) throw error;
    const [only, ...more] = line;
    if (only && more.length === 0) {
      const refusal = asRefusal(error);
      // Not foreseen, so worth a look; for the phone it is one thing set aside, and nothing lost.
      if (refusal.status >= 500) log.error({ err: error }, 'operation failed');
      words[only.at] = { refused: refusal.message };
      return;
    }
    const half = line.length >> 1;
    await takeLine(taking, taker, line.slice(0, half), words, log);
    await takeLine(taking, taker, line.slice(half), words, log);
  }
}

/** Connections that break, transactions in each other's way, no room: no operation's fault. */
const OURS = ['08', '40', '53', '57', '58', 'XX'];

function isOurs(error: unknown): boolean {
  const code = codeOf(error);
  if (code !== null) return OURS.some((group) => code.startsWith(group));
  const plain = error instanceof Error && 'code' in error ? error.code : null;
  return typeof plain === 'string' && /^(ECONN|EPIPE|ETIMEDOUT)/.test(plain);
}
