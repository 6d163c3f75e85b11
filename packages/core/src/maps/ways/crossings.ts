import type { WayLine } from './way-line.ts';

type Position = readonly [number, number];

/** Ends this near to another line, in degrees, stand on it: about a metre. */
const ON_IT = 1e-5;

interface Segment {
  readonly line: number;
  /** Where it begins in its line. */
  readonly at: number;
  readonly from: Position;
  readonly to: Position;
}

/**
 * Lines with a corner wherever roads and paths cross or end on each other, so that one can turn there
 * though whoever drew the map gave them none. Where one goes over or under the other (`level`), nobody
 * can; cableways are got on and off at their ends alone.
 */
export function meetAtCrossings(lines: readonly WayLine[]): readonly WayLine[] {
  const segments = lines
    .flatMap(({ kind, line }, index): Segment[] =>
      kind === 'cableway'
        ? []
        : line.slice(1).flatMap((to, at) => {
            const from = line[at];
            return from ? [{ line: index, at, from, to }] : [];
          }),
    )
    .sort((a, b) => west(a) - west(b));
  /** By line and segment: where along it a corner is wanted, and which. */
  const wanted = new Map<number, Map<number, [number, Position][]>>();
  const want = ({ line, at }: Segment, share: number, corner: Position): void => {
    const own = wanted.get(line) ?? new Map<number, [number, Position][]>();
    wanted.set(line, own.set(at, [...(own.get(at) ?? []), [share, corner]]));
  };
  const levelOf = ({ line }: Segment): number => lines[line]?.level ?? 0;
  // From west to east: only what reaches as far as the next begins can meet it.
  segments.forEach((one, i) => {
    for (let j = i + 1; j < segments.length; j++) {
      const other = segments[j] as Segment;
      if (west(other) > east(one) + ON_IT) break;
      if (levelOf(one) !== levelOf(other) || areBeside(one, other)) continue;
      const met = meeting(one, other);
      if (!met) continue;
      want(one, met.one, met.corner);
      want(other, met.other, met.corner);
    }
  });
  return lines.map((way, index) => {
    const own = wanted.get(index);
    return own ? { ...way, line: withCorners(way.line, own) } : way;
  });
}

const west = ({ from, to }: Segment): number => Math.min(from[0], to[0]);
const east = ({ from, to }: Segment): number => Math.max(from[0], to[0]);

/** Far apart from south to north, or the two that share a corner of one line. */
function areBeside(one: Segment, other: Segment): boolean {
  if (one.line === other.line && Math.abs(one.at - other.at) <= 1) return true;
  return (
    Math.max(one.from[1], one.to[1]) + ON_IT < Math.min(other.from[1], other.to[1]) ||
    Math.max(other.from[1], other.to[1]) + ON_IT < Math.min(one.from[1], one.to[1])
  );
}

/** Where two straight pieces meet: the share of each that lies before it. Null where they do not. */
function meeting(
  one: Segment,
  other: Segment,
): { readonly one: number; readonly other: number; readonly corner: Position } | null {
  const [ax, ay] = [one.to[0] - one.from[0], one.to[1] - one.from[1]];
  const [bx, by] = [other.to[0] - other.from[0], other.to[1] - other.from[1]];
  const cross = ax * by - ay * bx;
  const [lengthA, lengthB] = [Math.hypot(ax, ay), Math.hypot(bx, by)];
  // Beside each other, or one upon the other: they have their corners.
  if (lengthA === 0 || lengthB === 0 || Math.abs(cross) < 1e-6 * lengthA * lengthB) return null;
  const [dx, dy] = [other.from[0] - one.from[0], other.from[1] - one.from[1]];
  const s = (dx * by - dy * bx) / cross;
  const t = (dx * ay - dy * ax) / cross;
  const [slackA, slackB] = [ON_IT / lengthA, ON_IT / lengthB];
  if (s < -slackA || s > 1 + slackA || t < -slackB || t > 1 + slackB) return null;
  // An end that stands on the other line is the corner itself.
  const ends: readonly (readonly [number, number, Position])[] = [
    [s, slackA, one.from],
    [1 - s, slackA, one.to],
    [t, slackB, other.from],
    [1 - t, slackB, other.to],
  ];
  const end = ends.find(([share, slack]) => Math.abs(share) <= slack)?.[2];
  const share = Math.min(1, Math.max(0, s));
  const corner = end ?? ([one.from[0] + ax * share, one.from[1] + ay * share] as const);
  return { one: share, other: Math.min(1, Math.max(0, t)), corner };
}

function withCorners(
  line: readonly Position[],
  own: ReadonlyMap<number, readonly (readonly [number, Position])[]>,
): Position[] {
  return line.flatMap((position, at) => {
    const more = [...(own.get(at) ?? [])].sort(([a], [b]) => a - b).map(([, corner]) => corner);
    return [position, ...more];
  });
}
