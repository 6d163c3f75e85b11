import { EntryContent } from '@ant-trail/contract/capture';
import { entryHash, type Entry } from '@ant-trail/core/log';
import { problemWithEntry } from '@ant-trail/core/sheet';
import { appendEntries } from '../../log/append.ts';
import type { OperationTaker, Taking, Word } from '../../phones/operation.ts';
import { proofJudge, type ProofJudge } from './proofs.ts';
import { sheetsToWriteIn, type SheetToWriteIn } from './sheets-to-write-in.ts';
import { problemWithAuthor, problemWithMove, problemWithPreparing } from './who-may.ts';

/** What was said in sheets, on phones and at desks. */
export const entryTaker: OperationTaker<Entry> = {
  kind: 'entry',
  schema: EntryContent,
  take: takeEntries,
};

/** A clock that is so far off misleads whoever reads the times. */
const CLOCK_OFF_MS = 10 * 60_000;

/** Takes entries into the logs of their sheets, by whoever may write them. */
export async function takeEntries(
  taking: Pick<Taking, 'db' | 'session' | 'clockOffMs'>,
  entries: readonly Entry[],
): Promise<Word[]> {
  const { db, session } = taking;
  const sheets = await sheetsToWriteIn(db, entries);
  const proofProblem = await proofJudge(db, entries);
  const words = new Map<number, Word>();
  const fit: Entry[] = [];
  entries.forEach((entry, index) => {
    const problem = problemWith(entry, sheets.get(entry.sheet), taking, proofProblem);
    if (problem) words.set(index, { refused: problem });
    else {
      fit.push(entry);
      sheets.get(entry.sheet)?.take(entry);
    }
  });
  const isLate = ({ sheet, by }: Entry): boolean => {
    const { writers, losers } = sheets.get(sheet) ?? {};
    return losers?.has(by) === true && writers?.has(by) !== true;
  };
  const late = new Set(fit.filter(isLate).map(({ id }) => id));
  const clockIsOff = Math.abs(taking.clockOffMs) > CLOCK_OFF_MS;
  const { fresh, clashing } = await appendEntries(db, session.organisation, fit, (id) => [
    ...(late.has(id) ? (['taken from'] as const) : []),
    ...(clockIsOff ? (['clock'] as const) : []),
  ]);
  const taken = new Set<string>();
  return entries.map((entry, index) => {
    const refused = words.get(index);
    if (refused) return refused;
    if (clashing.has(entryHash(entry)))
      return { refused: 'The office already has something else under this number.' };
    const isFirst = fresh.has(entry.id) && !taken.has(entry.id);
    taken.add(entry.id);
    return isFirst ? 'received' : 'already had';
  });
}

function problemWith(
  entry: Entry,
  sheet: SheetToWriteIn | undefined,
  { session }: Pick<Taking, 'session'>,
  proofProblem: ProofJudge,
): string | null {
  if (!sheet) return 'This sheet is not here, or not yours to fill in.';
  if (sheet.has(entry.id)) return null;
  return (
    problemWithAuthor(entry, session, sheet) ??
    problemWithEntry(sheet.plan, entry) ??
    proofProblem(entry) ??
    problemWithPreparing(entry, sheet) ??
    problemWithMove(entry, session, sheet)
  );
}
