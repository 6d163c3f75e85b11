import { rowsOf } from '../rows-of.ts';
import type { SheetAnswers } from '../kit.ts';
import { dangersOf, type Danger } from './dangers.ts';
import type { House } from './dwelling.ts';
import { partsAt } from './house.ts';
import { useOf, type Use } from './heat.ts';
import { MEASURE, measureOf, PARTS, STAND, standOf, THINGS } from './keys/index.ts';
import {
  betters,
  costOf,
  houseAfter,
  measureFrom,
  rebateOf,
  WAYS,
  type Measure,
  type Taken,
  type Way,
} from './measure.ts';
import { numberAt, rowAt, textAt } from './read.ts';

/** A client’s terms, from the catalogue of grants. */
export interface Terms {
  readonly code: string;
  /** Percent of what the house uses that is to be saved; null without a target. */
  readonly target: number | null;
  /** Most that is given back for all measures together; without a programme nothing is. */
  readonly cap: number;
  /** Percent a year. */
  readonly discount: number;
  readonly interest: number;
  readonly months: number;
  readonly order: readonly Way[];
}

export function termsOf(answers: SheetAnswers): Terms {
  const grant = rowAt(answers, 'grant');
  const said = textAt(grant, 'order').split(/[\s,;]+/);
  const order = said.flatMap((word) => WAYS.find((way) => way === word) ?? []);
  return {
    code: textAt(grant, 'row'),
    target: numberAt(grant, 'target'),
    cap: grant ? (numberAt(grant, 'cap') ?? Infinity) : 0,
    discount: numberAt(grant, 'discount') ?? 0,
    interest: numberAt(grant, 'interest') ?? 0,
    months: numberAt(grant, 'months') || 120,
    order: [...order, ...WAYS.filter((way) => !order.includes(way))],
  };
}

/** Why a measure does not count; null where it does. */
export function whyNot(
  { barredBy, programmes }: Measure,
  { code }: Terms,
  dangers: readonly Danger[],
): Danger | 'programme' | null {
  const danger = barredBy.find((each) => dangers.includes(each));
  if (danger) return danger;
  return programmes.length === 0 || programmes.includes(code) ? null : 'programme';
}

/** What is taken up on the sheet, in no order yet; what is barred, or fits nothing, is not among it. */
export function takenUp(answers: SheetAnswers, house: House): readonly Taken[] {
  const terms = termsOf(answers);
  const dangers = dangersOf(answers);
  const counts = (measure: Measure | null): measure is Measure =>
    measure !== null && whyNot(measure, terms, dangers) === null;
  const taken: Taken[] = [];
  const rows = rowsOf(answers[PARTS]);
  partsAt(answers).forEach((place, at) => {
    const measure = measureFrom(rowAt(rows[place], MEASURE));
    const part = house.parts[at];
    if (!part || !counts(measure) || !betters(measure, part)) return;
    taken.push({
      ...{ measure, where: { part: at }, size: part.area },
      isDone: textAt(rows[place], STAND) === 'done',
    });
  });
  for (const thing of THINGS) {
    const measure = measureFrom(rowAt(answers, measureOf(thing)));
    if (!counts(measure) || measure.way !== thing) continue;
    taken.push({
      ...{ measure, where: { thing }, size: 1 },
      isDone: textAt(answers, standOf(thing)) === 'done',
    });
  }
  return taken;
}

/** A measure with what it saves on the house as those before it left it. */
export interface Saving extends Taken {
  /** kWh a year; of a fuel that takes another’s place one falls and one grows. */
  readonly saved: number;
  readonly byFuel: ReadonlyMap<string, number>;
  /** Money and kg of CO₂ a year. */
  readonly money: number;
  readonly emissions: number;
  readonly cost: number;
  readonly rebate: number;
}

export interface Savings {
  readonly each: readonly Saving[];
  readonly before: Use;
  readonly after: Use;
  readonly houseAfter: House;
}

/**
 * One measure after the other, in the programme’s order: the second is counted on the house as the first
 * left it, so that all of them together never save more than the house uses. In whatever order they were
 * entered, the same comes out: of one way, the larger part comes first,
 * then the one that lets more through.
 */
export function savingsOf(
  house: House,
  taken: readonly Taken[],
  { order }: Pick<Terms, 'order'>,
): Savings {
  const rank = (way: Way): number => order.indexOf(way);
  const uOf = ({ where }: Taken): number =>
    'part' in where ? (house.parts[where.part]?.u ?? 0) : 0;
  const sorted = [...taken].sort(
    (a, b) =>
      rank(a.measure.way) - rank(b.measure.way) ||
      b.size - a.size ||
      uOf(b) - uOf(a) ||
      a.measure.code.localeCompare(b.measure.code, 'en'),
  );
  const before = useOf(house);
  let standing = house;
  let use = before;
  const each = sorted.map((one): Saving => {
    standing = houseAfter(standing, one);
    const then = useOf(standing);
    const fuels = new Set([...use.byFuel.keys(), ...then.byFuel.keys()]);
    const saving: Saving = {
      ...one,
      saved: use.total - then.total,
      byFuel: new Map(
        [...fuels].map((fuel) => [
          fuel,
          (use.byFuel.get(fuel) ?? 0) - (then.byFuel.get(fuel) ?? 0),
        ]),
      ),
      money: use.money - then.money,
      emissions: use.emissions - then.emissions,
      cost: costOf(one),
      rebate: rebateOf(one),
    };
    use = then;
    return saving;
  });
  return { each, before, after: use, houseAfter: standing };
}

/** What each of some options for one place would save, kWh a year, with everything else that is taken up. */
export function savedByEach(
  house: House,
  others: readonly Taken[],
  options: readonly Taken[],
): readonly number[] {
  const standing = others.reduce(houseAfter, house);
  const before = useOf(standing).total;
  return options.map((one) => before - useOf(houseAfter(standing, one)).total);
}
