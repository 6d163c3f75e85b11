import { EMPTY_PATH_LOG, rowPath, rowScope, type Entry, type PathLog } from '../log/index.ts';
import type { RowValue } from '../log/index.ts';
import type { AnswerContext } from '../logic/index.ts';
import type { QuestionLogs } from './fold-question.ts';
import { EMPTY_QUESTION_LOGS, NO_TALLY } from './fold-question.ts';
import type { PlannedQuestion } from './plan.ts';
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
    this.given = { ...outer?.given };
    this.answers.given = this.given;
  }
}

/** A question in its place, with what was recorded about it. */
export class CellAt {
  logs: QuestionLogs = EMPTY_QUESTION_LOGS;
  /** What it shows, with what its rows add; without them in `own`. */
  state: QuestionState | null = null;
  own: QuestionState | null = null;
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
  log: PathLog = EMPTY_PATH_LOG;
  readonly scope: Scope;
  readonly path: string;
  state: RowState | null = null;
  /** A removal that somebody answered against without having seen it. */
  removal: Entry | null = null;

  constructor(
    readonly id: string,
    readonly group: RowGroup,
    /** Its place among the rows that are there from the start; null for one that was added. */
    readonly start: number | null,
  ) {
    const { path, scope } = group.cell;
    this.path = rowPath(path, id);
    this.scope = new Scope(rowScope(path, id), this, scope);
  }

  get declared(): boolean {
    return this.start !== null || this.log.entries.some((entry) => entry.kind === 'answer');
  }

  /** Decides whether the row is there: removed, unless an answer was given unaware of that. */
  settle(): boolean {
    this.removal = null;
    const { heads } = this.log;
    const removals = heads.filter((entry) => entry.kind === 'clear');
    if (removals.length === 0) return this.declared;
    if (removals.length < heads.length) {
      this.removal = removals.at(-1) ?? null;
      return true;
    }
    const seen = new Set(removals.flatMap((entry) => entry.seen));
    const unaware = this.headsWithin().some(
      (entry) => entry.kind !== 'clear' && !seen.has(entry.id),
    );
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
    const { heads } = this.log;
    if (heads.length < 2) return [];
    const named = new Map<string, Entry>();
    for (const entry of heads) if (isRow(entry.value)) named.set(entry.value.name, entry);
    return named.size > 1 ? [...named.values()] : [];
  }

  get value(): RowValue {
    const said =
      this.log.heads.filter((entry) => isRow(entry.value)).at(-1) ??
      this.log.entries.filter((entry) => isRow(entry.value)).at(-1);
    if (said && isRow(said.value)) return said.value;
    const start = this.start ?? 0;
    return { order: start, name: this.group.starts[start] ?? '' };
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

export class RowGroup {
  readonly rows = new Map<string, Row>();
  /** The rows that are there, in order. */
  ordered: readonly Row[] = [];
  readonly starts: readonly string[];
  private signature = '';

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
    this.ordered = [...this.rows.values()]
      .filter((row) => row.settle())
      .map((row) => ({ row, order: row.value.order }))
      .sort((a, b) => a.order - b.order || (a.row.id < b.row.id ? -1 : 1))
      .map(({ row }) => row);
    const { answers } = this.cell.scope;
    const { key } = this.cell.plan.question;
    answers[key] = this.ordered.map((row) => row.scope.answers);
    this.ordered.forEach((row, index) => {
      row.scope.answers.row = {
        number: index + 1,
        name: row.value.name,
        count: this.ordered.length,
      };
      row.scope.answers.previous = this.ordered[index - 1]?.scope.answers ?? {};
    });
    const before = this.signature;
    this.signature = this.ordered.map(({ id, value }) => `${id} ${value.name}`).join('\n');
    return this.signature !== before;
  }

  after(row: Row): Row | undefined {
    const index = this.ordered.indexOf(row);
    return index < 0 ? undefined : this.ordered[index + 1];
  }
}

export function addUp(tallies: Iterable<Tally>): Tally {
  let { answered, asked, alerts, reached, possible, stops } = NO_TALLY;
  for (const tally of tallies) {
    answered += tally.answered;
    asked += tally.asked;
    alerts += tally.alerts;
    reached += tally.reached;
    possible += tally.possible;
    stops ||= tally.stops;
  }
  return { answered, asked, alerts, reached, possible, stops };
}

/** What a row shows, from the states of its questions. */
export function rowState(row: Row, number: number): RowState {
  const { value } = row;
  const questions: QuestionState[] = [];
  const looseEnds: LooseEnd[] = [];
  for (const { state } of row.scope.cells.values()) {
    if (!state?.visible) continue;
    questions.push(state);
    for (const end of state.looseEnds)
      looseEnds.push({ ...end, words: `${value.name}, ${end.words}` });
  }
  return {
    id: row.id,
    path: row.path,
    number,
    name: value.name,
    order: value.order,
    questions,
    looseEnds,
    tally: addUp(questions.map((state) => state.tally)),
    removal: row.removal,
    naming: row.naming,
  };
}

/** A row group's state with what its rows add to it. */
export function withRows(own: QuestionState, group: RowGroup): QuestionState {
  const rows = group.ordered.map((row) => row.state).filter((state) => state !== null);
  const { question } = own;
  const looseEnds: LooseEnd[] = [...own.looseEnds];
  const least = question.kind === 'rows' ? (question.least ?? 0) : 0;
  if (own.visible && rows.length < least)
    looseEnds.push({
      key: own.path,
      section: own.section,
      missing: 'rows',
      words: `${question.label}: at least ${least} wanted, ${rows.length} there`,
    });
  const most = question.kind === 'rows' ? question.most : undefined;
  if (own.visible && most !== undefined && rows.length > most)
    looseEnds.push({
      key: own.path,
      section: own.section,
      missing: 'rows',
      words: `${question.label}: at most ${most} wanted, ${rows.length} there`,
    });
  const findings: Finding[] = [...own.findings];
  for (const row of rows) {
    looseEnds.push(...row.looseEnds);
    for (const state of row.questions)
      for (const finding of state.findings)
        findings.push({ ...finding, words: `${row.name}, ${finding.words}` });
  }
  return {
    ...own,
    rows,
    looseEnds,
    findings: findings.sort((a, b) => b.severity - a.severity),
    tally: addUp(rows.map((row) => row.tally)),
  };
}
