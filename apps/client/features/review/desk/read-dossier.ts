import type { Dossier } from '@ant-trail/contract/review';
import { needsEyes } from '@ant-trail/core/review';
import {
  everyQuestion,
  OpenSheet,
  planSheet,
  type QuestionState,
  type SheetState,
} from '@ant-trail/core/sheet';

/** A dossier folded for reading. */
export interface ReadingState {
  readonly open: OpenSheet;
  readonly state: SheetState;
  readonly questions: ReadonlyMap<string, QuestionState>;
  /** The first answer that needs eyes, else the first of all. */
  readonly first: string | null;
}

const read = new WeakMap<Dossier, ReadingState>();

export function readDossier(dossier: Dossier): ReadingState {
  const known = read.get(dossier);
  if (known) return known;
  const open = new OpenSheet(planSheet(dossier.version.body));
  const state = open.add(dossier.entries);
  const all = [...everyQuestion(state)].map((stop) => stop.state);
  const worst =
    all.find((question) => question.alert ?? question.findings[0]) ?? all.find(needsEyes) ?? all[0];
  const reading: ReadingState = {
    open,
    state,
    questions: new Map(all.map((question) => [question.path, question])),
    first: worst?.path ?? null,
  };
  read.set(dossier, reading);
  return reading;
}
