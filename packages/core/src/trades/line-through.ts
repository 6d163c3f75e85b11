/** A straight line: y = offset + slope × x. */
export interface Line {
  readonly slope: number;
  readonly offset: number;
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** The line through points by least squares; null where there are not two x that differ. */
export function lineThrough(points: readonly (readonly [x: number, y: number])[]): Line | null {
  if (points.length < 2) return null;
  const x = mean(points.map(([each]) => each));
  const y = mean(points.map(([, each]) => each));
  const spread = points.reduce((sum, [each]) => sum + (each - x) ** 2, 0);
  if (!(spread >= 1e-9)) return null;
  const slope = points.reduce((sum, [px, py]) => sum + (px - x) * (py - y), 0) / spread;
  return { slope, offset: y - slope * x };
}
