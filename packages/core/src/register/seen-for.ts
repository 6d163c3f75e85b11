import { sameKind, type Asset } from './asset.ts';
import type { Standing } from './tree.ts';

/** Where something stands, and which areas it belongs to besides. */
export type Belonging = Standing & Pick<Asset, 'purposes' | 'alsoIn'>;

/** Whether something is an area for a purpose. */
export const servesFor = (thing: Belonging, purpose: string): boolean =>
  thing.area && thing.purposes.some((each) => sameKind(each, purpose));

/** What the areas of a place serve, each purpose once, by name. */
export function purposesOf(things: readonly Belonging[]): string[] {
  const named = new Map<string, string>();
  for (const { area, purposes } of things)
    if (area)
      for (const each of purposes) {
        const key = each.trim().toLowerCase();
        if (!named.has(key)) named.set(key, each.trim());
      }
  return [...named.values()].sort((a, b) => a.localeCompare(b, 'en'));
}

/**
 * The register of a place seen for one purpose: only areas that serve it are there, and each thing
 * stands in the one it belongs to. That is one it was put in itself; else the nearest that what it
 * stands in leads to. What belongs to none stands at the place. Parts of a thing stay in that thing.
 */
export function seenFor<Thing extends Belonging>(
  things: readonly Thing[],
  purpose: string,
): Thing[] {
  const known = new Map(things.map((thing) => [thing.id, thing]));
  const serving = (id: string | null): boolean => {
    const thing = known.get(id ?? '');
    return thing !== undefined && servesFor(thing, purpose);
  };
  const placeOf = (thing: Thing): string | null => {
    const seen = new Set<string>();
    for (
      let at: Thing | undefined = thing;
      at && !seen.has(at.id);
      at = known.get(at.within ?? '')
    ) {
      seen.add(at.id);
      const own = at.alsoIn.find((id) => id !== thing.id && serving(id));
      if (own !== undefined) return own;
      if (at.within !== null && (serving(at.within) || known.get(at.within)?.area === false))
        return at === thing || serving(at.within) ? at.within : null;
    }
    return null;
  };
  return things
    .filter((thing) => !thing.area || servesFor(thing, purpose))
    .map((thing) => ({ ...thing, within: placeOf(thing) }));
}
