const mustBeTime = (count: number, what: string): void => {
  if (!(count > 0)) throw new RangeError(`${what} are above 0.`);
};

/** What 1 is worth now that comes at the end of each of so many times, at a rate for each; exact for small rates, too. */
const worthOf = (rate: number, times: number): number =>
  Math.abs(rate) < 1e-12 ? times : -Math.expm1(-times * Math.log1p(rate)) / rate;

/**
 * What is paid back each month for a loan: its sum (0 or more), interest in % a year (0 or more) and how
 * many months (above 0). The annuity; 200,000 at 6.5 % over 360 months are 1,264.14. In the sum’s own money,
 * not rounded. Throws a RangeError otherwise.
 */
export function loanPayment(sum: number, percent: number, months: number): number {
  mustBeTime(months, 'Months');
  if (!(sum >= 0) || !(percent >= 0)) throw new RangeError('Sum and interest are 0 or more.');
  const rate = percent / 100 / 12;
  return sum / worthOf(rate, months);
}

/**
 * What a saving is worth now that comes at the end of each of so many years (above 0), less what it costs
 * now, with a discount rate in % a year (above −100). In its own money, not rounded. Throws a RangeError
 * otherwise.
 */
export function netPresentValue(
  cost: number,
  yearly: number,
  percent: number,
  years: number,
): number {
  mustBeTime(years, 'Years');
  if (!(percent > -100)) throw new RangeError('A discount rate is above −100 %.');
  const rate = percent / 100;
  return yearly * worthOf(rate, years) - cost;
}

/** Years until a saving has paid for its net cost; Infinity where nothing is saved. */
export const paybackYears = (net: number, yearly: number): number =>
  net <= 0 ? 0 : yearly > 0 ? net / yearly : Infinity;
