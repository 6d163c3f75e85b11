import {
  countingHeads,
  EMPTY_PATH_LOG,
  rowPath,
  rowScope,
  takesAway,
  type Entry,
  type PathLog,
} from '../log/index.ts';
import type { RowValue } from '../log/index.ts';
import type { AnswerContext } from '../logic/index.ts';
import type { QuestionLogs } from './fold-question.ts';
import { EMPTY_QUESTION_LOGS, NO_TALLY } from './fold-question.ts';
import type { PlannedQuestion } from './planned.ts';
import type { Finding, LooseEnd, QuestionState, RowState, Tally } from './state.ts';
import type { RowsQuestion } from './template.ts';

/** One place where questions stand: the sheet itself, or one row. */
export class Scope {
  readonly cells = new Map<string, CellAt>();
  readonly groups: RowGroup[] = [];
  readonly answers: AnswerContext;
  readonly given: Record<string, boolean>;

  constructor(
    readonly path: string,
    /** The row this scope is, null for the sheet. */
    readonly row: Row | null,
    outer: Scope | null,
  ) {
    // Answers around a row are seen from within it.
    this.answers = Object.create(outer?.answers ?? null) as AnswerContext;
    this.given = Object.create(outer?.given ?? null) as Record<string, boolean>;
    this.answers.given = this.given;
  }
}

/** What all rows of a group come to, kept so that one row more or less changes only its own part. */
interface RowSums {
  /** The group's own state these were added to. */
  readonly own: QuestionState;
  readonly disagreements: readonly string[];
  readonly overBudget: readonly string[];
}

/** A question in its place, with what was recorded about it. */
export class CellAt {
  logs: QuestionLogs = EMPTY_QUESTION_LOGS;
  /** What it shows, with what its rows add; without them in `own`. */
  state: QuestionState | null = null;
  own: QuestionState | null = null;
  /** What its rows add to its state; null for a question without rows. */
  sums: RowSums | null = null;
  readonly path: string;
  readonly group: RowGroup | null;

  constructor(
    readonly plan: PlannedQuestion,
    readonly scope: Scope,
  ) {
    this.path = scope.path + plan.question.key;
    this.group = plan.question.kind === 'rows' ? new RowGroup(this) : null;
  }
}

export class Row {
  readonly scope: Scope;
  readonly path: string;
  state: RowState | null = null;
  /** A removal that somebody answered against without having seen it. */
  removal: Entry | null = null;
  /** Where it stood among its neighbours when they were last put in order. */
  index = -1;
  /** What expressions know of its place. */
  readonly place = { number: 0, name: '', count: 0 };
  private kept: PathLog = EMPTY_PATH_LOG;
  private said: RowValue | null = null;
  private isDeclared: boolean | null = null;

  constructor(
    readonly id: string,
    readonly group: RowGroup,
    /** Its place among the rows that are there from the start; null for one that was added. */
    readonly start: number | null,
  ) {
    const { path, scope } = group.cell;
    this.path = rowPath(path, id);
    this.scope = new Scope(rowScope(path, id), this, scope);
    this.scope.answers.row = this.place;
  }

  get log(): PathLog {
    return this.kept;
  }

  set log(log: PathLog) {
    this.kept = log;
    this.said = null;
    this.isDeclared = null;
  }

  get declared(): boolean {
    this.isDeclared ??= this.start !== null || this.log.entries.some((entry) => declares(entry));
    return this.isDeclared;
  }

  /** Decides whether the row is there: removed, unless an answer was given unaware of that. */
  settle(): boolean {
    this.removal = null;
    const heads = countingHeads(this.log);
    const removals = heads.filter(takesAway);
    if (removals.length === 0) return this.declared;
    if (removals.length < heads.length) {
      this.removal = removals.at(-1) ?? null;
      return true;
    }
    const seen = new Set(removals.flatMap((entry) => entry.seen));
    const unaware = this.headsWithin().some((entry) => !takesAway(entry) && !seen.has(entry.id));
    if (unaware && this.declared) this.removal = removals.at(-1) ?? null;
    return unaware && this.declared;
  }

  /** The heads of everything recorded in the row, rows in it included. */
  headsWithin(): Entry[] {
    return [...this.scope.cells.values()].flatMap((cell) => [
      ...cell.logs.answer.heads,
      ...cell.logs.reason.heads,
      ...[...cell.logs.photos.values(), ...cell.logs.files.values()].flatMap((log) => log.heads),
      ...(cell.group
        ? [...cell.group.rows.values()].flatMap((row) => [...row.log.heads, ...row.headsWithin()])
        : []),
    ]);
  }

  /** The entries that give it different names, none of whose authors knew the other's. */
  get naming(): readonly Entry[] {
    const heads = countingHeads(this.log);
    if (heads.length < 2) return [];
    const named = new Map<string, Entry>();
    for (const entry of heads) if (isRow(entry.value)) named.set(entry.value.name, entry);
    return named.size > 1 ? [...named.values()] : [];
  }

  get value(): RowValue {
    this.said ??= this.lastSaid();
    return this.said;
  }

  private lastSaid(): RowValue {
    const said =
      countingHeads(this.log).findLast((entry) => isRow(entry.value)) ??
      this.log.entries.findLast((entry) => isRow(entry.value));
    if (said && isRow(said.value)) return said.value;
    const start = this.start ?? 0;
    return { order: start, name: this.group.starts[start] ?? '' };
  }

  /** Whether what it shows of itself is no longer so. */
  isStaleAt(number: number): boolean {
    const { state, value, removal } = this;
    return (
      state?.number !== number ||
      state.name !== value.name ||
      state.order !== value.order ||
      state.removal !== removal ||
      state.naming.length > 0 ||
      this.log.heads.length > 1
    );
  }
}

export const isRow = (value: unknown): value is RowValue =>
  typeof value === 'object' && value !== null && 'order' in value;

const startId = (index: number): string => `s${index + 1}`;
const START_ID = /^s([1-9]\d*)$/;

/** Whether an id is that of a row the template begins with. */
export const isStart = ({ starts = [] }: RowsQuestion, id: string | undefined): boolean => {
  const [, number] = START_ID.exec(id ?? '') ?? [];
  return number !== undefined && Number(number) <= starts.length;
};

/** Before the first row there is none. */
const NO_ROW: AnswerContext = {};

const inThisOrder = (a: Row, b: Row): number =>
  a.value.order - b.value.order || (a.id < b.id ? -1 : 1);

/** Whether an entry on a row's path puts the row there. */
const declares = ({ kind, value }: Entry): boolean =>
  kind === 'answer' || (kind === 'prepare' && value !== null);

export class RowGroup {
  readonly rows = new Map<string, Row>();
  /** The rows that are there, in order. */
  ordered: readonly Row[] = [];
  readonly starts: readonly string[];

  constructor(readonly cell: CellAt) {
    const { question } = cell.plan;
    this.starts = question.kind === 'rows' ? (question.starts ?? []) : [];
  }

  /** The row of this id; null where a start row is meant that the template does not have. */
  find(id: string): { row: Row; fresh: boolean } | null {
    const known = this.rows.get(id);
    if (known) return { row: known, fresh: false };
    const [, number] = START_ID.exec(id) ?? [];
    const start = number === undefined ? null : Number(number) - 1;
    if (start !== null && start >= this.starts.length) return null;
    const row = new Row(id, this, start);
    this.rows.set(id, row);
    return { row, fresh: true };
  }

  startIds(): string[] {
    return this.starts.map((_, index) => startId(index));
  }

  /** Puts the rows that are there in order; says whether anything about that changed. */
  arrange(): boolean {
    const before = this.ordered;
    const there: Row[] = [];
    let inOrder = true;
    for (const row of this.rows.values()) {
      if (!row.settle()) continue;
      const last = there.at(-1);
      inOrder &&= last === undefined || inThisOrder(last, row) < 0;
      there.push(row);
    }
    this.ordered = inOrder ? there : there.sort(inThisOrder);
    let changed = this.ordered.length !== before.length;
    this.ordered.forEach((row, index) => {
      const { place, scope, value } = row;
      changed ||= before[index] !== row || place.name !== value.name;
      row.index = index;
      place.number = index + 1;
      place.name = value.name;
      place.count = this.ordered.length;
      scope.answers.previous = this.ordered[index - 1]?.scope.answers ?? NO_ROW;
    });
    const { answers } = this.cell.scope;
    const { key } = this.cell.plan.question;
    if (changed || !Object.hasOwn(answers, key))
      answers[key] = this.ordered.map((row) => row.scope.answers);
    return changed;
  }

  after(row: Row): Row | undefined {
    return this.ordered[row.index] === row ? this.ordered[row.index + 1] : undefined;
  }
}

/** What rows come to together; of many, so nothing is made on the way. */
function addUpRows(rows: readonly { readonly tally: Tally }[]): Tally {
  let { answered, asked, alerts, reached, possible, stops } = NO_TALLY;
  for (const { tally } of rows) {
    answered += tally.answered;
    asked += tally.asked;
    alerts += tally.alerts;
    reached += tally.reached;
    possible += tally.possible;
    stops ||= tally.stops;
  }
  return { answered, asked, alerts, reached, possible, stops };
}

export const addUp = (tallies: readonly Tally[]): Tally =>
  addUpRows(tallies.map((tally) => ({ tally })));

/** What a row shows, from the states of its questions. */
export function rowState(row: Row, number: number): RowState {
  const { value } = row;
  const questions: QuestionState[] = [];
  const looseEnds: LooseEnd[] = [];
  const findings: Finding[] = [];
  const disagreements: string[] = row.removal || row.naming.length > 0 ? [row.path] : [];
  const overBudget: string[] = [];
  for (const cell of row.scope.cells.values()) {
    const { state } = cell;
    if (!state?.visible) continue;
    questions.push(state);
    for (const end of state.looseEnds)
      looseEnds.push({ ...end, words: `${value.name}, ${end.words}` });
    for (const finding of state.findings)
      findings.push({ ...finding, words: `${value.name}, ${finding.words}` });
    gatherDisagreements(cell, disagreements);
    gatherOverBudget(cell, overBudget);
  }
  return {
    id: row.id,
    path: row.path,
    number,
    name: value.name,
    order: value.order,
    questions,
    looseEnds,
    findings,
    disagreements,
    overBudget,
    tally: addUp(questions.map((state) => state.tally)),
    removal: row.removal,
    naming: row.naming,
  };
}

/** Adds the paths of what people differ about, in its rows too. */
export function gatherDisagreements({ state, sums }: CellAt, into: string[]): void {
  if (!state) return;
  if (state.disagreement.length > 0) into.push(state.path);
  for (const { path } of state.conflicts) into.push(path);
  if (sums) addAll(into, sums.disagreements);
}

/** Adds the paths of questions with a rule that was stopped, in its rows too. */
export function gatherOverBudget({ state, sums }: CellAt, into: string[]): void {
  if (state?.overBudget) into.push(state.path);
  if (sums) addAll(into, sums.overBudget);
}

/** Adds all of a list, however long: as arguments they would not fit on any stack. */
export function addAll<Item>(into: Item[], items: readonly Item[]): void {
  for (const item of items) into.push(item);
}

const worstFirst = (a: Finding, b: Finding): number => b.severity - a.severity;

/** Brings up to date the state of a row group whose rows stand as before, where some of them changed. */
export function withChangedRows(cell: CellAt, changed: readonly Row[]): void {
  const { state: before, own, sums, group } = cell;
  const isPartOnly = before !== null && sums !== null && sums.own === own;
  if (!group || !own || !isPartOnly || before.rows.length !== group.ordered.length) {
    withRows(cell);
    return;
  }
  const rows = [...before.rows];
  let same = true;
  for (const { index, state } of changed) {
    const old = rows[index];
    if (!old || !state) return withRows(cell);
    same &&= addsTheSame(old, state);
    rows[index] = state;
  }
  if (!same) return withRows(cell);
  cell.state = { ...before, rows, tally: addUpRows(rows) };
}

/** Whether a row has the same to say in lists as before; what it counts for is added up anyway. */
const addsTheSame = (a: RowState, b: RowState): boolean =>
  a.disagreements.length + b.disagreements.length + a.overBudget.length + b.overBudget.length ===
    0 &&
  a.findings.length + b.findings.length === 0 &&
  a.looseEnds.length === b.looseEnds.length &&
  a.looseEnds.every((end, at) => {
    const other = b.looseEnds[at];
    return end.key === other?.key && end.missing === other.missing && end.words === other.words;
  });

/** A row group's state with what its rows add to it. */
export function withRows(cell: CellAt): void {
  const { own, group } = cell;
  if (!own || !group) return;
  const rows: RowState[] = [];
  for (const { state } of group.ordered) if (state) rows.push(state);
  const { question } = own;
  const looseEnds: LooseEnd[] = [...own.looseEnds];
  const miss = (words: string): void => {
    const { path: key, section } = own;
    looseEnds.push({ key, section, missing: 'rows', words: `${question.label}: ${words}` });
  };
  const least = question.kind === 'rows' ? (question.least ?? 0) : 0;
  const most = question.kind === 'rows' ? question.most : undefined;
  if (own.visible && rows.length < least) miss(`at least ${least} wanted, ${rows.length} there`);
  if (own.visible && most !== undefined && rows.length > most)
    miss(`at most ${most} wanted, ${rows.length} there`);
  const findings: Finding[] = [...own.findings];
  const disagreements: string[] = [];
  const overBudget: string[] = [];
  for (const row of rows) {
    addAll(looseEnds, row.looseEnds);
    addAll(findings, row.findings);
    addAll(disagreements, row.disagreements);
    addAll(overBudget, row.overBudget);
  }
  cell.sums = { own, disagreements, overBudget };
  cell.state = {
    ...own,
    rows,
    looseEnds,
    findings: findings.length > 1 ? findings.sort(worstFirst) : findings,
    tally: addUpRows(rows),
  };
}
