import { loanPayment, netPresentValue, paybackYears } from './money.ts';
import type { Savings, Terms } from './taken-up.ts';

/** What all measures together come to, in the money of the catalogue. */
export interface Worth {
  readonly cost: number;
  readonly rebate: number;
  readonly net: number;
  /** Money saved a year. */
  readonly yearly: number;
  /** Years; Infinity where nothing is saved. */
  readonly payback: number;
  /** Each saves for as long as it lasts. */
  readonly presentValue: number;
  readonly loan: number;
}

/** What is given back never passes the programme’s cap on all of it. */
export function worthOf({ each }: Pick<Savings, 'each'>, terms: Terms): Worth {
  const sum = (values: readonly number[]): number => values.reduce((all, value) => all + value, 0);
  const cost = sum(each.map((one) => one.cost));
  const rebate = Math.min(terms.cap, sum(each.map((one) => one.rebate)));
  const yearly = sum(each.map(({ money }) => money));
  const net = cost - rebate;
  return {
    ...{ cost, rebate, net, yearly, payback: paybackYears(net, yearly) },
    presentValue:
      sum(
        each.map(({ money, measure }) => netPresentValue(0, money, terms.discount, measure.life)),
      ) - net,
    loan: loanPayment(net, terms.interest, terms.months),
  };
}
