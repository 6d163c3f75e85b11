import {
  COVER_PATH,
  differingHeads,
  EMPTY_PATH_LOG,
  PROGRAMME_PATH,
  type Entry,
  type PathLog,
} from '../log/index.ts';
import { standing } from './fold-question.ts';
import type { SheetPlan } from './planned.ts';
import { reckonedValue } from './reckon.ts';
import { addAll, addUp, gatherDisagreements, gatherOverBudget, type Scope } from './row-group.ts';
import { scoreOf } from './score.ts';
import type { Standing } from './stage.ts';
import type { QuestionState, SectionState, SheetState } from './state.ts';
import type { Programme, Section } from './template.ts';

/** A section from the states of its questions. */
export function sumSection(section: Section, root: Scope): SectionState {
  const questions: QuestionState[] = [];
  const disagreements: string[] = [];
  const overBudget: string[] = [];
  for (const { key } of section.questions) {
    const cell = root.cells.get(key);
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

/** What is summed up of a sheet beside its sections. */
export interface Sums {
  readonly standing: Standing;
  /** What came after the finish or approval it stands at. */
  readonly late: readonly Entry[];
  readonly sheetLogs: ReadonlyMap<string, PathLog>;
  readonly programme: Programme | null;
  readonly strays: readonly Entry[];
  readonly root: Scope;
}

/** A sheet from its sections, in the order of the template. */
export function sumSheet(
  { body, questions, reckoning }: SheetPlan,
  sections: readonly SectionState[],
  { standing: stands, late, sheetLogs, programme, strays, root }: Sums,
): SheetState {
  const { stage, stageEntry } = stands;
  const unapproved = stage === 'approved' && late.length > 0;
  const differing = differingHeads(sheetLogs.get(PROGRAMME_PATH) ?? EMPTY_PATH_LOG);
  const programmeConflict = differing.length > 1 ? differing : [];
  const tally = addUp(sections.map((section) => section.tally));
  const blocking = sections.findIndex((section) => section.looseEnds.length > 0);
  const cover = standing(sheetLogs.get(COVER_PATH) ?? EMPTY_PATH_LOG)?.value;
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
    editedAfterFinish: [...new Set(late.map(({ path }) => path))].sort(),
    formerApproval: unapproved ? stageEntry : null,
    overBudget: joined(sections.map((section) => section.overBudget)),
    programme,
    reckoned: (reckoning?.results ?? [])
      .filter(({ needs }) => needs === undefined || questions.has(needs))
      .map((offer) => ({
        ...offer,
        value: reckonedValue(root.answers[offer.name]),
      })),
    cover: typeof cover === 'string' ? cover : null,
    strays,
    answered: tally.answered,
    asked: tally.asked,
  };
}

/** Lists after one another; of a long sheet's, far faster than flatMap. */
function joined<Item>(lists: readonly (readonly Item[])[]): readonly Item[] {
  const [only, ...more] = lists.filter((list) => list.length > 0);
  if (only && more.length === 0) return only;
  const all: Item[] = [];
  for (const list of lists) addAll(all, list);
  return all;
}
