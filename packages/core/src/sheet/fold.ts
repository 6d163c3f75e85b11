import {
  coverOf,
  PROGRAMME_PATH,
  EMPTY_PATH_LOG,
  mergePath,
  parsePath,
  STAGE_PATH,
  byId,
  type CoverValue,
  type Entry,
  type ParsedPath,
  type PathLog,
} from '../log/index.ts';
import { closesOut } from './blanks.ts';
import { SheetCells } from './cells.ts';
import { standing, type QuestionLogs } from './fold-question.ts';
import type { SheetPlan } from './planned.ts';
import { reckonOver } from './reckon.ts';
import type { CellAt } from './row-group.ts';
import { Settling } from './settle.ts';
import { cameAfter, foldStage, type Standing } from './stage.ts';
import type { SectionState, SheetState } from './state.ts';
import { sumSection, sumSheet } from './sum.ts';
import type { Programme } from './template.ts';

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
  private readonly cells: SheetCells;
  private readonly sections = new Map<string, SectionState>();
  private readonly sheetLogs = new Map<string, PathLog>();
  private readonly everything: Entry[] = [];
  private readonly workers = new Set<string>();
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
    this.cells = new SheetCells(plan);
    const { root } = this.cells;
    root.answers.programme = '';
    const cells = plan.body.sections.flatMap((section) =>
      section.questions.flatMap(({ key }) => this.cells.fill(root, key)),
    );
    this.cells.refresh(this.settleAll(cells));
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
    const cell = this.cells.findScope(parsed.scope)?.cells.get(parsed.key);
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
    const dirty = this.cells.refresh(this.settleAll(touched));
    this.current = this.sum(dirty);
    return this.current;
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
    if (this.workers.size > workers) for (const cell of this.cells.holds) touched.add(cell);
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
    const scope = this.cells.reachScope(parsed.scope, touched);
    const cell = scope?.cells.get(parsed.key);
    if (!cell) return false;
    if (parsed.aspect === 'row') {
      const row = this.cells.reachRow(cell, parsed.item ?? '', touched);
      if (!row) return false;
      row.log = mergePath(row.log, added);
      touched.add(cell);
      this.cells.declare(row);
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
    this.cells.root.answers.programme = this.programme?.key ?? '';
    return this.cells.all();
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
      const cell = parsed && this.cells.findScope(parsed.scope)?.cells.get(parsed.key);
      return cell ? [cell] : [];
    });
  }

  /** Settles cells, and then whoever reads a result of the kit's reckoning that came out otherwise. */
  private settleAll(start: Iterable<CellAt>): Set<CellAt> {
    const { plan, closedOut, workers, programme } = this;
    const settling = new Settling(plan, this.cells, { closedOut, workers, programme });
    const done = settling.settle(start);
    for (const cell of settling.settle(this.reckon())) done.add(cell);
    return done;
  }

  /** Reckons anew over the whole sheet; gives the cells that read what changed by that. */
  private reckon(): Set<CellAt> {
    const { reckoning, dependents } = this.plan;
    const readers = new Set<CellAt>();
    if (!reckoning) return readers;
    const results = reckonOver(reckoning, this.cells.root);
    for (const { name } of reckoning.results) {
      const value = Object.hasOwn(results, name) ? results[name] : undefined;
      if (value === this.cells.root.answers[name]) continue;
      if (value === undefined) delete this.cells.root.answers[name];
      else this.cells.root.answers[name] = value;
      for (const key of dependents.get(name) ?? [])
        this.cells.eachBelow(this.cells.root, key, (cell) => readers.add(cell));
    }
    return readers;
  }

  private sum(dirty: readonly string[]): SheetState {
    const { body } = this.plan;
    const { root } = this.cells;
    for (const section of body.sections)
      if (dirty.includes(section.id)) this.sections.set(section.id, sumSection(section, root));
    const sections = body.sections.flatMap(({ id }) => this.sections.get(id) ?? []);
    const { standing: stands, late, sheetLogs, programme } = this;
    return sumSheet(this.plan, sections, {
      ...{ standing: stands, late, sheetLogs, programme, root },
      strays: this.allStrays(),
    });
  }

  /** Entries of unknown questions, and of rows nobody has said anything about yet. */
  private allStrays(): readonly Entry[] {
    const waiting = this.cells.undeclaredEntries();
    if (waiting.length === 0) return this.strays;
    return [...new Set([...this.strays, ...waiting])].sort(byId);
  }
}

const ids = (entries: readonly Entry[] = []): string[] => entries.map((entry) => entry.id);

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
