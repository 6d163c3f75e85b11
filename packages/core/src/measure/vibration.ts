/** Machine classes of ISO 10816-1, annex B. */
export type VibrationClass = 'I' | 'II' | 'III' | 'IV';
export type VibrationZone = 'A' | 'B' | 'C' | 'D';

/**
 * Upper limits of zones A, B and C as r.m.s. velocity in mm/s. Source: ISO 10816-1:1995, annex B,
 * table B.1 (values recalled from memory, not read from the standard here).
 */
const ZONE_LIMITS: Record<VibrationClass, readonly [number, number, number]> = {
  I: [0.71, 1.8, 4.5],
  II: [1.12, 2.8, 7.1],
  III: [1.8, 4.5, 11.2],
  IV: [2.8, 7.1, 18],
};

/** The zone limits A/B, B/C and C/D of a machine class, in mm/s r.m.s. */
export const vibrationLimits = (machine: VibrationClass): readonly [number, number, number] =>
  ZONE_LIMITS[machine];

/**
 * The evaluation zone of a vibration reading in mm/s r.m.s. (0 or more). A value on a limit
 * belongs to the better zone. Throws a RangeError for a negative or non-finite value.
 */
export function vibrationZone(value: number, machine: VibrationClass): VibrationZone {
  if (!Number.isFinite(value) || value < 0)
    throw new RangeError('A vibration velocity is a number of 0 or more, in mm/s.');
  const [a, b, c] = ZONE_LIMITS[machine];
  return value <= a ? 'A' : value <= b ? 'B' : value <= c ? 'C' : 'D';
}
