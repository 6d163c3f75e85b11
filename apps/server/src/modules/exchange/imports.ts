import type { ImportKind, ImportOrder, ImportResult } from '@ant-trail/contract/exchange';
import type { EntityManager } from 'typeorm';
import { oneAtATime } from '../../database/lock.ts';
import type { Session } from '../../http/session.ts';
import { notAllowed, Refusal } from '../../refusals/refusal.ts';
import { may } from '@ant-trail/core/accounts';
import { importTarget, type ImportLine, type ImportTarget } from '../../tables/import-target.ts';
import { peopleImport } from '../accounts/import-people.ts';
import { jobImport } from '../planning/import-jobs.ts';
import { assetImport } from '../register/import-assets.ts';
import { clientImport, siteImport } from '../sites/import-sites.ts';

/** Everything a file can be taken in as, a line for each capability. */
const TARGETS: readonly ImportTarget[] = [
  importTarget(peopleImport),
  importTarget(clientImport),
  importTarget(siteImport),
  importTarget(assetImport),
  importTarget(jobImport),
];

/** The largest file that is taken in at once, in lines. */
export const MOST_LINES = 20_000;
const SAMPLED = 5;

/** Throws a Refusal where this person may not take such a file in. */
export function targetFor(kind: ImportKind, session: Session): ImportTarget {
  const target = TARGETS.find((each) => each.kind === kind);
  if (!target) throw new Error(`nothing takes in ${kind}`);
  if (!may(session.roles, target.allowed)) throw notAllowed();
  return target;
}

/** Reads a file's lines, and keeps what they say where that is wanted: all of it or nothing. */
export async function takeIn(
  db: EntityManager,
  session: Session,
  target: ImportTarget,
  lines: readonly (readonly string[])[],
  { uses, really, without }: Pick<ImportOrder, 'uses' | 'really' | 'without'>,
): Promise<ImportResult> {
  await mustBeUsable(db, target, uses, lines.length - 1);
  // Two who take in the same file at once see what the other kept.
  if (really) await oneAtATime(db, 'import', session.organisation);
  const read = await target.begin(db, session);
  const drafts: unknown[] = [];
  const refused: ImportResult['refused'] = [];
  const sample: ImportResult['sample'] = [];
  for (const [index, cells] of lines.slice(1).entries()) {
    // As a person counts them in the file, the titles being the first.
    const line = index + 2;
    const said = asLine(cells, uses);
    if (said.size === 0) continue;
    const came = read(said, line);
    if ('why' in came) {
      refused.push({ line, why: came.why });
      continue;
    }
    drafts.push(came.draft);
    if (sample.length < SAMPLED) sample.push({ line, said: came.said });
  }
  const result = { fits: drafts.length, refused, sample, done: false };
  if (!really) return result;
  if (refused.length > 0 && !without)
    throw new Refusal(
      409,
      'some-refused',
      'By now some lines can’t be taken in. Look at the file again.',
    );
  await target.keep(db, session, drafts);
  return { ...result, done: true };
}

async function mustBeUsable(
  db: EntityManager,
  target: ImportTarget,
  uses: ImportOrder['uses'],
  lines: number,
): Promise<void> {
  if (lines > MOST_LINES)
    throw new Refusal(
      422,
      'too-many',
      `This file has ${lines} lines; at most ${MOST_LINES} are taken in at once. Take a part of it.`,
    );
  const columns = await target.columns(db);
  const named = uses.filter((use) => use !== null);
  const twice = named.find((use, index) => named.indexOf(use) !== index);
  const unknown = named.find((use) => !columns.some(({ key }) => key === use));
  const missing = columns.find(({ key, required }) => required && !named.includes(key));
  const label = (key: string): string => columns.find((each) => each.key === key)?.label ?? key;
  if (unknown !== undefined)
    throw new Refusal(422, 'no-such-column', `“${unknown}” is nothing a column can be.`);
  if (twice !== undefined)
    throw new Refusal(
      422,
      'column-twice',
      `Two columns are “${label(twice)}”: leave one of them out.`,
    );
  if (missing) throw new Refusal(422, 'column-missing', `Say which column is “${missing.label}”.`);
}

function asLine(cells: readonly string[], uses: ImportOrder['uses']): ImportLine {
  const line = new Map<string, string>();
  for (const [at, use] of uses.entries()) {
    const text = cells[at]?.trim() ?? '';
    if (use !== null && text !== '') line.set(use, text);
  }
  return line;
}
