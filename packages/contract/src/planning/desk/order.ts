import { z } from 'zod';
import { Day, Id, MinuteOfDay } from '../../common/index.ts';

/** How many visits of one day are put in order. */
export const MOST_IN_ORDER = 3_000;

/** Which day is to be put in a better order, and from which order to look on. */
export const OrderAsk = z
  .object({
    day: Day,
    /** Only these people and what they have; everybody with a trail where left out. */
    people: z.array(Id).min(1).max(500).exactOptional(),
    /** How long to look, in seconds. */
    seconds: z.number().min(0.1).max(5).default(1),
    evenly: z.boolean().default(false),
    from: z
      .array(z.object({ person: Id, visits: z.array(Id).max(MOST_IN_ORDER) }).strict())
      .max(500)
      .exactOptional(),
  })
  .strict();
export type OrderAsk = z.infer<typeof OrderAsk>;

const OnTheWay = z.object({ minutes: z.int(), metres: z.int() });

export const NotPlaced = z.discriminatedUnion('code', [
  z.object({ code: z.literal('suits nobody') }),
  z.object({ code: z.literal('too much'), measure: z.string() }),
  z.object({
    code: z.literal('out of reach'),
    soonest: z.int().nullable(),
    until: z.int().nullable(),
  }),
  z.object({ code: z.literal('days are full'), could: z.array(Id) }),
]);
export type NotPlaced = z.infer<typeof NotPlaced>;

export const DayChange = z.object({
  person: Id,
  reordered: z.array(Id),
  takes: z.array(z.object({ visit: Id, from: Id.nullable() })),
  gives: z.array(z.object({ visit: Id, to: Id.nullable() })),
  /** On the way more; less below 0. */
  minutes: z.int(),
});
export type DayChange = z.infer<typeof DayChange>;

export const OrderAnswer = z.object({
  before: OnTheWay,
  after: OnTheWay,
  trails: z.array(
    z.object({ person: Id, stops: z.array(z.object({ visit: Id, start: z.int() })) }),
  ),
  /** Parts that can each be taken alone, those that save most first. */
  changes: z.array(z.object({ people: z.array(DayChange), minutes: z.int() })),
  leftOut: z.array(z.object({ visit: Id, why: NotPlaced })),
});
export type OrderAnswer = z.infer<typeof OrderAnswer>;

/** Without a day it is that of all of them. */
const Held = { person: Id.nullable(), day: Day.exactOptional(), start: MinuteOfDay };

/** Visits that change hands, hours or days at once: all of them or none. */
export const PlansTaken = z
  .object({
    day: Day,
    plans: z
      .array(z.object({ visit: Id, was: z.object(Held).strict(), ...Held }).strict())
      .min(1)
      .max(500),
  })
  .strict();
export type PlansTaken = z.infer<typeof PlansTaken>;
