import { isCover, parsePath, takesAway, type Entry, type ParsedPath } from '../log/index.ts';
import { closesOut, mayCloseOut } from './blanks.ts';
import { isFile, isPhoto, problemWithText, rulesOf } from './kinds/index.ts';
import { mayPrepare } from './last-visit.ts';
import type { PlannedQuestion, SheetPlan } from './planned.ts';
import { isRow, isStart } from './row-group.ts';
import { problemWithUnit } from './unit-given.ts';

const MOVES: ReadonlySet<Entry['kind']> = new Set<Entry['kind']>(['finish', 'return', 'approve']);

/**
 * Says why an entry can't belong to a sheet of this template, in words for the person who wrote
 * it; null when it can. Phone and server ask the same function.
 */
export function problemWithEntry(plan: SheetPlan, entry: Entry): string | null {
  const parsed = parsePath(entry.path);
  if (parsed?.key === '') return problemWithSheetEntry(plan, parsed, entry);
  const planned = parsed && questionAt(plan, parsed);
  if (!planned) return `This template version has no question “${entry.path}”.`;
  if (MOVES.has(entry.kind)) return 'Only the whole sheet can be finished, returned or approved.';
  const { question } = planned;
  const put = (problem: string | null): string | null => problem && `${question.label}: ${problem}`;
  if (entry.kind === 'prepare') {
    if (parsed.aspect !== 'answer' && parsed.aspect !== 'row')
      return put('only answers and rows are filled in beforehand.');
    if (!mayPrepare(question)) return put('this is judged or measured by whoever is there.');
  }
  if (takesAway(entry))
    return parsed.aspect === 'row' && question.kind === 'rows' && question.fixed
      ? put('these rows stay as they are.')
      : null;
  if (entry.kind === 'correct') {
    if (!entry.reason?.trim()) return 'Say why the value is corrected.';
    if (rulesOf(question).neverCorrected)
      return put('a signature is asked for again, never corrected.');
  }
  switch (parsed.aspect) {
    case 'answer':
      return put(
        rulesOf(question).problem(question, entry.value) ?? problemWithUnit(question, entry.unit),
      );
    case 'reason':
      return put(problemWithText(entry.value));
    case 'photo':
      return isPhoto(entry.value) && entry.value.bytes > 0 ? null : put('this photo is empty.');
    case 'file':
      if (rulesOf(question).keeps !== 'files') return put('it takes no files.');
      return isFile(entry.value) && entry.value.bytes > 0 ? null : put('this file is empty.');
    case 'row':
      if (question.kind === 'rows' && question.fixed && !isStart(question, parsed.item))
        return put('these rows stay as they are.');
      return isRow(entry.value) && Number.isFinite(entry.value.order) && entry.value.name.trim()
        ? null
        : put('a row needs a name.');
    default:
      return 'An answer must name its question.';
  }
}

/** Whether a path names a question of this template, in whatever rows. */
export function isQuestionPath(plan: SheetPlan, path: string): boolean {
  const parsed = parsePath(path);
  if (!parsed) return false;
  return parsed.aspect === 'answer' && namesQuestion(plan, parsed) !== null;
}

/** The question a path leads to; a row leads to its row group. */
function questionAt(plan: SheetPlan, { scope, key, aspect }: ParsedPath): PlannedQuestion | null {
  const planned = namesQuestion(plan, { scope, key });
  return planned && (aspect === 'row') === (planned.question.kind === 'rows') ? planned : null;
}

function namesQuestion(
  plan: SheetPlan,
  { scope, key }: Pick<ParsedPath, 'scope' | 'key'>,
): PlannedQuestion | null {
  const planned = plan.questions.get(key);
  const groups = scope
    .split('/')
    .filter((_, index, parts) => index % 2 === 0 && parts[index] !== '');
  if (!planned || groups.length !== planned.groups.length) return null;
  return groups.every((group, depth) => planned.groups[depth] === group) ? planned : null;
}

function problemWithSheetEntry(
  plan: SheetPlan,
  { aspect }: ParsedPath,
  entry: Entry,
): string | null {
  if (aspect === 'stage') {
    if (!MOVES.has(entry.kind)) return 'An answer must name its question.';
    if (entry.value !== null && !isCover(entry.value)) return 'A move of the sheet has no answer.';
    return entry.kind === 'return' && !entry.reason?.trim()
      ? 'Say what should be looked at again.'
      : null;
  }
  if (entry.kind === 'prepare' && aspect !== 'programme')
    return 'Only answers and rows are filled in beforehand.';
  if (takesAway(entry)) return null;
  if (entry.kind === 'correct' && !entry.reason?.trim()) return 'Say why it is corrected.';
  if (MOVES.has(entry.kind)) return 'Only an answer can stand here.';
  if (aspect === 'cover')
    return typeof entry.value === 'string' && parsePath(entry.value)?.aspect === 'photo'
      ? null
      : 'Choose one of the photos for the cover.';
  if (aspect === 'programme')
    return plan.body.programmes?.some(({ key }) => key === entry.value)
      ? null
      : 'This template version knows no such programme.';
  if (!closesOut(entry.value) || entry.value.closed.length === 0)
    return 'Nothing is named that should be closed out.';
  for (const path of entry.value.closed) {
    const parsed = parsePath(path);
    const planned = parsed?.aspect === 'answer' ? questionAt(plan, parsed) : null;
    if (!planned) return `This template version has no question “${path}”.`;
    if (!mayCloseOut(planned.question))
      return `${planned.question.label}: this can’t be closed out.`;
  }
  return null;
}
