import { byName, type Asset } from './asset.ts';

/** Where something stands in the register. */
export type Standing = Pick<Asset, 'id' | 'within' | 'area' | 'name'>;

export interface TreeLine<Thing extends Standing> {
  readonly thing: Thing;
  /** How many areas and things it stands in. */
  readonly depth: number;
  readonly holds: boolean;
}

/**
 * The register of a site as lines, each below what it stands in: areas before things, both by name.
 * What stands in something that is not there, or in itself, stands at the site: nothing is left out.
 */
export function treeOf<Thing extends Standing>(things: readonly Thing[]): TreeLine<Thing>[] {
  const known = new Map(things.map((thing) => [thing.id, thing]));
  const held = new Map<string | null, Thing[]>();
  for (const thing of things) {
    const within = isRooted(thing, known) ? thing.within : null;
    held.set(within, [...(held.get(within) ?? []), thing]);
  }
  const lines: TreeLine<Thing>[] = [];
  const walk = (within: string | null, depth: number): void => {
    for (const thing of (held.get(within) ?? []).sort(inOrder)) {
      lines.push({ thing, depth, holds: held.has(thing.id) });
      walk(thing.id, depth + 1);
    }
  };
  walk(null, 0);
  return lines;
}

const inOrder = (a: Standing, b: Standing): number =>
  Number(b.area) - Number(a.area) || byName(a, b);

/** Whether a way leads from it to the site, through things that are there. */
function isRooted(thing: Standing, known: ReadonlyMap<string, Standing>): boolean {
  const seen = new Set<string>();
  for (let at: Standing | undefined = thing; at; at = known.get(at.within ?? '')) {
    if (seen.has(at.id)) return false;
    seen.add(at.id);
    if (at.within !== null && !known.has(at.within)) return at !== thing;
  }
  return true;
}

/** What it stands in, the outermost first. */
export function wayTo<Thing extends Standing>(
  thing: Thing,
  known: ReadonlyMap<string, Thing>,
): readonly Thing[] {
  const way: Thing[] = [];
  for (
    let at = known.get(thing.within ?? '');
    at && at.id !== thing.id && !way.includes(at);
    at = known.get(at.within ?? '')
  )
    way.unshift(at);
  return way;
}

/** What stands in a thing, however deep; not the thing itself. */
export function heldBy(id: string, things: readonly Standing[]): ReadonlySet<string> {
  const held = new Set<string>();
  let found = [id];
  while (found.length > 0) {
    const outer = new Set(found);
    found = things
      .filter((each) => each.within !== null && outer.has(each.within) && !held.has(each.id))
      .map((each) => each.id);
    for (const each of found) held.add(each);
  }
  return held;
}

export type PlacingProblem = 'not there' | 'in itself' | 'area in a thing';

/** Why a thing can't stand in another of its site, or at the site (null); null where it can. */
export function problemWithPlacing(
  thing: Pick<Standing, 'id' | 'area'>,
  within: string | null,
  things: readonly Standing[],
): PlacingProblem | null {
  if (within === null) return null;
  const outer = things.find(({ id }) => id === within);
  if (!outer) return 'not there';
  if (within === thing.id || heldBy(thing.id, things).has(within)) return 'in itself';
  return thing.area && !outer.area ? 'area in a thing' : null;
}
