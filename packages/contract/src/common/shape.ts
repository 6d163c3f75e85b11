import { z } from 'zod';

/** Longitude before latitude, as RFC 7946 has it; a height may follow, and says nothing here. */
export const Position = z
  .tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)])
  .rest(z.number());
export const Line = z.array(Position).min(2);
/** A ring ends where it begins. */
const Ring = z
  .array(Position)
  .min(4)
  .refine((ring) => {
    const [first, last] = [ring[0], ring.at(-1)];
    return first?.[0] === last?.[0] && first?.[1] === last?.[1];
  }, 'The outline of an area has to end where it begins.');
export const Polygon = z.array(Ring).min(1);

/** Corners of one thing's shape. */
const MOST_CORNERS = 5_000;

/** Where one thing lies: a point, a line or an area (RFC 7946). */
export const Shape = z
  .discriminatedUnion('type', [
    z.object({ type: z.literal('Point'), coordinates: Position }),
    z.object({ type: z.literal('LineString'), coordinates: Line }),
    z.object({ type: z.literal('Polygon'), coordinates: Polygon }),
    z.object({ type: z.literal('MultiPolygon'), coordinates: z.array(Polygon).min(1) }),
  ])
  .refine(
    ({ coordinates }) => coordinates.flat(3).length / 2 <= MOST_CORNERS,
    `At most ${MOST_CORNERS.toLocaleString('en')} corners: make the shape simpler.`,
  );
export type Shape = z.infer<typeof Shape>;
