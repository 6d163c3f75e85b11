import type { Program } from '../logic/index.ts';
import { questionAtPath, sayState, type SheetPlan, type SheetState } from '../sheet/index.ts';

/** One rule about a question, with what it reads as it stands now. */
export interface Reason {
  readonly source: string;
  /** As in “Ground wet”: the answers the rule reads. */
  readonly reads: readonly string[];
}

export interface Explanation {
  readonly asked: boolean;
  readonly required: boolean;
  /** Why it is asked or not; empty for a question that always is. */
  readonly askedBecause: readonly Reason[];
  readonly requiredBecause: readonly Reason[];
  /** The programme that leaves it out or requires it. */
  readonly programme: string | null;
}

/**
 * Says why a question is asked and required, or not, by its rules and the answers they read. For
 * a question in rows, of the first row.
 */
export function explain(plan: SheetPlan, state: SheetState, key: string): Explanation | null {
  const planned = plan.questions.get(key);
  if (!planned) return null;
  const { question, groups } = planned;
  const path = firstPath(state, groups, key);
  const shown = path === null ? null : questionAtPath(state, path);
  const reason = (program: Program): Reason => ({
    source: program.source,
    reads: [...program.reads.names].flatMap((name) => {
      const read = plan.questions.get(name);
      if (!read) return [];
      const at = firstPath(state, read.groups, name);
      const found = at === null ? null : questionAtPath(state, at);
      const said = found ? sayState(found, (day) => day) : 'not asked';
      return [`${read.question.label}: ${said}`];
    }),
  });
  const { programme } = state;
  const named = programme && (programme.leftOut.includes(key) || programme.required.includes(key));
  return {
    asked: shown !== null,
    required: shown?.required ?? false,
    askedBecause: planned.visible.map(reason),
    requiredBecause: question.required || !planned.required ? [] : [reason(planned.required)],
    programme: named ? programme.name : null,
  };
}

/** The path of a question in the first row of each group it stands in; null while there is none. */
function firstPath(state: SheetState, groups: readonly string[], key: string): string | null {
  let scope = '';
  for (const group of groups) {
    const row = questionAtPath(state, scope + group)?.rows[0];
    if (!row) return null;
    scope = `${row.path}/`;
  }
  return scope + key;
}
