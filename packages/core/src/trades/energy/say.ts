const WHOLE = new Intl.NumberFormat('en', { maximumFractionDigits: 0 });
const TENTHS = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

/** A figure of thousands, as people read it: “11,784”. */
export const sayWhole = (value: number): string => WHOLE.format(value).replace(/^-0$/, '0');

/** What a measure takes off what is used, kWh a year; one that takes another fuel may add to it. */
export const saySaved = (saved: number): string =>
  `${saved < 0 ? '+' : '−'}${sayWhole(Math.abs(saved))} kWh`;

/** How long it takes until something has paid for itself: “3.7 years”, or “never”. */
export function sayYears(years: number): string {
  if (!Number.isFinite(years)) return 'never';
  const said = TENTHS.format(years);
  return `${said} ${said === '1' ? 'year' : 'years'}`;
}
