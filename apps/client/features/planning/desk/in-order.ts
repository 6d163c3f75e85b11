import type {
  DayChange,
  OrderAnswer,
  PlansTaken,
  BoardStop,
} from '@ant-trail/contract/planning/desk';
import { grouped } from './board/board-stops.ts';

type Change = OrderAnswer['changes'][number];
type Plan = PlansTaken['plans'][number];

/** What becomes of visits where some changes of an order are taken: only those that become other. */
export function plansFor(
  order: OrderAnswer,
  changes: readonly Change[],
  cards: readonly BoardStop[],
): Plan[] {
  const known = new Map(cards.map(({ visit }) => [visit.id, visit]));
  const people = changes.flatMap((each) => each.people);
  const theirs = new Set(people.map(({ person }) => person));
  const placed = order.trails
    .filter(({ person }) => theirs.has(person))
    .flatMap(({ person, stops }) => stops.map((stop) => ({ ...stop, person })));
  const left = people.flatMap(({ gives }) => gives.filter(({ to }) => to === null));
  return [
    ...placed.map(({ visit, person, start }) => ({ visit, person, start })),
    ...left.map(({ visit }) => ({ visit, person: null, start: known.get(visit)?.start ?? 0 })),
  ].flatMap((plan) => {
    const was = known.get(plan.visit);
    if (!was || (was.person === plan.person && was.start === plan.start)) return [];
    return [{ ...plan, was: { person: was.person, start: was.start } }];
  });
}

/** The day as it would be with these plans. */
export function cardsWith(cards: readonly BoardStop[], plans: readonly Plan[]): BoardStop[] {
  const planned = new Map(plans.map((plan) => [plan.visit, plan]));
  return cards.map((card) => {
    const plan = planned.get(card.visit.id);
    if (!plan) return card;
    return { ...card, visit: { ...card.visit, person: plan.person, start: plan.start } };
  });
}

/** The visits that a change is about: those that stand elsewhere or come from somebody else. */
export const changedIn = (changes: readonly Change[]): ReadonlySet<string> =>
  new Set(
    changes.flatMap(({ people }) =>
      people.flatMap(({ reordered, takes }) => [...reordered, ...takes.map(({ visit }) => visit)]),
    ),
  );

/** How many stops go to somebody else, from nobody’s hand included. */
export const handsChanged = (changes: readonly Change[]): number =>
  changes.reduce(
    (sum, { people }) => sum + people.reduce((own, { takes }) => own + takes.length, 0),
    0,
  );

/** How many of the promised times an order does not keep; what is left out keeps none. */
export function promisesMissed(order: OrderAnswer, cards: readonly BoardStop[]): number {
  const starts = new Map(
    order.trails.flatMap(({ stops }) => stops.map(({ visit, start }) => [visit, start] as const)),
  );
  const left = new Set(order.leftOut.map(({ visit }) => visit));
  return cards.filter(({ visit, job: { windowFrom, windowTo } }) => {
    const start = starts.get(visit.id);
    if (start === undefined)
      return left.has(visit.id) && (windowFrom !== null || windowTo !== null);
    return start < (windowFrom ?? start) || start > (windowTo ?? start);
  }).length;
}

/** The names a change is said with. */
export interface Naming {
  readonly place: (visit: string) => string;
  readonly person: (id: string) => string;
}

const MOST_SAID = 3;
const joined = new Intl.ListFormat('en-GB', { type: 'conjunction' });

const sayPlaces = (visits: readonly string[], place: Naming['place']): string => {
  const more = visits.length - MOST_SAID;
  return joined.format(
    more > 0
      ? [...visits.slice(0, MOST_SAID).map(place), `${more} more`]
      : visits.map((visit) => place(visit)),
  );
};

/** What becomes other for one person, in words without their name. */
export function sayDayChange(
  { person, reordered, takes, gives }: DayChange,
  order: OrderAnswer,
  { place, person: name }: Naming,
): string {
  const taken = [...grouped(takes, ({ from }) => from)].map(([from, own]) => {
    const places = sayPlaces(
      own.map(({ visit }) => visit),
      place,
    );
    return from === null ? `takes ${places}` : `takes ${places} from ${name(from)}`;
  });
  const given = [...grouped(gives, ({ to }) => to)].map(([to, own]) => {
    const visits = own.map(({ visit }) => visit);
    if (to === null) return `leaves out ${sayPlaces(visits, place)}`;
    // Which these are stands with whoever takes them.
    return visits.length > 1
      ? `gives ${visits.length} stops to ${name(to)}`
      : `gives ${sayPlaces(visits, place)} to ${name(to)}`;
  });
  const stops = order.trails.find((trail) => trail.person === person)?.stops ?? [];
  const moved = reordered.slice(0, 2).map((visit) => {
    const at = stops.findIndex((stop) => stop.visit === visit);
    // Two visits may be at one place: what comes after both is what tells where it stands.
    const next = stops.slice(at + 1).find((stop) => place(stop.visit) !== place(visit));
    return next ? `${place(visit)} before ${place(next.visit)}` : `${place(visit)} last`;
  });
  const more = reordered.length - moved.length;
  return [...taken, ...given, ...moved, ...(more > 0 ? [`${more} more moved`] : [])].join('; ');
}
