import type { Place } from '../../geo/index.ts';
import { WayNetwork } from '../../maps/ways/index.ts';
import { estimateWay } from '../travel.ts';

/**
 * Minutes and metres from each place to each other, row by row: along the ways of the map with a
 * vehicle where there are roads, and as estimated where the map knows no way.
 */
export function waysAmong(
  network: WayNetwork | null,
): (places: readonly Place[]) => { readonly minutes: Float64Array; readonly metres: Float64Array } {
  return (places) => {
    const table = (network ?? new WayNetwork([])).table(places, 'vehicle');
    places.forEach((from, a) =>
      places.forEach((to, b) => {
        const at = a * places.length + b;
        if (table.minutes[at] !== Infinity) return;
        const { minutes, metres } = estimateWay(from, to);
        table.minutes[at] = minutes;
        table.metres[at] = metres;
      }),
    );
    return table;
  };
}
