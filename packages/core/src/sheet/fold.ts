import {
  COVER_PATH,
  coverOf,
  differingHeads,
  PROGRAMME_PATH,
  EMPTY_PATH_LOG,
  mergePath,
  parsePath,
  STAGE_PATH,
  takesAway,
  byId,
  type CoverValue,
  type Entry,
  type ParsedPath,
  type PathLog,
} from '../log/index.ts';
import { closesOut, mayCloseOut } from './blanks.ts';
import { foldQuestion, standing, type QuestionLogs } from './fold-question.ts';
import { rulesOf } from './kinds/index.ts';
import type { SheetPlan } from './planned.ts';
import {
  addAll,
  addUp,
  CellAt,
  gatherDisagreements,
  gatherOverBudget,
  rowState,
  Scope,
  withChangedRows,
  withRows,
  type Row,
} from './row-group.ts';
import { forgetAggregates } from '../logic/index.ts';
import { reckonedValue, reckonOver } from './reckon.ts';
import { scoreOf } from './score.ts';
import { isUnproven } from './second-person.ts';
import { cameAfter, foldStage, type Standing } from './stage.ts';
import type { QuestionState, SectionState, SheetState } from './state.ts';
import type { Programme, Section } from './template.ts';

/** The state of a sheet from all its entries: the one truth of phone, desk, report and server. */
export function fold(plan: SheetPlan, entries: readonly Entry[]): SheetState {
  return new OpenSheet(plan).add(entries);
}

/**
 * A sheet kept open for more entries. `add` recomputes only what the new entries touch, and gives
 * the same state as folding everything anew. States it gave before never change.
 */
export class OpenSheet {
  private readonly plan: SheetPlan;
  private readonly known = new Set<string>();
  private readonly root = new Scope('', null, null);
  private readonly sections = new Map<string, SectionState>();
  private readonly sheetLogs = new Map<string, PathLog>();
  private readonly everything: Entry[] = [];
  private readonly workers = new Set<string>();
  private readonly holds = new Set<CellAt>();
  private readonly undeclared = new Set<Row>();
  private closedOut: ReadonlyMap<string, Entry> = new Map();
  private programme: Programme | null = null;
  /** Whether somebody has begun to fill it in; naming its programme is no beginning. */
  private begun = false;
  private strays: readonly Entry[] = [];
  private standing: Standing = { stage: 'untouched', stageEntry: null };
  /** What came after the finish or approval it stands at. */
  private late: Entry[] = [];
  private current: SheetState;

  constructor(plan: SheetPlan) {
    this.plan = plan;
    this.root.answers.programme = '';
    const cells = plan.body.sections.flatMap((section) =>
      section.questions.flatMap(({ key }) => this.fill(this.root, key)),
    );
    this.refresh(this.settleAll(cells));
    this.current = this.sum(plan.body.sections.map((section) => section.id));
  }

  get state(): SheetState {
    return this.current;
  }

  /** What a finish or an approval made now has before it. */
  get cover(): CoverValue {
    return coverOf(this.everything);
  }

  /** The ids of a path's heads: what an entry written now has seen. A row is seen with all in it. */
  headsOf(path: string): string[] {
    const parsed = parsePath(path);
    if (!parsed) return [];
    if (parsed.key === '') return ids(this.sheetLogs.get(path)?.heads);
    const cell = this.findScope(parsed.scope)?.cells.get(parsed.key);
    if (!cell) return [];
    const { logs, group } = cell;
    switch (parsed.aspect) {
      case 'row': {
        const row = group?.rows.get(parsed.item ?? '');
        return row ? ids([...row.log.heads, ...row.headsWithin()]) : [];
      }
      case 'photo':
        return ids(logs.photos.get(path)?.heads);
      case 'file':
        return ids(logs.files.get(path)?.heads);
      case 'reason':
        return ids(logs.reason.heads);
      default:
        return ids(logs.answer.heads);
    }
  }

  add(entries: readonly Entry[]): SheetState {
    const touched = this.takeIn(entries);
    if (touched === null) return this.current;
    const dirty = this.refresh(this.settleAll(touched));
    this.current = this.sum(dirty);
    return this.current;
  }

  /** Makes the cell of a question in a scope, and the rows it begins with. */
  private fill(scope: Scope, key: string): CellAt[] {
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

  private findScope(path: string): Scope | null {
    if (path === '') return this.root;
    let scope: Scope | undefined = this.root;
    const parts = path.split('/');
    for (let i = 0; i + 1 < parts.length; i += 2)
      scope = scope?.cells.get(parts[i] ?? '')?.group?.rows.get(parts[i + 1] ?? '')?.scope;
    return scope ?? null;
  }

  /** The scope of a path, with rows made that are heard of for the first time. */
  private reachScope(path: string, touched: Set<CellAt>): Scope | null {
    let scope: Scope = this.root;
    const parts = path.split('/');
    for (let i = 0; i + 1 < parts.length; i += 2) {
      const row = this.reachRow(scope.cells.get(parts[i] ?? ''), parts[i + 1] ?? '', touched);
      if (!row) return null;
      scope = row.scope;
    }
    return scope;
  }

  private reachRow(cell: CellAt | undefined, id: string, touched: Set<CellAt>): Row | null {
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

  /** Puts new entries into their logs; gives the cells they touch, null when none was new. */
  private takeIn(entries: readonly Entry[]): Set<CellAt> | null {
    const byPath = new Map<string, Entry[]>();
    const workers = this.workers.size;
    for (const entry of entries) {
      if (this.known.has(entry.id)) continue;
      this.known.add(entry.id);
      this.begun ||= entry.path !== PROGRAMME_PATH && entry.kind !== 'prepare';
      this.everything.push(entry);
      const list = byPath.get(entry.path);
      if (list) list.push(entry);
      else byPath.set(entry.path, [entry]);
    }
    if (byPath.size === 0) return null;
    const touched = new Set<CellAt>();
    let blanks = false;
    for (const [path, added] of byPath) {
      const parsed = parsePath(path);
      if (parsed && parsed.key === '') {
        this.sheetLogs.set(path, mergePath(this.sheetLogs.get(path) ?? EMPTY_PATH_LOG, added));
        blanks ||= parsed.aspect === 'blanks';
      } else if (!parsed || !this.keep(path, parsed, added, touched))
        this.strays = [...this.strays, ...added].sort(byId);
    }
    this.move(byPath);
    if (byPath.has(PROGRAMME_PATH)) for (const cell of this.chooseProgramme()) touched.add(cell);
    if (blanks) for (const cell of this.closeOut()) touched.add(cell);
    if (this.workers.size > workers) for (const cell of this.holds) touched.add(cell);
    return touched;
  }

  /** Finds where the sheet stands now, and what came after whoever moved it there. */
  private move(added: ReadonlyMap<string, readonly Entry[]>): void {
    const before = this.standing.stageEntry;
    this.standing = foldStage(this.sheetLogs.get(STAGE_PATH) ?? EMPTY_PATH_LOG, this.begun);
    const moved = this.standing.stageEntry?.id !== before?.id;
    if (moved) this.late = [];
    const fresh = moved ? this.everything : [...added.values()].flat();
    for (const entry of fresh) if (cameAfter(this.standing, entry)) this.late.push(entry);
  }

  private keep(
    path: string,
    parsed: ParsedPath,
    added: readonly Entry[],
    touched: Set<CellAt>,
  ): boolean {
    const scope = this.reachScope(parsed.scope, touched);
    const cell = scope?.cells.get(parsed.key);
    if (!cell) return false;
    if (parsed.aspect === 'row') {
      const row = this.reachRow(cell, parsed.item ?? '', touched);
      if (!row) return false;
      row.log = mergePath(row.log, added);
      touched.add(cell);
      if (row.declared) this.undeclared.delete(row);
      return true;
    }
    cell.logs = mergeQuestion(cell.logs, path, parsed.aspect, added);
    touched.add(cell);
    if (cell.plan.question.kind !== 'hold')
      for (const entry of added) if (entry.kind === 'answer') this.workers.add(entry.by);
    return true;
  }

  /** Finds anew which programme applies; it may concern every cell. */
  private chooseProgramme(): CellAt[] {
    const said = standing(this.sheetLogs.get(PROGRAMME_PATH) ?? EMPTY_PATH_LOG)?.value;
    this.programme = this.plan.body.programmes?.find(({ key }) => key === said) ?? null;
    this.root.answers.programme = this.programme?.key ?? '';
    return cellsWithin(this.root);
  }

  /** Finds anew what is closed out; gives the cells for which that changed. */
  private closeOut(): CellAt[] {
    const before = this.closedOut;
    const closings = [...this.sheetLogs].flatMap(([path, log]) => {
      const found = parsePath(path)?.aspect === 'blanks' ? standing(log) : null;
      return found && closesOut(found.value) ? [{ ...found.entry, value: found.value }] : [];
    });
    const after = new Map<string, Entry>();
    for (const entry of closings.sort(byId))
      for (const path of entry.value.closed) if (!after.has(path)) after.set(path, entry);
    this.closedOut = after;
    const changed = new Set([...before.keys(), ...after.keys()]);
    return [...changed].flatMap((path) => {
      const parsed = parsePath(path);
      const cell = parsed && this.findScope(parsed.scope)?.cells.get(parsed.key);
      return cell ? [cell] : [];
    });
  }

  /** Settles cells, and then whoever reads a result of the kit's reckoning that came out otherwise. */
  private settleAll(start: Iterable<CellAt>): Set<CellAt> {
    const done = this.settle(start);
    for (const cell of this.settle(this.reckon())) done.add(cell);
    return done;
  }

  /** Reckons anew over the whole sheet; gives the cells that read what changed by that. */
  private reckon(): Set<CellAt> {
    const { reckoning, dependents } = this.plan;
    const readers = new Set<CellAt>();
    if (!reckoning) return readers;
    const results = reckonOver(reckoning, this.root);
    for (const { name } of reckoning.results) {
      const value = Object.hasOwn(results, name) ? results[name] : undefined;
      if (value === this.root.answers[name]) continue;
      if (value === undefined) delete this.root.answers[name];
      else this.root.answers[name] = value;
      for (const key of dependents.get(name) ?? [])
        this.eachBelow(this.root, key, (cell) => readers.add(cell));
    }
    return readers;
  }

  /** Recomputes these cells and all that reads them, in order; gives every cell it recomputed. */
  private settle(start: Iterable<CellAt>): Set<CellAt> {
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
      closedOut: mayCloseOut(plan.question) ? (this.closedOut.get(path) ?? null) : null,
      answers: scope.answers,
      workers: this.workers,
      programme: this.programme,
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
      this.eachBelow(cell.scope, dependent, (other) => waiting.add(other));
    const { row } = cell.scope;
    if (!row) return;
    const next = row.group.after(row);
    for (const follower of this.plan.followers.get(key) ?? [])
      waiting.add(next?.scope.cells.get(follower));
    // Whatever reads the rows as a list reads this answer too.
    this.wake(row.group.cell, waiting, woken);
  }

  /** Every cell of a question that stands in this scope or in rows below it. */
  private eachBelow(scope: Scope, key: string, see: (cell: CellAt) => void): void {
    const own = scope.cells.get(key);
    if (own) return see(own);
    const depth = scope.path === '' ? 0 : scope.path.split('/').length >> 1;
    const group = this.plan.questions.get(key)?.groups[depth];
    const rows = group ? scope.cells.get(group)?.group?.rows.values() : undefined;
    for (const row of rows ?? []) this.eachBelow(row.scope, key, see);
  }

  /** Rebuilds the states of rows that hold these cells, innermost first; gives their sections. */
  private refresh(cells: ReadonlySet<CellAt>): string[] {
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

  private sumSection(section: Section): SectionState {
    const questions: QuestionState[] = [];
    const disagreements: string[] = [];
    const overBudget: string[] = [];
    for (const { key } of section.questions) {
      const cell = this.root.cells.get(key);
      if (!cell?.state?.visible) continue;
      questions.push(cell.state);
      gatherDisagreements(cell, disagreements);
      gatherOverBudget(cell, overBudget);
    }
    const looseEnds = joined(questions.map((state) => state.looseEnds));
    const findings = joined(questions.map((state) => state.findings));
    const tally = addUp(questions.map((state) => state.tally));
    const { answered, asked } = tally;
    return {
      ...{ section, questions, looseEnds, findings, disagreements, overBudget },
      ...{ tally, answered, asked },
    };
  }

  private sum(dirty: readonly string[]): SheetState {
    const { body } = this.plan;
    for (const section of body.sections)
      if (dirty.includes(section.id)) this.sections.set(section.id, this.sumSection(section));
    const sections = body.sections.flatMap(({ id }) => this.sections.get(id) ?? []);
    const { stage, stageEntry } = this.standing;
    const unapproved = stage === 'approved' && this.late.length > 0;
    const differing = differingHeads(this.sheetLogs.get(PROGRAMME_PATH) ?? EMPTY_PATH_LOG);
    const programmeConflict = differing.length > 1 ? differing : [];
    const tally = addUp(sections.map((section) => section.tally));
    const blocking = sections.findIndex((section) => section.looseEnds.length > 0);
    const cover = standing(this.sheetLogs.get(COVER_PATH) ?? EMPTY_PATH_LOG)?.value;
    return {
      // What was approved is no longer what is there: it has to be read again.
      stage: unapproved ? 'finished' : stage,
      stageEntry,
      sections,
      waiting:
        body.order === 'led' && blocking >= 0
          ? sections.slice(blocking + 1).map(({ section }) => section.id)
          : [],
      looseEnds: joined(sections.map((section) => section.looseEnds)),
      findings: [...joined(sections.map((section) => section.findings))].sort(
        (a, b) => b.severity - a.severity,
      ),
      alerts: tally.alerts,
      score: body.score ? scoreOf(body.score, tally) : null,
      disagreements: [
        ...joined(sections.map((section) => section.disagreements)),
        ...(programmeConflict.length > 0 ? [PROGRAMME_PATH] : []),
      ],
      programmeConflict,
      editedAfterFinish: [...new Set(this.late.map(({ path }) => path))].sort(),
      formerApproval: unapproved ? stageEntry : null,
      overBudget: joined(sections.map((section) => section.overBudget)),
      programme: this.programme,
      reckoned: (this.plan.reckoning?.results ?? []).map((offer) => ({
        ...offer,
        value: reckonedValue(this.root.answers[offer.name]),
      })),
      cover: typeof cover === 'string' ? cover : null,
      strays: this.allStrays(),
      answered: tally.answered,
      asked: tally.asked,
    };
  }

  /** Entries of unknown questions, and of rows nobody has said anything about yet. */
  private allStrays(): readonly Entry[] {
    if (this.undeclared.size === 0) return this.strays;
    const waiting = [...this.undeclared].flatMap((row) => [
      ...row.log.entries,
      ...entriesWithin(row),
    ]);
    return [...new Set([...this.strays, ...waiting])].sort(byId);
  }
}

/** Lists after one another; of a long sheet's, far faster than flatMap. */
function joined<Item>(lists: readonly (readonly Item[])[]): readonly Item[] {
  const [only, ...more] = lists.filter((list) => list.length > 0);
  if (only && more.length === 0) return only;
  const all: Item[] = [];
  for (const list of lists) addAll(all, list);
  return all;
}

const ids = (entries: readonly Entry[] = []): string[] => entries.map((entry) => entry.id);

const unitOf = (said: object): string | undefined =>
  'unit' in said && typeof said.unit === 'string' ? said.unit : undefined;

const sameAnswer = (a: QuestionState, b: QuestionState): boolean =>
  a.answer?.entry.id === b.answer?.entry.id && a.calculated === b.calculated;

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

function mergeQuestion(
  logs: QuestionLogs,
  path: string,
  aspect: ParsedPath['aspect'],
  added: readonly Entry[],
): QuestionLogs {
  if (aspect === 'answer') return { ...logs, answer: mergePath(logs.answer, added) };
  if (aspect === 'reason') return { ...logs, reason: mergePath(logs.reason, added) };
  const kept = aspect === 'photo' ? 'photos' : 'files';
  const items = new Map(logs[kept]);
  items.set(path, mergePath(items.get(path) ?? EMPTY_PATH_LOG, added));
  return { ...logs, [kept]: items };
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
