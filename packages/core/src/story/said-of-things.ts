import type { ExpectedRange } from '../measure/index.ts';
import {
  inUnit,
  isCarried,
  isReading,
  numberOf,
  sayAnswer,
  type Finding,
  type QuestionState,
  type Severity,
  type SheetState,
} from '../sheet/index.ts';

/** A number that was read at a thing. */
export interface ReadingOfThing {
  /** The question's key: readings of one key make a series. */
  readonly key: string;
  readonly label: string;
  /** UCUM; the value is in it. */
  readonly unit: string;
  readonly value: number;
  readonly at: string;
  readonly expected: ExpectedRange | null;
}

/** A fact somebody wrote down at a thing. */
export interface FactOfThing {
  readonly key: string;
  readonly label: string;
  readonly said: string;
  /** A day of the calendar: written as the face that shows it writes days. */
  readonly day: boolean;
}

/** What one sheet says of one thing: a projection that can be made again at any time. */
export interface SaidOfThing {
  readonly asset: string;
  readonly answered: number;
  readonly asked: number;
  readonly worst: Severity;
  readonly findings: readonly Pick<Finding, 'severity' | 'words'>[];
  readonly readings: readonly ReadingOfThing[];
  readonly facts: readonly FactOfThing[];
  /** SHA-256 of its photos. */
  readonly photos: readonly string[];
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/**
 * What a sheet says of each thing: of the one it is about as a whole (null for none), and of each that
 * has a row in it. What stands in the row of a thing within another's is said of the inner one alone.
 */
export function saidOfThings(sheet: SheetState, about: string | null): SaidOfThing[] {
  const said = new Map<string, Gathered>();
  const look = (questions: readonly QuestionState[], of: string | null): void => {
    for (const state of questions) {
      if (of !== null && state.visible) gather(gatheredOf(said, of), state);
      if (state.question.kind !== 'rows') continue;
      const isOfThings = state.question.of !== undefined;
      for (const row of state.rows)
        look(row.questions, isOfThings && UUID.test(row.id) ? row.id : of);
    }
  };
  for (const section of sheet.sections) look(section.questions, about);
  return [...said].map(([asset, { findings, ...rest }]) => ({
    asset,
    ...rest,
    worst: findings.reduce<Severity>(
      (worst, { severity }) => (severity > worst ? severity : worst),
      0,
    ),
    findings: [...findings].sort((a, b) => b.severity - a.severity),
  }));
}

interface Gathered {
  answered: number;
  asked: number;
  readonly findings: Pick<Finding, 'severity' | 'words'>[];
  readonly readings: ReadingOfThing[];
  readonly facts: FactOfThing[];
  readonly photos: string[];
}

function gatheredOf(said: Map<string, Gathered>, asset: string): Gathered {
  const known = said.get(asset) ?? {
    ...{ answered: 0, asked: 0, findings: [], readings: [], facts: [], photos: [] },
  };
  said.set(asset, known);
  return known;
}

function gather(to: Gathered, state: QuestionState): void {
  const { question, answer, photos, findings, expected } = state;
  to.photos.push(...photos.map(({ value }) => value.sha256));
  // Those of a row group are its rows', which are gathered by themselves.
  if (question.kind === 'rows') return;
  to.findings.push(...findings.map(({ severity, words }) => ({ severity, words })));
  if (question.kind !== 'calculated') to.asked += 1;
  if (!answer) return;
  to.answered += 1;
  const { key, label } = question;
  const number = isReading(question) ? numberOf(answer.value) : null;
  if (number !== null && isReading(question)) {
    const { unit } = question;
    const value = inUnit(number, answer.unit, unit);
    to.readings.push({ key, label, unit, value, at: answer.entry.at, expected });
  } else if (isCarried(question))
    to.facts.push({
      ...{ key, label, day: question.kind === 'date' },
      said: sayAnswer(question, answer.value, answer.unit),
    });
}
