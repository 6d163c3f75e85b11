import { forgetAggregates } from '../logic/index.ts';
import type { Entry } from '../log/index.ts';
import { mayCloseOut } from './blanks.ts';
import type { SheetCells } from './cells.ts';
import { foldQuestion } from './fold-question.ts';
import { rulesOf } from './kinds/index.ts';
import type { SheetPlan } from './planned.ts';
import type { CellAt, Scope } from './row-group.ts';
import { isUnproven } from './second-person.ts';
import type { QuestionState } from './state.ts';
import type { Programme } from './template.ts';

/** What every question of a sheet is computed with. */
export interface Around {
  readonly closedOut: ReadonlyMap<string, Entry>;
  readonly workers: ReadonlySet<string>;
  readonly programme: Programme | null;
}

/** Recomputes what new entries touch and all that reads it, each cell once and in order. */
export class Settling {
  constructor(
    private readonly plan: SheetPlan,
    private readonly cells: SheetCells,
    private readonly around: Around,
  ) {}

  /** Recomputes these cells and all that reads them, in order; gives every cell it recomputed. */
  settle(start: Iterable<CellAt>): Set<CellAt> {
    const done = new Set<CellAt>();
    const waiting = new WaitingCells();
    for (const cell of start) waiting.add(cell);
    const woken: Woken = new Map();
    for (let cell = waiting.take(); cell; cell = waiting.take()) {
      done.add(cell);
      // From here on whoever reads these rows may have to look again.
      for (const group of this.plan.wholes.get(cell.plan.question.key) ?? [])
        woken.get(group)?.clear();
      const rearranged = cell.group?.arrange() ?? false;
      if (cell.group && rearranged)
        for (const key of this.plan.placed.get(cell.plan.question.key) ?? [])
          for (const row of cell.group.ordered) waiting.add(row.scope.cells.get(key));
      if (this.refold(cell) || rearranged) this.wake(cell, waiting, woken);
    }
    return done;
  }

  /** Computes a cell; says whether others see something new in it. */
  private refold(cell: CellAt): boolean {
    const { plan, path, logs, scope } = cell;
    const state = foldQuestion({
      plan,
      path,
      logs,
      closedOut: mayCloseOut(plan.question) ? (this.around.closedOut.get(path) ?? null) : null,
      answers: scope.answers,
      workers: this.around.workers,
      programme: this.around.programme,
    });
    const before = cell.own;
    cell.own = state;
    cell.state = state;
    const { key } = plan.question;
    if (cell.group) {
      if (!state.visible) delete scope.answers[key];
      return before?.visible !== state.visible;
    }
    const said =
      state.visible && !isUnproven(state)
        ? (state.answer ?? (state.calculated === null ? null : { value: state.calculated }))
        : null;
    const given = said !== null || (state.visible && state.photos.length + state.files.length > 0);
    const wasGiven = scope.given[key] === true;
    const wasExposed = Object.hasOwn(scope.answers, key);
    this.setGiven(scope, key, given);
    if (!said) {
      delete scope.answers[key];
      return wasExposed || wasGiven !== given;
    }
    if (wasExposed && before && sameAnswer(before, state)) return false;
    const expose = rulesOf(plan.question).expose;
    scope.answers[key] = expose ? expose(plan.question, said.value, unitOf(said)) : said.value;
    return true;
  }

  private setGiven(scope: Scope, key: string, given: boolean): void {
    if (given) scope.given[key] = true;
    else delete scope.given[key];
  }

  /** Puts everything that reads a cell in line to be computed again. */
  private wake(cell: CellAt, waiting: WaitingCells, woken: Woken): void {
    const { key } = cell.plan.question;
    if (cell.group) {
      forgetAggregates(cell.scope.answers[key]);
      // Thousands of rows change together: whoever reads them all is put in line once.
      const known = woken.get(key) ?? new Set();
      woken.set(key, known);
      if (known.has(cell)) return;
      known.add(cell);
    }
    for (const dependent of this.plan.dependents.get(key) ?? [])
      this.cells.eachBelow(cell.scope, dependent, (other) => waiting.add(other));
    const { row } = cell.scope;
    if (!row) return;
    const next = row.group.after(row);
    for (const follower of this.plan.followers.get(key) ?? [])
      waiting.add(next?.scope.cells.get(follower));
    // Whatever reads the rows as a list reads this answer too.
    this.wake(row.group.cell, waiting, woken);
  }
}

const unitOf = (said: object): string | undefined =>
  'unit' in said && typeof said.unit === 'string' ? said.unit : undefined;

const sameAnswer = (a: QuestionState, b: QuestionState): boolean =>
  a.answer?.entry.id === b.answer?.entry.id && a.calculated === b.calculated;

/** Row groups whose readers are in line already, by their keys. */
type Woken = Map<string, Set<CellAt>>;

/** Cells in line to be computed: those that others read come first. */
class WaitingCells {
  private readonly byRank: Set<CellAt>[] = [];
  private lowest = 0;

  add(cell: CellAt | undefined): void {
    if (!cell) return;
    const { rank } = cell.plan;
    (this.byRank[rank] ??= new Set()).add(cell);
    this.lowest = Math.min(this.lowest, rank);
  }

  take(): CellAt | undefined {
    for (; this.lowest < this.byRank.length; this.lowest++) {
      const line = this.byRank[this.lowest];
      const [first] = line ?? [];
      if (!line || !first) continue;
      line.delete(first);
      return first;
    }
    return undefined;
  }
}
