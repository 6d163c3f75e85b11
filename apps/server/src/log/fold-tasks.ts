import { answerTable, type TableCell } from '@ant-trail/core/exchange';
import type { Entry, SketchValue } from '@ant-trail/core/log';
import { recordedOf, type Recorded } from '@ant-trail/core/records';
import { thingsIn, type RowThing } from '@ant-trail/core/register';
import {
  answersToCarry,
  fold,
  isSketch,
  planSheet,
  problemsOf,
  questionAtPath,
  readingsOf,
  summarise,
  toldBy,
  type LastAnswer,
  type Part,
  type SheetPlan,
  type SheetReading,
  type SheetState,
  type SheetSummary,
  type TemplateBody,
  type TemplateProblem,
  type Told,
} from '@ant-trail/core/sheet';
import { saidOfThings, type SaidOfThing } from '@ant-trail/core/story';

/** A sheet as it crosses to the worker: its log as the text the database gave, read over there. */
export interface SheetAsText {
  /** Id of the template version: its plan is made once. */
  readonly version: string;
  readonly body: TemplateBody;
  readonly entries: string;
}

/** All that is projected from a sheet's log. */
export interface Projection {
  readonly summary: SheetSummary;
  readonly readings: readonly SheetReading[];
  readonly things: readonly RowThing[];
  readonly carried: readonly LastAnswer[];
  readonly said: readonly SaidOfThing[];
  readonly record: Recorded;
  /** The approval it stands at, with its answers as they were then. */
  readonly approval: { readonly entry: Entry; readonly answers: TableCell[][] } | null;
}

export interface NameOf {
  readonly id: string;
  readonly name: string;
}

/** What a fold worker can be asked for, by name. */
export interface FoldTasks {
  project: {
    /** With the thing the whole sheet is about. */
    ask: { sheet: SheetAsText; people: readonly NameOf[]; about: string | null };
    answer: Projection;
  };
  table: { ask: { sheet: SheetAsText; people: readonly NameOf[] }; answer: TableCell[][] };
  sketch: { ask: { sheet: SheetAsText; path: string }; answer: FoundSketch | null };
  check: { ask: { body: TemplateBody }; answer: TemplateProblem[] };
  /** What a sheet tells the one that follows it. */
  tell: { ask: { sheet: SheetAsText }; answer: Told };
}
export type FoldTask = keyof FoldTasks;

export interface FoundSketch {
  readonly label: string;
  readonly sketch: SketchValue;
  readonly symbols: readonly Part[] | undefined;
}

const plans = new Map<string, SheetPlan>();
const PLANS_KEPT = 100;

function planOf({ version, body }: SheetAsText): SheetPlan {
  const known = plans.get(version);
  if (known) return known;
  const plan = planSheet(body);
  const oldest = plans.keys().next();
  if (plans.size >= PLANS_KEPT && !oldest.done) plans.delete(oldest.value);
  plans.set(version, plan);
  return plan;
}

const stateOf = (sheet: SheetAsText): SheetState =>
  fold(planOf(sheet), JSON.parse(sheet.entries) as Entry[]);

const namer = (people: readonly NameOf[]): ((id: string) => string) => {
  const names = new Map(people.map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? '';
};

type Doers = {
  readonly [Task in FoldTask]: (ask: FoldTasks[Task]['ask']) => FoldTasks[Task]['answer'];
};

const DOERS: Doers = {
  project: ({ sheet, people, about }) => {
    const state = stateOf(sheet);
    const { stage, stageEntry } = state;
    return {
      summary: summarise(state),
      readings: readingsOf(state),
      things: thingsIn(state),
      carried: answersToCarry(state, sheet.body),
      said: saidOfThings(state, about),
      record: recordedOf(state),
      approval:
        stage === 'approved' && stageEntry
          ? { entry: stageEntry, answers: answerTable(state, namer(people)) }
          : null,
    };
  },
  table: ({ sheet, people }) => answerTable(stateOf(sheet), namer(people)),
  sketch: ({ sheet, path }) => {
    const found = questionAtPath(stateOf(sheet), path);
    const sketch = found?.answer?.value;
    if (found?.question.kind !== 'sketch' || !isSketch(sketch)) return null;
    const { label, symbols } = found.question;
    return { label, sketch, symbols };
  },
  check: ({ body }) => problemsOf(body),
  tell: ({ sheet }) => toldBy(stateOf(sheet), sheet.body),
};

/** Does one task; the worker thread's whole work. */
export function doFoldTask<Task extends FoldTask>(
  task: Task,
  ask: FoldTasks[Task]['ask'],
): FoldTasks[Task]['answer'] {
  return DOERS[task](ask);
}
