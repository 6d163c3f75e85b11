import type { AnswerValue } from '../../log/index.ts';
import type { Severity } from '../severity.ts';
import type {
  AcknowledgeQuestion,
  ChoiceQuestion,
  ChoicesQuestion,
  Option,
  PerformedQuestion,
  YesNoQuestion,
} from '../template.ts';
import { textOf, twice, type KindRules, type OfferedAnswer } from './rules.ts';

const YES_NO_WORDS: ReadonlyMap<string, string> = new Map([
  ['yes', 'Yes'],
  ['no', 'No'],
  ['na', 'Not applicable'],
]);
const PERFORMED_WORDS: ReadonlyMap<string, string> = new Map([
  ['done', 'Performed'],
  ['not', 'Not performed'],
]);

const offered = (words: ReadonlyMap<string, string>): readonly OfferedAnswer[] =>
  [...words].map(([value, label]) => ({ value, label }));

export const yesNo: KindRules<YesNoQuestion> = {
  sought: 'one of',
  celType: 'string',
  keeps: 'value',
  mayCloseOut: true,
  carries: false,
  problem: (_, value) =>
    typeof value === 'string' && YES_NO_WORDS.has(value)
      ? null
      : 'Answer yes, no or not applicable.',
  say: (_, value) => YES_NO_WORDS.get(textOf(value)) ?? textOf(value),
  judged: true,
  saysWhether: true,
  takesPhotos: true,
  offers: () => offered(YES_NO_WORDS),
  largest: () => 1,
  severity: (question, value) => (value === 'no' ? (question.whenAmiss?.severity ?? 0) : 0),
  amiss: (_, value) => value === 'no',
  points: ({ points }, value) =>
    !points || value === 'na'
      ? null
      : {
          reached: value === 'yes' ? points.good : (points.bad ?? 0),
          possible: Math.max(points.good, points.bad ?? 0),
          ...(value === 'no' && points.stopsEverything ? { stops: true } : {}),
        },
};

export const performed: KindRules<PerformedQuestion> = {
  sought: 'one of',
  celType: 'string',
  keeps: 'value',
  mayCloseOut: true,
  carries: false,
  problem: (_, value) =>
    typeof value === 'string' && PERFORMED_WORDS.has(value)
      ? null
      : 'Say whether it was performed.',
  say: (_, value) => PERFORMED_WORDS.get(textOf(value)) ?? textOf(value),
  judged: true,
  saysWhether: true,
  takesPhotos: true,
  offers: () => offered(PERFORMED_WORDS),
  largest: () => 1,
  severity: (question, value) => (value === 'not' ? (question.whenAmiss?.severity ?? 0) : 0),
  amiss: (_, value) => value === 'not',
  points: ({ points }, value) =>
    points
      ? {
          reached: value === 'done' ? points.good : (points.bad ?? 0),
          possible: Math.max(points.good, points.bad ?? 0),
          ...(value === 'not' && points.stopsEverything ? { stops: true } : {}),
        }
      : null,
};

export const acknowledge: KindRules<AcknowledgeQuestion> = {
  celType: 'bool',
  keeps: 'value',
  mayCloseOut: false,
  carries: false,
  problem: (_, value) => (value === true ? null : 'Acknowledge the instruction, or leave it open.'),
  say: () => 'Acknowledged',
  ofOneVisit: true,
  largest: () => 1,
};

/** An answer of one's own beside the options is kept as its words after this mark. */
const OWN = '~';

export const ownAnswer = (words: string): string => `${OWN}${words.trim()}`;

/** The words of an answer that is not among the options; null for an option. */
export const ownWords = (answer: string): string | null =>
  answer.startsWith(OWN) ? answer.slice(OWN.length) : null;

const sayOption = (options: readonly Option[], key: string): string =>
  ownWords(key) ?? options.find((option) => option.key === key)?.label ?? key;

function fits(
  question: { options: readonly Option[]; somethingElse?: boolean },
  value: unknown,
): boolean {
  if (typeof value !== 'string') return false;
  const own = ownWords(value);
  if (own !== null) return question.somethingElse === true && own.trim() !== '';
  return question.options.some((option) => option.key === value);
}

const mostPoints = (options: readonly Option[]): number =>
  options.reduce((most, { points = 0 }) => Math.max(most, points), 0);

/** A choice that judges is made anew at each visit. */
const onlyFacts = ({ options }: { readonly options: readonly Option[] }): boolean =>
  options.every(({ severity = 0, points }) => severity === 0 && points === undefined);

/** What both kinds of choice have in common. */
const choosing = {
  sought: 'one of',
  judged: true,
  takesPhotos: true,
  begins: {
    options: [
      { key: 'good', label: 'Good' },
      { key: 'bad', label: 'Bad', severity: 2 },
    ],
  },
  offers: ({ options }: { readonly options: readonly Option[] }) =>
    options.map(({ key, label }) => ({ value: key, label })),
  lacks: ({ options }: { readonly options: readonly Option[] }) => {
    if (options.length === 0) return 'offers nothing to choose';
    return twice(options.map(({ key }) => key)) ? 'offers the same answer twice' : null;
  },
} as const;

export const choice: KindRules<ChoiceQuestion> = {
  ...choosing,
  celType: 'string',
  keeps: 'value',
  mayCloseOut: true,
  carries: onlyFacts,
  problem: (question, value) =>
    fits(question, value) ? null : 'Choose one of the answers offered.',
  say: ({ options }, value) => sayOption(options, textOf(value)),
  severity: ({ options }, value) => options.find((o) => o.key === value)?.severity ?? 0,
  points: ({ options }, value) => {
    const chosen = options.find((option) => option.key === value);
    if (chosen?.points === undefined) return null;
    return {
      reached: chosen.points,
      possible: mostPoints(options),
      ...(chosen.stopsEverything ? { stops: true } : {}),
    };
  },
};

const chosenOf = (value: AnswerValue): readonly string[] =>
  Array.isArray(value) ? (value as readonly string[]) : [];

export const choices: KindRules<ChoicesQuestion> = {
  ...choosing,
  largest: ({ options }) => options.length + 1,
  celType: 'list<string>',
  keeps: 'value',
  mayCloseOut: true,
  carries: onlyFacts,
  problem: (question, value) => {
    const list: unknown[] = Array.isArray(value) ? value : [null];
    return list.every((item) => fits(question, item)) && new Set(list).size === list.length
      ? null
      : 'Choose among the answers offered.';
  },
  say: ({ options }, value) =>
    chosenOf(value)
      .map((key) => sayOption(options, key))
      .join(', ') || 'None of them',
  severity: ({ options }, value) =>
    options
      .filter((option) => chosenOf(value).includes(option.key))
      .reduce<Severity>((worst, { severity = 0 }) => (severity > worst ? severity : worst), 0),
};
