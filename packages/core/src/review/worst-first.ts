import { rulesOf, type QuestionState, type SheetSummary } from '../sheet/index.ts';

/**
 * How much a sheet needs eyes; larger comes first. Danger outranks any number of lesser things,
 * a disagreement outranks an edit after finishing.
 */
export function needOfEyes(summary: SheetSummary): number {
  return (
    summary.worst * 1000 +
    Math.min(summary.disagreements, 9) * 100 +
    Math.min(summary.alerts, 9) * 10 +
    Math.min(summary.editedAfterFinish, 9)
  );
}

/** What makes a sheet stand out, in words; empty when nothing is unusual. */
export function standsOut(summary: SheetSummary): string[] {
  const many = (count: number, one: string, more: string): string[] =>
    count === 0 ? [] : [`${count} ${count === 1 ? one : more}`];
  return [
    ...many(summary.alerts, 'reading out', 'readings out'),
    ...many(summary.findings.length - summary.alerts, 'finding', 'findings').filter(
      () => summary.findings.length > summary.alerts,
    ),
    ...many(summary.disagreements, 'differs', 'differ'),
    ...many(summary.editedAfterFinish, 'changed after finishing', 'changed after finishing'),
  ];
}

/** Whether an answer needs eyes; the others are folded away as usual. */
export function needsEyes(state: QuestionState): boolean {
  return (
    state.alert !== null ||
    state.findings.length > 0 ||
    state.disagreement.length + state.conflicts.length > 0 ||
    state.photos.length + state.files.length > 0 ||
    rulesOf(state.question).alwaysSeen === true ||
    state.looseEnds.length > 0 ||
    state.closedOut !== null ||
    state.rows.some(
      (row) => row.removal !== null || row.naming.length > 0 || row.questions.some(needsEyes),
    ) ||
    state.history.some((entry) => entry.kind === 'correct')
  );
}
