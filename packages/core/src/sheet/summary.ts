import { isPhoto } from './answer.ts';
import type { Severity } from './severity.ts';
import type { Finding, SheetState, Stage } from './state.ts';

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
  readonly finishedAt: string | null;
  readonly photos: readonly string[];
}

export function summarise(state: SheetState): SheetSummary {
  const photos = state.sections.flatMap((section) =>
    section.questions.flatMap((question) => question.photos.map((photo) => photo.value)),
  );
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
    finishedAt: state.stage === 'finished' ? (state.stageEntry?.at ?? null) : null,
    photos: photos.filter(isPhoto).map((photo) => photo.sha256),
  };
}
