/** Where something lies: kilometres east and north of the harbour. */
export type Point = readonly [east: number, north: number];

const CENTRE: Point = [0.8, 4];
const HALF: Point = [5.2, 6.7];
/** The fjord that the harbour lies at the head of. */
const FJORD = { towards: -112, half: 7, depth: 0.42 } as const;

/** Bays and heads: how far the coast wavers, by how often it does on the way around. */
const WAVES = [
  [3, 0.05, 0.6],
  [5, 0.035, 2.1],
  [9, 0.022, 4.4],
  [17, 0.014, 1.3],
  [31, 0.007, 5.2],
] as const;

/** How far the coast is from the middle of the island, in a direction in degrees. */
function coastFrom(degrees: number): number {
  const angle = (degrees * Math.PI) / 180;
  const ellipse = 1 / Math.hypot(Math.cos(angle) / HALF[0], Math.sin(angle) / HALF[1]);
  const waves = WAVES.reduce(
    (sum, [often, far, shift]) => sum + far * Math.sin(often * angle + shift),
    0,
  );
  const off = (((degrees - FJORD.towards + 540) % 360) - 180) / FJORD.half;
  return ellipse * (1 + waves) * (1 - FJORD.depth * Math.exp(-off * off));
}

/** The coast, all around; the last point is the first. */
export function coast(points = 240): Point[] {
  const line = Array.from({ length: points }, (_, at): Point => {
    const degrees = (at * 360) / points;
    const angle = (degrees * Math.PI) / 180;
    const far = coastFrom(degrees);
    return [CENTRE[0] + far * Math.cos(angle), CENTRE[1] + far * Math.sin(angle)];
  });
  return [...line, line[0] ?? CENTRE];
}

/** Share of the way from the middle to the coast; 1 on it, more at sea. */
export function outwards([east, north]: Point): number {
  const [x, y] = [east - CENTRE[0], north - CENTRE[1]];
  return Math.hypot(x, y) / coastFrom((Math.atan2(y, x) * 180) / Math.PI);
}

/** Summits: where, how much higher than the island's own back, and how wide, in metres and kilometres. */
const SUMMITS = [
  [0.4, 6.3, 300, 1.3],
  [-2.2, 5.3, 340, 0.9],
  [2.5, 4.2, 190, 0.8],
  [-0.4, 8.9, 150, 0.7],
  [3.6, 6.9, 160, 0.8],
] as const;

/** Metres above the sea; below nought at sea. */
export function heightAt(point: Point): number {
  const inland = 1 - outwards(point);
  const back = inland > 0 ? 330 * inland ** 0.8 : 500 * inland;
  return SUMMITS.reduce(
    (height, [east, north, more, wide]) =>
      height +
      more * Math.exp(-((point[0] - east) ** 2 + (point[1] - north) ** 2) / (2 * wide * wide)),
    back,
  );
}

/** The land's box, with sea around it. */
export const BOX = { west: -5.4, east: 7, south: -3.6, north: 11.4 } as const;
