import { takesAway, type Entry } from '../log/index.ts';
import type { SheetPlan } from './planned.ts';
import { CellAt, rowState, Scope, withChangedRows, withRows, type Row } from './row-group.ts';

/** The cells of a sheet: one for each question, and in row groups one for each row. */
export class SheetCells {
  readonly root = new Scope('', null, null);
  /** Those of hold points, which depend on who worked on the sheet. */
  readonly holds = new Set<CellAt>();
  private readonly undeclared = new Set<Row>();

  constructor(private readonly plan: SheetPlan) {}

  /** Makes the cell of a question in a scope, and the rows it begins with. */
  fill(scope: Scope, key: string): CellAt[] {
    const planned = this.plan.questions.get(key);
    if (!planned) return [];
    const cell = new CellAt(planned, scope);
    scope.cells.set(key, cell);
    if (cell.group) scope.groups.push(cell.group);
    if (planned.question.kind === 'hold') this.holds.add(cell);
    const made = [cell];
    for (const id of cell.group?.startIds() ?? []) {
      const found = cell.group?.find(id);
      if (found) made.push(...this.furnish(found.row));
    }
    cell.group?.arrange();
    return made;
  }

  private furnish(row: Row): CellAt[] {
    const { question } = row.group.cell.plan;
    return question.kind === 'rows'
      ? question.questions.flatMap(({ key }) => this.fill(row.scope, key))
      : [];
  }

  /** The scope a path names; null where it is not there. */
  findScope(path: string): Scope | null {
    if (path === '') return this.root;
    let scope: Scope | undefined = this.root;
    const parts = path.split('/');
    for (let i = 0; i + 1 < parts.length; i += 2)
      scope = scope?.cells.get(parts[i] ?? '')?.group?.rows.get(parts[i + 1] ?? '')?.scope;
    return scope ?? null;
  }

  /** The scope of a path, with rows made that are heard of for the first time. */
  reachScope(path: string, touched: Set<CellAt>): Scope | null {
    let scope: Scope = this.root;
    const parts = path.split('/');
    for (let i = 0; i + 1 < parts.length; i += 2) {
      const row = this.reachRow(scope.cells.get(parts[i] ?? ''), parts[i + 1] ?? '', touched);
      if (!row) return null;
      scope = row.scope;
    }
    return scope;
  }

  reachRow(cell: CellAt | undefined, id: string, touched: Set<CellAt>): Row | null {
    const found = cell?.group?.find(id);
    if (!cell || !found) return null;
    // A row that was removed may have to come back for what is written in it now.
    if (found.fresh || found.row.log.heads.some(takesAway)) touched.add(cell);
    if (found.fresh) {
      for (const made of this.furnish(found.row)) touched.add(made);
      if (!found.row.declared) this.undeclared.add(found.row);
    }
    return found.row;
  }

  /** A row somebody has spoken of is there for good. */
  declare(row: Row): void {
    if (row.declared) this.undeclared.delete(row);
  }

  /** Every cell of a question that stands in this scope or in rows below it. */
  eachBelow(scope: Scope, key: string, see: (cell: CellAt) => void): void {
    const own = scope.cells.get(key);
    if (own) return see(own);
    const depth = scope.path === '' ? 0 : scope.path.split('/').length >> 1;
    const group = this.plan.questions.get(key)?.groups[depth];
    const rows = group ? scope.cells.get(group)?.group?.rows.values() : undefined;
    for (const row of rows ?? []) this.eachBelow(row.scope, key, see);
  }

  /** Every cell there is. */
  all(): CellAt[] {
    return cellsWithin(this.root);
  }

  /** Rebuilds the states of rows that hold these cells, innermost first; gives their sections. */
  refresh(cells: ReadonlySet<CellAt>): string[] {
    const sections = new Set<string>();
    const levels = [0, 1, 2].map(() => new Map<CellAt, Set<Row>>());
    const changedIn = (group: CellAt): Set<Row> => {
      const level = levels[group.plan.groups.length];
      const known = level?.get(group) ?? new Set<Row>();
      level?.set(group, known);
      return known;
    };
    for (const cell of cells) {
      sections.add(cell.plan.section);
      if (cell.group) changedIn(cell);
      for (let { row } = cell.scope; row; row = row.group.cell.scope.row)
        changedIn(row.group.cell).add(row);
    }
    for (const level of levels.reverse())
      for (const [cell, changed] of level) refreshGroup(cell, changed, cells.has(cell));
    return [...sections];
  }

  /** Entries in rows nobody has said anything about yet. */
  undeclaredEntries(): Entry[] {
    return [...this.undeclared].flatMap((row) => [...row.log.entries, ...entriesWithin(row)]);
  }
}

/** Every cell of a scope, those in its rows included. */
function cellsWithin(scope: Scope): CellAt[] {
  return [...scope.cells.values()].flatMap((cell) => [
    cell,
    ...[...(cell.group?.rows.values() ?? [])].flatMap((row) => cellsWithin(row.scope)),
  ]);
}

function entriesWithin(row: Row): Entry[] {
  return [...row.scope.cells.values()].flatMap(({ logs, group }) => [
    ...logs.answer.entries,
    ...logs.reason.entries,
    ...[...logs.photos.values(), ...logs.files.values()].flatMap((log) => log.entries),
    ...[...(group?.rows.values() ?? [])].flatMap((inner) => [
      ...inner.log.entries,
      ...entriesWithin(inner),
    ]),
  ]);
}

/** Rebuilds what a group shows: all rows that are no longer where they were, or those that changed. */
function refreshGroup(cell: CellAt, changed: ReadonlySet<Row>, wasArranged: boolean): void {
  const { group } = cell;
  if (!group) return;
  if (wasArranged) {
    group.ordered.forEach((row, index) => {
      if (changed.has(row) || row.isStaleAt(index + 1)) row.state = rowState(row, index + 1);
    });
    withRows(cell);
    return;
  }
  const there = [...changed].filter((row) => group.ordered[row.index] === row);
  for (const row of there) row.state = rowState(row, row.index + 1);
  withChangedRows(cell, there);
}
