/** Resistance of the air at a surface, m²·K/W, by where heat flows; and outside (ISO 6946, from memory). */
const INSIDE: ReadonlyMap<string, number> = new Map([
  ['up', 0.1],
  ['across', 0.13],
  ['down', 0.17],
]);
const OUTSIDE = 0.04;

/**
 * U-value in W/(m²·K) of a part whose layers have a resistance together in m²·K/W (0 or more), by where
 * heat flows through it: "up" (roofs), "across" (walls) or "down" (floors). Source: ISO 6946, U = 1 / (Rsi
 * + R + Rse) (from memory). Throws a RangeError otherwise.
 */
export function uValue(resistance: number, flows: string): number {
  const inside = INSIDE.get(flows);
  if (inside === undefined || !(resistance >= 0))
    throw new RangeError('Heat flows "up", "across" or "down" through a resistance of 0 or more.');
  return 1 / (inside + resistance + OUTSIDE);
}

/**
 * Resistance in m²·K/W of a layer that something else bridges, as studs do an insulation, between the
 * surfaces: its thickness in m, the two conductivities in W/(m·K) and the share of the area that bridges
 * (0 to 1). Source: ISO 6946, 6.7.2: the mean of upper and lower limit for a part of this one layer (from
 * memory). Throws a RangeError for what no layer has.
 */
export function bridgedLayer(
  thickness: number,
  conductivity: number,
  bridging: number,
  share: number,
): number {
  if (!(thickness > 0) || !(conductivity > 0) || !(bridging > 0) || !(share >= 0 && share <= 1))
    throw new RangeError(
      'A layer has a thickness and conductivities above 0, and is bridged by a share from 0 to 1.',
    );
  const air = (INSIDE.get('across') ?? 0) + OUTSIDE;
  const own = thickness / conductivity;
  const other = thickness / bridging;
  const upper = 1 / ((1 - share) / (air + own) + share / (air + other)) - air;
  const lower = 1 / ((1 - share) / own + share / other);
  return (upper + lower) / 2;
}

/**
 * Heat in kWh a year that a part no longer lets through: the change of its U-value in W/(m²·K), its area
 * in m² (0 or more), degree days in K·d, and how much of the fuel’s heat arrives (above 0, at most 1.2 for
 * condensing boilers by their lower value; a heat pump gives more, up to 8). ΔU × area × degree days × 24 h
 * / efficiency. Throws a RangeError otherwise.
 */
export function conductionSaving(
  change: number,
  area: number,
  degreeDays: number,
  efficiency: number,
): number {
  if (!(area >= 0) || !(degreeDays >= 0))
    throw new RangeError('Areas and degree days are 0 or more.');
  if (!(efficiency > 0 && efficiency <= 8))
    throw new RangeError('An efficiency lies above 0, such as 0.9; a heat pump’s goes up to 8.');
  return (change * area * degreeDays * 24) / 1000 / efficiency;
}

/** Where the time constant counts for one more in the exponent, h (ISO 13790, monthly method). */
const REFERENCE_H = 15;

/**
 * The share of gains that are of use, 0 to 1, by gains to losses (0 or more) and the building’s time
 * constant in h (0 or more). Source: ISO 13790, monthly method: (1 − γ^a) / (1 − γ^(a+1)), a / (a + 1) at γ
 * = 1, with a = 1 + τ / 15 h (from memory). Throws a RangeError below 0.
 */
export function gainUse(ratio: number, hours: number): number {
  if (!(ratio >= 0) || !(hours >= 0))
    throw new RangeError('Gains, losses and hours are 0 or more.');
  const a = 1 + hours / REFERENCE_H;
  if (Math.abs(ratio - 1) < 1e-9) return a / (a + 1);
  if (ratio === Infinity) return 0;
  // Of large ratios the powers are beyond any number: by the same formula, turned over.
  return ratio > 1
    ? (ratio ** -(a + 1) - ratio ** -1) / (ratio ** -(a + 1) - 1)
    : (1 - ratio ** a) / (1 - ratio ** (a + 1));
}
