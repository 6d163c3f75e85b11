import { LONGEST_NAME, LONGEST_TEXT, MOST_ROWS } from './catalogue.ts';
import type { Catalogue, CatalogueRow } from './catalogue.ts';

/**
 * What the office knows anyway and questions can look up like a catalogue: nobody imports these
 * lists, and no catalogue may have their names.
 */
export const OUR_LISTS = [
  { key: 'our_things', name: 'What stands at the place' },
  { key: 'our_contacts', name: 'People to call or write to' },
  { key: 'our_clients', name: 'Clients' },
  { key: 'our_owners', name: 'Owners' },
] as const;
export type OurList = (typeof OUR_LISTS)[number]['key'];

export const isOurList = (key: string): key is OurList =>
  OUR_LISTS.some((each) => each.key === key);

const nameOf = (list: OurList): string => OUR_LISTS.find(({ key }) => key === list)?.name ?? '';

/** A thing of the register, as far as lists show it. */
export interface ListedThing {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  /** What it stands in, in words; empty where it stands at the place itself. */
  readonly where: string;
  /** The short number of its label; empty where it has none. */
  readonly number: string;
  /** What is known of it, as people read it or as a number, by the key of the field. */
  readonly facts: Readonly<
    Record<string, { readonly label: string; readonly is: string | number }>
  >;
}

/** A place with whom it belongs to, as far as lists show it. */
export interface ListedPlace {
  readonly id: string;
  readonly name: string;
  readonly client: string;
  readonly owner?: string | undefined;
  readonly contacts: readonly {
    readonly name: string;
    readonly role: string;
    readonly phone: string;
    readonly email: string;
  }[];
}

const text = (key: string, label: string) => ({ key, label, kind: 'text' as const });

const THING_COLUMNS = [text('kind', 'kind'), text('stands_in', 'in'), text('number', 'label')];
const CONTACT_COLUMNS = [
  ...[text('role', 'role'), text('phone', 'telephone')],
  ...[text('email', 'mail'), text('place', 'of')],
];

/** Only what says something, as long as an answer can hold it. */
const saying = (fields: Record<string, string | number>): Record<string, string | number> =>
  Object.fromEntries(
    Object.entries(fields)
      .filter(([, value]) => value !== '')
      .map(([key, value]) => [
        key,
        typeof value === 'string' ? value.slice(0, LONGEST_TEXT) : value,
      ]),
  );

/** The things of one place; a row is known by the id of its thing, which nobody is shown. */
export function thingsToLookUp(things: readonly ListedThing[]): Catalogue {
  const more = new Map<string, Catalogue['columns'][number]>();
  const own = new Set(THING_COLUMNS.map(({ key }) => key));
  const rows = things.slice(0, MOST_ROWS).map(({ id, name, kind, where, number, facts }) => {
    const known: Record<string, string | number> = {};
    for (const [key, { label, is }] of Object.entries(facts)) {
      if (own.has(key)) continue;
      known[key] = is;
      const column = { key, label, kind: typeof is === 'number' ? 'number' : 'text' } as const;
      // Two kinds of thing may mean different things by one key: text holds both.
      const before = more.get(key);
      more.set(key, before && before.kind !== column.kind ? text(key, before.label) : column);
    }
    return { code: id, label: name, fields: saying({ kind, stands_in: where, number, ...known }) };
  });
  const key = 'our_things';
  return { key, name: nameOf(key), columns: [...THING_COLUMNS, ...more.values()], rows };
}

/** Whom to call or write to: those of the place one is at first. */
export function contactsToLookUp(places: readonly ListedPlace[], here: string | null): Catalogue {
  const rows = new Map<string, CatalogueRow>();
  const inOrder = [...places].sort((a, b) => Number(b.id === here) - Number(a.id === here));
  for (const { name: place, contacts } of inOrder)
    for (const { name, role, phone, email } of contacts) {
      const code = [name, phone || email || place].join(', ').slice(0, LONGEST_NAME);
      if (!rows.has(code))
        rows.set(code, { code, label: name, fields: saying({ role, phone, email, place }) });
    }
  const key = 'our_contacts';
  return {
    ...{ key, name: nameOf(key), columns: CONTACT_COLUMNS },
    rows: [...rows.values()].slice(0, MOST_ROWS),
  };
}

/** Whom places belong to, or are looked after for: that of the place one is at first, then by name. */
export function ownersToLookUp(
  list: 'our_clients' | 'our_owners',
  places: readonly ListedPlace[],
  here: string | null,
): Catalogue {
  const known = new Map<string, { name: string; places: number; here: boolean }>();
  for (const place of places) {
    const name = (list === 'our_clients' ? place.client : (place.owner ?? '')).trim();
    if (name === '') continue;
    const at = known.get(name.toLowerCase()) ?? { name, places: 0, here: false };
    known.set(name.toLowerCase(), {
      ...{ name: at.name, places: at.places + 1 },
      here: at.here || place.id === here,
    });
  }
  const rows = [...known.values()]
    .sort((a, b) => Number(b.here) - Number(a.here) || a.name.localeCompare(b.name, 'en'))
    .slice(0, MOST_ROWS)
    .map(({ name, places: count }) => ({ code: name, label: name, fields: { places: count } }));
  const columns = [{ key: 'places', label: 'places', kind: 'number' as const }];
  return { key: list, name: nameOf(list), columns, rows };
}

/** What tells a row apart, where that says more than its name: our own lists tell theirs by no code. */
export const sayCode = (
  list: string,
  { code, label }: Pick<CatalogueRow, 'code' | 'label'>,
): string => (code === label || isOurList(list) ? '' : code);
