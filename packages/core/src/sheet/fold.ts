import {
  EMPTY_PATH_LOG,
  mergePath,
  parsePath,
  STAGE_PATH,
  byId,
  type Entry,
  type PathLog,
} from '../log/index.ts';
import type { AnswerContext } from './expression.ts';
import {
  EMPTY_QUESTION_LOGS,
  foldQuestion,
  isAnswered,
  standingAnswer,
  type QuestionLogs,
} from './fold-question.ts';
import type { SheetPlan } from './plan.ts';
import { foldStage } from './stage.ts';
import type { Finding, LooseEnd, QuestionState, SectionState, SheetState } from './state.ts';
import type { Section } from './template.ts';

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
  private readonly logs = new Map<string, QuestionLogs>();
  private readonly questions = new Map<string, QuestionState>();
  private readonly sections = new Map<string, SectionState>();
  private readonly answers: AnswerContext = {};
  private stageLog: PathLog = EMPTY_PATH_LOG;
  private strays: readonly Entry[] = [];
  private current: SheetState;

  constructor(plan: SheetPlan) {
    this.plan = plan;
    for (const section of plan.body.sections)
      for (const question of section.questions)
        this.questions.set(
          question.key,
          foldQuestion(
            question,
            section.id,
            !plan.conditions.has(question.key),
            EMPTY_QUESTION_LOGS,
          ),
        );
    this.settleVisibility(plan.conditions.keys());
    this.current = this.sum(plan.body.sections);
  }

  get state(): SheetState {
    return this.current;
  }

  /** The ids of a path's heads: what an entry written now has seen. */
  headsOf(path: string): string[] {
    return this.logOf(path).heads.map((entry) => entry.id);
  }

  private logOf(path: string): PathLog {
    if (path === STAGE_PATH) return this.stageLog;
    const parsed = parsePath(path);
    const logs = parsed && this.logs.get(parsed.key);
    if (!logs) return EMPTY_PATH_LOG;
    if (parsed.aspect === 'photo') return logs.photos.get(path) ?? EMPTY_PATH_LOG;
    return parsed.aspect === 'reason' ? logs.reason : logs.answer;
  }

  add(entries: readonly Entry[]): SheetState {
    const touched = this.takeIn(entries);
    if (touched === null) return this.current;
    for (const key of touched) this.refold(key);
    const shown = this.settleVisibility(this.dependentsOf(touched));
    const dirty = new Set([...touched, ...shown].map((key) => this.questions.get(key)?.section));
    this.current = this.sum(this.plan.body.sections.filter((section) => dirty.has(section.id)));
    return this.current;
  }

  /** Puts new entries into their logs; gives the question keys they touch, null when none was new. */
  private takeIn(entries: readonly Entry[]): Set<string> | null {
    const byPath = new Map<string, Entry[]>();
    for (const entry of entries) {
      if (this.known.has(entry.id)) continue;
      this.known.add(entry.id);
      const list = byPath.get(entry.path);
      if (list) list.push(entry);
      else byPath.set(entry.path, [entry]);
    }
    if (byPath.size === 0) return null;

    const touched = new Set<string>();
    for (const [path, added] of byPath) {
      if (path === STAGE_PATH) {
        this.stageLog = mergePath(this.stageLog, added);
        continue;
      }
      const parsed = parsePath(path);
      if (!parsed || !this.plan.questions.has(parsed.key)) {
        this.strays = [...this.strays, ...added].sort(byId);
        continue;
      }
      const logs = this.logs.get(parsed.key) ?? EMPTY_QUESTION_LOGS;
      this.logs.set(parsed.key, mergeQuestion(logs, path, parsed.aspect, added));
      touched.add(parsed.key);
    }
    return touched;
  }

  private refold(key: string): void {
    const state = this.questions.get(key);
    if (!state) return;
    const logs = this.logs.get(key) ?? EMPTY_QUESTION_LOGS;
    this.questions.set(key, foldQuestion(state.question, state.section, state.visible, logs));
    this.expose(key);
  }

  /** Gives expressions an answer, or takes it from them when its question is not asked. */
  private expose(key: string): void {
    const state = this.questions.get(key);
    const answer = standingAnswer(this.logs.get(key) ?? EMPTY_QUESTION_LOGS);
    if (state?.visible && answer) this.answers[key] = answer.value;
    else delete this.answers[key];
  }

  private dependentsOf(keys: Iterable<string>): string[] {
    return [...keys].flatMap((key) => this.plan.dependents.get(key) ?? []);
  }

  /** Re-decides what is asked, following conditions on conditions in order; gives what changed. */
  private settleVisibility(start: Iterable<string>): Set<string> {
    const rank = (key: string): number => this.plan.rank.get(key) ?? 0;
    const waiting = new Set(start);
    const changed = new Set<string>();
    while (waiting.size > 0) {
      const key = [...waiting].reduce((a, b) => (rank(a) <= rank(b) ? a : b));
      waiting.delete(key);
      const visible = this.plan.conditions.get(key)?.holds(this.answers) ?? true;
      const state = this.questions.get(key);
      if (!state || state.visible === visible) continue;
      const logs = this.logs.get(key) ?? EMPTY_QUESTION_LOGS;
      this.questions.set(key, foldQuestion(state.question, state.section, visible, logs));
      this.expose(key);
      changed.add(key);
      for (const dependent of this.plan.dependents.get(key) ?? []) waiting.add(dependent);
    }
    return changed;
  }

  private sumSection(section: Section): SectionState {
    const questions: QuestionState[] = [];
    let answered = 0;
    for (const { key } of section.questions) {
      const state = this.questions.get(key);
      if (!state?.visible) continue;
      questions.push(state);
      if (isAnswered(state)) answered++;
    }
    return { section, questions, answered, asked: questions.length };
  }

  private sum(dirty: readonly Section[]): SheetState {
    for (const section of dirty) this.sections.set(section.id, this.sumSection(section));
    const sections: SectionState[] = [];
    const looseEnds: LooseEnd[] = [];
    const findings: Finding[] = [];
    const disagreements: string[] = [];
    const editedAfterFinish: string[] = [];
    const { stage, stageEntry } = foldStage(this.stageLog, this.known.size > 0);
    let alerts = 0;
    let answered = 0;
    let asked = 0;
    for (const { id } of this.plan.body.sections) {
      const section = this.sections.get(id);
      if (!section) continue;
      sections.push(section);
      answered += section.answered;
      asked += section.asked;
      for (const state of section.questions) {
        if (state.looseEnds.length > 0) looseEnds.push(...state.looseEnds);
        if (state.finding) findings.push(state.finding);
        if (state.alert) alerts++;
        if (state.disagreement.length > 0) disagreements.push(state.question.key);
        if (stage === 'finished' && stageEntry && changedAfter(state, stageEntry))
          editedAfterFinish.push(state.question.key);
      }
    }
    return {
      stage,
      stageEntry,
      sections,
      looseEnds,
      findings: findings.sort((a, b) => b.severity - a.severity),
      alerts,
      disagreements,
      editedAfterFinish,
      strays: this.strays,
      answered,
      asked,
    };
  }
}

function changedAfter(state: QuestionState, finish: Entry): boolean {
  const last = state.history.at(-1);
  return last !== undefined && last.kind !== 'correct' && last.id > finish.id;
}

function mergeQuestion(
  logs: QuestionLogs,
  path: string,
  aspect: 'answer' | 'reason' | 'photo' | 'stage',
  added: readonly Entry[],
): QuestionLogs {
  if (aspect === 'answer') return { ...logs, answer: mergePath(logs.answer, added) };
  if (aspect === 'reason') return { ...logs, reason: mergePath(logs.reason, added) };
  const photos = new Map(logs.photos);
  photos.set(path, mergePath(photos.get(path) ?? EMPTY_PATH_LOG, added));
  return { ...logs, photos };
}
