import {
  countingHeads,
  differingHeads,
  EMPTY_PATH_LOG,
  parsePath,
  type AnswerValue,
  type Entry,
  type PathLog,
} from '../log/index.ts';
import type { Programme } from './template.ts';
import type { AnswerContext, Program } from '../logic/index.ts';
import { tidy, type ExpectedRange } from '../measure/index.ts';
import { alertOf, isAmiss, sayFinding, severityOf, type Said } from './judge.ts';
import { isFile, isHold, isPhoto, rulesOf } from './kinds/index.ts';
import { isVouchedFor } from './second-person.ts';
import type { PlannedQuestion } from './planned.ts';
import type {
  Answer,
  Conflict,
  Finding,
  Item,
  LooseEnd,
  Missing,
  QuestionState,
  Tally,
} from './state.ts';

/** The logs of one question: its answer, its reason, and each of its photos and files. */
export interface QuestionLogs {
  readonly answer: PathLog;
  readonly reason: PathLog;
  readonly photos: ReadonlyMap<string, PathLog>;
  readonly files: ReadonlyMap<string, PathLog>;
}

export const EMPTY_QUESTION_LOGS: QuestionLogs = {
  answer: EMPTY_PATH_LOG,
  reason: EMPTY_PATH_LOG,
  photos: new Map(),
  files: new Map(),
};

export const NO_TALLY: Tally = {
  answered: 0,
  asked: 0,
  alerts: 0,
  reached: 0,
  possible: 0,
  stops: false,
};

/** What stands on a path: the newest of its heads, whatever else they say. */
export function standing(log: PathLog): Answer | null {
  const entry = countingHeads(log).at(-1);
  if (!entry || entry.kind === 'clear' || entry.value === null) return null;
  return {
    value: entry.value,
    ...(entry.unit === undefined ? {} : { unit: entry.unit }),
    entry,
  };
}

function standingItems<Value extends AnswerValue>(
  logs: ReadonlyMap<string, PathLog>,
  is: (value: unknown) => value is Value,
): Item<Value>[] {
  const items: Item<Value>[] = [];
  for (const [path, log] of [...logs].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const found = standing(log);
    const id = parsePath(path)?.item;
    if (found && id && is(found.value))
      items.push({ id, path, value: found.value, entry: found.entry });
  }
  return items;
}

const MISSING_WORDS: Record<Missing, string> = {
  answer: 'no answer yet',
  reason: 'say why',
  photo: 'a photo is wanted',
  check: '',
  rows: 'more rows are wanted',
  'second person': 'somebody who did not do the work must pass it',
  proof: 'it counts once that person has passed it themselves, by a code from their own phone',
};

/** Where a question stands and what it is computed from. */
export interface Cell {
  readonly plan: PlannedQuestion;
  readonly path: string;
  readonly logs: QuestionLogs;
  readonly closedOut: Entry | null;
  readonly answers: AnswerContext;
  /** Who wrote answers in the sheet: none of them may pass a hold point. */
  readonly workers: ReadonlySet<string>;
  readonly programme: Programme | null;
}

/** Computes one question. Pure: the same logs and answers around it give the same state. */
export function foldQuestion(cell: Cell): QuestionState {
  const { plan, path, logs, answers } = cell;
  const { question, section } = plan;
  const { programme } = cell;
  let overBudget = false;
  const run = (program: Program | undefined): unknown => {
    const came = program?.outcome(answers);
    if (came && 'failed' in came) overBudget ||= came.overBudget;
    return came && 'value' in came ? came.value : undefined;
  };
  const visible =
    programme?.leftOut.includes(question.key) !== true &&
    plan.visible.every((condition) => run(condition) === true);
  const holds = (rule: Program | undefined): boolean => visible && run(rule) === true;

  const answer = standing(logs.answer);
  const calculated = visible ? plainValue(run(plan.formula)) : null;
  const said: Said | null = answer ?? (calculated === null ? null : { value: calculated });
  const reason = standing(logs.reason);
  const photos = logs.photos.size === 0 ? NOTHING : standingItems(logs.photos, isPhoto);
  const files = logs.files.size === 0 ? NOTHING : standingItems(logs.files, isFile);
  const { keeps } = rulesOf(question);
  const answered =
    keeps === 'photos' ? photos.length > 0 : keeps === 'files' ? files.length > 0 : answer !== null;
  const closedOut = answered || photos.length > 0 ? null : cell.closedOut;

  const expected = rangeOf(plan, run);
  const alert = visible ? alertOf(question, said, expected) : null;
  const severity = severityOf(question, said, alert);
  const amiss = isAmiss(question, said, severity);
  const asksReason =
    visible && ((amiss && question.whenAmiss?.reason === true) || holds(plan.reason));
  const asksPhoto = visible && ((amiss && question.whenAmiss?.photo === true) || holds(plan.photo));
  const required =
    question.required ||
    programme?.required.includes(question.key) === true ||
    holds(plan.required);

  const looseEnds: LooseEnd[] = [];
  const miss = (missing: Missing, words = MISSING_WORDS[missing]): void => {
    looseEnds.push({ key: path, section, missing, words: `${question.label}: ${words}` });
  };
  if (visible && !closedOut) {
    const needsAnswer = required && !answered && keeps !== 'nothing' && keeps !== 'rows';
    if (needsAnswer && keeps !== 'photos') miss('answer');
    if (asksReason && !reason) miss('reason');
    const needsPhoto = asksPhoto || (needsAnswer && keeps === 'photos');
    if (needsPhoto && photos.length === 0) miss('photo');
    for (const { must, check } of plan.checks) if (run(must) === false) miss('check', check.words);
    if (answer && isHold(answer.value)) {
      if (cell.workers.has(answer.value.person)) miss('second person');
      else if (!isVouchedFor(question, answer.entry)) miss('proof');
    }
  }
  const findings = visible ? findingsOf(cell, run, { said, severity, alert, expected }) : NOTHING;
  const messages = visible
    ? plan.messages.flatMap(({ when, message }) => (holds(when) ? [message] : []))
    : NOTHING;
  const suggested = visible && !answered && !closedOut ? plainValue(run(plan.suggest)) : null;
  const differing = differingHeads(logs.answer);
  const counts = visible && keeps !== 'nothing' && keeps !== 'rows';
  const points =
    visible && said && !closedOut ? rulesOf(question).points?.(question, said.value) : null;
  return {
    question,
    path,
    section,
    visible,
    required,
    answer,
    calculated,
    reason,
    photos,
    files,
    rows: NOTHING,
    closedOut,
    expected,
    suggested,
    messages,
    alert,
    findings,
    looseEnds,
    asksReason,
    asksPhoto,
    disagreement: differing.length > 1 ? differing : NOTHING,
    conflicts: conflictsIn(logs),
    overBudget,
    history: historyOf(logs),
    tally: {
      answered: counts && (answered || closedOut !== null) ? 1 : 0,
      asked: counts ? 1 : 0,
      alerts: alert ? 1 : 0,
      reached: points?.reached ?? 0,
      possible: points?.possible ?? 0,
      stops: points?.stops === true,
    },
  };
}

const NOTHING: readonly never[] = [];

/** A computed number as it is judged and shown; null for what is none, such as 1 / 0. */
const numberFrom = (value: unknown): number | null =>
  typeof value === 'number' && Number.isFinite(value) ? tidy(value) : null;

/** Values people can read: expressions may also give lists and maps, which answer nothing. */
const plainValue = (value: unknown): AnswerValue | null =>
  typeof value === 'string' || typeof value === 'boolean' ? value : numberFrom(value);

type Run = (program: Program | undefined) => unknown;

function rangeOf({ question, low, high }: PlannedQuestion, run: Run) {
  const fixed: ExpectedRange = ('expected' in question ? question.expected : null) ?? {};
  const lowest = numberFrom(run(low));
  const highest = numberFrom(run(high));
  const range: ExpectedRange = {
    ...fixed,
    ...(lowest === null ? {} : { low: lowest }),
    ...(highest === null ? {} : { high: highest }),
  };
  return range.low === undefined && range.high === undefined ? null : range;
}

interface Judged {
  readonly said: Said | null;
  readonly severity: Finding['severity'];
  readonly alert: QuestionState['alert'];
  readonly expected: ExpectedRange | null;
}

function findingsOf(
  { plan, path }: Cell,
  run: Run,
  { said, severity, alert, expected }: Judged,
): readonly Finding[] {
  const { question } = plan;
  const found: Finding[] = [];
  const add = (worst: Finding['severity'], words: string, action: string | undefined): void => {
    found.push({
      key: path,
      severity: worst,
      words,
      ...(action === undefined ? {} : { proposedAction: action }),
    });
  };
  if (said && severity > 0)
    add(severity, sayFinding(question, said, alert, expected), question.whenAmiss?.action);
  for (const { when, rule } of plan.findings)
    if (run(when) === true) add(rule.severity, rule.words, rule.action);
  return found.length === 0 ? NOTHING : found.sort((a, b) => b.severity - a.severity);
}

/** What people, unaware of each other, said differently beside the answer itself. */
function conflictsIn({ reason, photos, files }: QuestionLogs): readonly Conflict[] {
  if (reason.heads.length < 2 && photos.size + files.size === 0) return NOTHING;
  const found: Conflict[] = [];
  for (const log of [reason, ...photos.values(), ...files.values()]) {
    const entries = differingHeads(log);
    const [first] = entries;
    if (first && entries.length > 1) found.push({ path: first.path, entries });
  }
  return found.length === 0 ? NOTHING : found;
}

function historyOf(logs: QuestionLogs): readonly Entry[] {
  if (logs.reason.entries.length === 0 && logs.photos.size + logs.files.size === 0)
    return logs.answer.entries;
  return [
    ...logs.answer.entries,
    ...logs.reason.entries,
    ...[...logs.photos.values(), ...logs.files.values()].flatMap((log) => log.entries),
  ].sort((a, b) => (a.id < b.id ? -1 : 1));
}
