/**
 * Air changes per hour at 50 Pa from the blower door's flow in cfm and the volume in ft³ (above
 * 0): ACH50 = CFM50 × 60 / volume. Throws a RangeError for an empty volume.
 */
export function airChanges(flow: number, volume: number): number {
  if (!(volume > 0)) throw new RangeError('The volume is above 0 ft³.');
  return (flow * 60) / volume;
}

/**
 * Ventilation a dwelling needs, in cfm, from its floor area in ft² and its bedrooms. Source:
 * ASHRAE 62.2-2016, 0.03 × area + 7.5 × (bedrooms + 1) (formula from memory).
 */
export const ventilation = (area: number, bedrooms: number): number =>
  0.03 * area + 7.5 * (bedrooms + 1);

/** Of air, kg/m³ (ISO 9972, about 20 °C; from memory). */
const DENSITY = 1.2;
const AT_PA = 4;

/**
 * Flow in m³/h at another pressure, by the power law: what was measured at one pressure in Pa (both above
 * 0), and the exponent, from 0.5 (holes) to 1 (cracks). Source: ISO 9972, Q = C × Δp^n (from memory). Throws
 * a RangeError otherwise.
 */
export function flowAt(flow: number, pressure: number, exponent: number, wanted: number): number {
  if (!(flow >= 0) || !(pressure > 0) || !(wanted > 0))
    throw new RangeError('Flows are 0 m³/h or more, pressures above 0 Pa.');
  if (!(exponent >= 0.5 && exponent <= 1))
    throw new RangeError('The exponent lies between 0.5 and 1: look at the pressure points again.');
  return flow * (wanted / pressure) ** exponent;
}

/**
 * The opening in cm² that would let as much through at 4 Pa as all leaks together, from the flow at 50 Pa
 * in m³/h and the exponent. Source: ISO 9972, Q4 × √(ρ / (2 × 4 Pa)) (from memory). Throws as `flowAt`.
 */
export function leakageArea(flow: number, exponent: number): number {
  const perSecond = flowAt(flow, 50, exponent, AT_PA) / 3600;
  return perSecond * Math.sqrt(DENSITY / (2 * AT_PA)) * 10_000;
}
