import type { Severity } from './severity.ts';
import type { Finding, Score, SheetState, Stage } from './state.ts';
import { everyQuestion } from './every-question.ts';
import { isSketch } from './kinds/index.ts';

/** What the office needs of a sheet without opening it: a projection that can be rebuilt at any time. */
export interface SheetSummary {
  readonly stage: Stage;
  readonly answered: number;
  readonly asked: number;
  readonly looseEnds: number;
  readonly alerts: number;
  readonly disagreements: number;
  readonly editedAfterFinish: number;
  readonly worst: Severity;
  readonly findings: readonly Finding[];
  readonly score: Score | null;
  readonly finishedAt: string | null;
  /** SHA-256 of every photo and file that belongs to it. */
  readonly photos: readonly string[];
}

/** The summary of a sheet in which nobody has said anything, until it is folded. */
export const EMPTY_SUMMARY: SheetSummary = {
  stage: 'untouched',
  answered: 0,
  asked: 0,
  looseEnds: 0,
  alerts: 0,
  disagreements: 0,
  editedAfterFinish: 0,
  worst: 0,
  findings: [],
  score: null,
  finishedAt: null,
  photos: [],
};

export function summarise(state: SheetState): SheetSummary {
  const media: string[] = [];
  for (const { state: question } of everyQuestion(state)) {
    for (const item of [...question.photos, ...question.files]) media.push(item.value.sha256);
    const drawn = question.answer?.value;
    if (isSketch(drawn) && drawn.under) media.push(drawn.under.sha256);
  }
  return {
    stage: state.stage,
    answered: state.answered,
    asked: state.asked,
    looseEnds: state.looseEnds.length,
    alerts: state.alerts,
    disagreements: state.disagreements.length,
    editedAfterFinish: state.editedAfterFinish.length,
    worst: state.findings[0]?.severity ?? 0,
    findings: state.findings,
    score: state.score,
    finishedAt: state.stage === 'finished' ? (state.stageEntry?.at ?? null) : null,
    photos: media,
  };
}
