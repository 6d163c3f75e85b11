import { lookedUp, type Catalogue } from '@ant-trail/core/catalogues';
import type { Danger, Measure, Taken } from '@ant-trail/core/trades/energy';
import {
  MEASURE,
  measureOf,
  STAND,
  standOf,
  THINGS,
  type Thing,
} from '@ant-trail/core/trades/energy/keys';
import type { Said } from '../part.ts';
import type { EnergyNow } from './use-energy.ts';

/** One thing a measure may be taken up for, as the sheet asks for it. */
export interface Place {
  readonly key: string;
  readonly name: string;
  readonly about: string;
  readonly where: Taken['where'];
  readonly measureAt: string;
  readonly standAt: string;
  /** What is taken up there. */
  readonly taken: Taken | null;
  readonly offers: readonly Offer[];
}

export interface Offer {
  readonly measure: Measure;
  /** kWh a year with everything else that is taken up; net cost before the cap on all. */
  readonly saved: number;
  readonly net: number;
  readonly barred: Danger | null;
}

const THING_NAMES: Readonly<Record<Thing, string>> = {
  air: 'Air through gaps',
  heat: 'Heating',
  water: 'Warm water',
  base: 'Lights and appliances',
};

/** Every place something can be taken up, with what is offered there; dearest loss first among the parts. */
export function placesOf(now: EnergyNow): readonly Place[] {
  const { kit, survey, measures, dangers, rows } = now;
  const { house, savings, terms } = survey;
  const allowed = measures.filter((measure) => kit.whyNot(measure, terms, dangers) !== 'programme');
  const offersAt = (
    where: Taken['where'],
    size: number,
    fits: (measure: Measure) => boolean,
  ): Offer[] => {
    const others = savings.each.filter((one) => !kit.isSamePlace(one.where, where));
    const options = allowed
      .filter(fits)
      .map((measure) => ({ measure, where, size, isDone: false }));
    const saved = kit.savedByEach(house, others, options);
    return options
      .map((one, at): Offer => {
        const why = kit.whyNot(one.measure, terms, dangers);
        return {
          ...{ measure: one.measure, saved: saved[at] ?? 0 },
          net: kit.costOf(one) - kit.rebateOf(one),
          barred: why === 'programme' ? null : why,
        };
      })
      .sort((a, b) => b.saved / b.net - a.saved / a.net);
  };
  const takenAt = (where: Taken['where']): Taken | null =>
    savings.each.find((one) => kit.isSamePlace(one.where, where)) ?? null;
  const parts = house.parts.map((part, at): Place => {
    const where = { part: at };
    const row = rows[at];
    return {
      ...{ key: row?.path ?? String(at), name: row?.name ?? '', where, taken: takenAt(where) },
      about: `${sayOne(part.area)} m², U ${part.u.toFixed(2)}`,
      ...{ measureAt: `${row?.path}/${MEASURE}`, standAt: `${row?.path}/${STAND}` },
      offers: offersAt(where, part.area, (measure) => kit.betters(measure, part)),
    };
  });
  const things = THINGS.map((thing): Place => {
    const where = { thing };
    return {
      ...{ key: thing, name: THING_NAMES[thing], about: '', where, taken: takenAt(where) },
      ...{ measureAt: measureOf(thing), standAt: standOf(thing) },
      offers: offersAt(where, 1, (measure) => kit.thingOf(measure) === thing),
    };
  });
  return [...parts, ...things].filter(({ offers, taken }) => offers.length > 0 || taken !== null);
}

const sayOne = (value: number): string => (Math.round(value * 10) / 10).toString();

/** What is said to take a measure up at a place, or to take it back. */
export function saidFor(
  { measureAt, standAt }: Pick<Place, 'measureAt' | 'standAt'>,
  measure: Measure | null,
  list: Catalogue,
): readonly Said[] {
  const row = measure && list.rows.find(({ code }) => code === measure.code);
  return [
    { path: measureAt, value: row ? lookedUp(list.key, row) : null },
    { path: standAt, value: row ? 'proposed' : null },
  ];
}

/** What is said to take several up in one go. */
export function saidForAll(
  now: EnergyNow,
  taken: readonly Taken[],
  list: Catalogue,
): readonly Said[] {
  const places = placesOf(now);
  return taken.flatMap(({ where, measure }) => {
    const place = places.find((each) => now.kit.isSamePlace(each.where, where));
    return place ? saidFor(place, measure, list) : [];
  });
}
