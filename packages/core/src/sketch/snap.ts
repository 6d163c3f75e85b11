type Point = readonly [number, number];

/** Angles a straight line is drawn to, in degrees. */
const STEP = 15;
/** How near an end must come to an older one to meet it, in widths of the paper. */
const NEAR = 0.025;

/** Turns a line's end so that the line runs at a multiple of 15°, its length kept. */
export function snapAngle(from: Point, to: Point): Point {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy);
  const step = (STEP * Math.PI) / 180;
  const angle = Math.round(Math.atan2(dy, dx) / step) * step;
  return [from[0] + length * Math.cos(angle), from[1] + length * Math.sin(angle)];
}

/** The nearest of these points when it is close enough to be meant; otherwise the point itself. */
export function snapTo(point: Point, ends: readonly Point[]): Point {
  let best: Point = point;
  let nearest = NEAR;
  for (const end of ends) {
    const distance = Math.hypot(end[0] - point[0], end[1] - point[1]);
    if (distance <= nearest) {
      nearest = distance;
      best = end;
    }
  }
  return best;
}
