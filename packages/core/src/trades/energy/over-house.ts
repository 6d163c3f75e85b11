import { roundDecimal } from '../../measure/index.ts';
import type { Reckoned, Reckoning, ResultOffer, SheetAnswers } from '../kit.ts';
import { flowAt, leakageArea, ventilation } from './air.ts';
import { dangersOf } from './dangers.ts';
import { AT_50_TO_NATURAL } from './heat.ts';
import type { House } from './dwelling.ts';
import { PARTS } from './keys/index.ts';
import { AFTER, BEFORE, houseOf, lineAt } from './house.ts';
import { onLine, type PressureLine } from './pressure-line.ts';
import { savingsOf, takenUp, termsOf, type Savings, type Terms } from './taken-up.ts';
import { worthOf } from './worth.ts';

/** What a survey comes to so far; null while the house is not known well enough. */
export interface Survey {
  readonly house: House;
  readonly savings: Savings;
  readonly terms: Terms;
}

export function surveyOf(answers: SheetAnswers): Survey | null {
  const house = houseOf(answers);
  if (!house || house.parts.length === 0) return null;
  const terms = termsOf(answers);
  return { house, terms, savings: savingsOf(house, takenUp(answers, house), terms) };
}

/** What is wanted to be saved, kWh a year; null without a target. */
export const wantedOf = ({ savings: { before }, terms: { target } }: Survey): number | null =>
  target === null ? null : (before.total * target) / 100;

const number = (name: string, label: string, about: string, unit?: string): ResultOffer => ({
  ...{ name, label, about, type: 'double' },
  ...(unit === undefined ? {} : { unit }),
});
/** One that is shown where it belongs, not above the sheet. */
const aside = (offer: ResultOffer): ResultOffer => ({ ...offer, aside: true });

const AIR_RESULTS: readonly ResultOffer[] = [
  number(
    'leakExponent',
    'Flow exponent',
    'n of the line through the pressure points (ISO 9972).',
    '1',
  ),
  number('leakCoefficient', 'Flow coefficient', 'C of that line, m³/(h·Paⁿ) (ISO 9972).'),
  number('leakFlow', 'Flow at 50 Pa', 'By the line, m³/h (ISO 9972).', 'm3/h'),
  number('leakChanges', 'Air changes at 50 Pa', 'By the line and the volume, each hour.', '/h'),
  number('leakOpening', 'Leaks together', 'As one opening at 4 Pa, cm² (ISO 9972).', 'cm2'),
  number('leakAfter', 'Flow at 50 Pa afterwards', 'By the points after the work, m³/h.', 'm3/h'),
  number(
    'airWanted',
    'Ventilation needed',
    'By floor and bedrooms, m³/h (ASHRAE 62.2-2016; from memory).',
    'm3/h',
  ),
].map(aside);

const RESULTS: readonly ResultOffer[] = [
  ...[
    number('savedSoFar', 'Saved', 'What all measures together save, kWh a year.', 'kW.h'),
    number('netOfAll', 'Net cost', 'Cost of all measures less what is given back.'),
    number('paidBackIn', 'Years to pay back', 'Until the saving has paid for the net cost.'),
  ].map((offer) => ({ ...offer, needs: PARTS })),
  ...[
    number('usedBefore', 'Used as it stands', 'All fuels, kWh a year.', 'kW.h'),
    number('usedThen', 'Used then', 'All fuels with every measure, kWh a year.', 'kW.h'),
    number('wantedSaving', 'Wanted', 'What the programme wants saved, kWh a year.', 'kW.h'),
    number('costOfAll', 'Cost', 'Of all measures.'),
    number('rebateOfAll', 'Given back', 'By the programme, up to its cap.'),
    number('savedMoney', 'Saved each year', 'By the prices of the fuels.'),
    number('loanEachMonth', 'Loan, each month', 'Of the net cost, by the programme’s terms.'),
    number('worthNow', 'Worth now', 'Net present value of all measures, each as long as it lasts.'),
    number('emissionsSaved', 'CO₂ saved', 'kg a year.', 'kg'),
  ].map(aside),
  {
    ...{ name: 'barredBy', label: 'Barred by', type: 'string', aside: true },
    about: 'Dangers that bar tests and measures until they are resolved, such as “combustion”.',
  },
  {
    ...{ name: 'tooTight', label: 'Too tight', type: 'bool', aside: true },
    about:
      'Whether less air comes through gaps than the house needs: it wants ventilation (ASHRAE 62.2-2016).',
  },
  ...AIR_RESULTS,
];

/** m³/h in a cfm. */
const CFM = 1.699_010_796;
const SQUARE_FEET = 10.763_910_417;

function airOf(answers: SheetAnswers, house: House): Reckoned {
  const wanted = ventilation(house.floor * SQUARE_FEET, house.bedrooms) * CFM;
  const line = lineAt(answers, BEFORE);
  return { airWanted: wanted, ...(line ? leaksOf(line, house.volume) : {}) };
}

/** A check visit has the test afterwards, and no survey. */
function leakAfterOf(answers: SheetAnswers): Reckoned {
  const line = lineAt(answers, AFTER);
  return line ? { leakAfter: onLine(line, 50) } : {};
}

function leaksOf(line: PressureLine, volume: number): Reckoned {
  const flow = onLine(line, 50);
  const isLikely = line.exponent >= 0.5 && line.exponent <= 1;
  return {
    ...{ leakExponent: line.exponent, leakCoefficient: line.coefficient, leakFlow: flow },
    leakChanges: flow / volume,
    ...(isLikely && flowAt(flow, 50, line.exponent, 4) > 0
      ? { leakOpening: leakageArea(flow, line.exponent) }
      : {}),
  };
}

/** Goes over the whole house: what it uses, what is taken up, what that saves, costs and gives back. */
export const OVER_HOUSE: Reckoning = {
  results: RESULTS,
  run: (answers: SheetAnswers): Reckoned => {
    const barredBy = dangersOf(answers).join(', ');
    const house = houseOf(answers);
    const survey = surveyOf(answers);
    const air = { ...leakAfterOf(answers), ...(house ? airOf(answers, house) : {}) };
    if (!survey) return { barredBy, ...air };
    const { savings, terms } = survey;
    const worth = worthOf(savings, terms);
    const wanted = wantedOf(survey);
    const flow = savings.houseAfter.flow50;
    return {
      ...{ barredBy, ...air },
      usedBefore: savings.before.total,
      usedThen: savings.after.total,
      savedSoFar: savings.before.total - savings.after.total,
      ...(wanted === null ? {} : { wantedSaving: wanted }),
      ...{ costOfAll: worth.cost, rebateOfAll: worth.rebate, netOfAll: worth.net },
      savedMoney: worth.yearly,
      ...(savings.each.length > 0 && Number.isFinite(worth.payback)
        ? { paidBackIn: roundDecimal(worth.payback, 1) }
        : {}),
      ...{ loanEachMonth: worth.loan, worthNow: worth.presentValue },
      emissionsSaved: savings.before.emissions - savings.after.emissions,
      ...(flow === null || typeof air.airWanted !== 'number'
        ? {}
        : { tooTight: flow / AT_50_TO_NATURAL < air.airWanted }),
    };
  },
};
