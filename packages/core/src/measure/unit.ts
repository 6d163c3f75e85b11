/** How the UCUM codes we use are written for people. A code without an entry is shown without its brackets. */
const BY_CODE: Readonly<Record<string, string>> = {
  Cel: '°C',
  '[degF]': '°F',
  'K{difference}': 'K',
  'Cel{difference}': '°C',
  '[degF]{difference}': '°F',
  Ohm: 'Ω',
  kOhm: 'kΩ',
  MOhm: 'MΩ',
  '[psi]': 'psi',
  'N.m': 'N·m',
  '[ft_i].[lbf_av]': 'ft·lbf',
  '[lbf_av]': 'lbf',
  '[in_i]': 'in',
  '[ft_i]': 'ft',
  m2: 'm²',
  '[sft_i]': 'ft²',
  L: 'l',
  m3: 'm³',
  '[gal_us]': 'US gal',
  '[cft_i]': 'ft³',
  '[lb_av]': 'lb',
  'kW.h': 'kWh',
  '[Btu_IT]': 'Btu',
  '[Btu_IT]/h': 'Btu/h',
  '[in_i]/s': 'in/s',
  '[ft_i]/min': 'ft/min',
  'L/s': 'l/s',
  'L/min': 'l/min',
  'm3/h': 'm³/h',
  '[gal_us]/min': 'US gpm',
  '[cft_i]/min': 'cfm',
  'W/(m2.K)': 'W/(m²·K)',
  '[Btu_IT]/(h.[sft_i].[degR])': 'Btu/(h·ft²·°F)',
  'm2.K/W': 'm²·K/W',
  'h.[sft_i].[degR]/[Btu_IT]': 'h·ft²·°F/Btu',
  cm2: 'cm²',
  'mg/L': 'mg/l',
  'A.h': 'Ah',
  '1': '',
};

const WRITTEN: ReadonlyMap<string, string> = new Map(Object.entries(BY_CODE));

/** The unit as people write it, from its UCUM code; brackets are the code's own. */
export const writeUnit = (ucum: string): string =>
  WRITTEN.get(ucum) ?? (/[[{]/.test(ucum) ? ucum.replaceAll(/[[\]]|\{.*?\}/g, '') : ucum);
