/** How the UCUM codes we use are written for people. A code without an entry is shown as it is. */
const WRITTEN: Record<string, string> = {
  Cel: '°C',
  Ohm: 'Ω',
  MOhm: 'MΩ',
  '%': '%',
  'mm/s': 'mm/s',
  'L/s': 'l/s',
  'm3/h': 'm³/h',
  '1': '',
};

/** The unit as people write it, from its UCUM code. */
export const writeUnit = (ucum: string): string => WRITTEN[ucum] ?? ucum;
