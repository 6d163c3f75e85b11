import type { FunctionOffer } from '../../logic/index.ts';
import type { TradeKit } from '../kit.ts';
import { numberOffer } from '../number-offer.ts';
import { airChanges, flowAt, leakageArea, ventilation } from './air.ts';
import { bridgedLayer, conductionSaving, gainUse, uValue } from './envelope.ts';
import { OVER_HOUSE } from './over-house.ts';
import { toldBySurvey } from './tells.ts';
import { loanPayment, netPresentValue, paybackYears } from './money.ts';

export { dangersOf, type Danger } from './dangers.ts';
export {
  DRAWING,
  HOUSE_LINES,
  leaving,
  OUTLET_NAMES,
  outletOf,
  ribbonsOf,
  sayLeaving,
  type Outlet,
  type Ribbon,
} from './drawing.ts';
export { airLoss, partLoss, wholeLoss, yearOf } from './heat.ts';
export type { House, HousePart } from './dwelling.ts';
export { partsAt } from './house.ts';
export {
  betters,
  costOf,
  houseAfter,
  isSamePlace,
  measureFrom,
  rebateOf,
  thingOf,
  type Measure,
  type Taken,
} from './measure.ts';
export { promiseLines, promisesOf, sayKept, type Promised } from './kept.ts';
export { nearestWay, openTo, type NearestWay } from './nearest-way.ts';
export { surveyOf, wantedOf, type Survey } from './over-house.ts';
export { savedByEach, savingsOf, whyNot, type Saving } from './taken-up.ts';
export { saySaved, sayWhole, sayYears } from './say.ts';
export { worthOf } from './worth.ts';

const FUNCTIONS: readonly FunctionOffer[] = [
  numberOffer(
    'airChanges(flow, volume)',
    'Air changes per hour at 50 Pa, from cfm and ft³.',
    airChanges,
  ),
  numberOffer(
    'ventilation(area, bedrooms)',
    'Ventilation a dwelling needs in cfm, from ft² and bedrooms (ASHRAE 62.2-2016).',
    ventilation,
  ),
  numberOffer(
    'flowAt(flow, pressure, exponent, wanted)',
    'Flow at another pressure in Pa by the power law (ISO 9972).',
    flowAt,
  ),
  numberOffer(
    'leakageArea(flow, exponent)',
    'Opening in cm² as large as all leaks together at 4 Pa, from m³/h at 50 Pa (ISO 9972).',
    leakageArea,
  ),
  numberOffer(
    'uValue(resistance, flows)',
    'W/(m²·K) of a part from its layers’ m²·K/W and whether heat flows "up", "across" or "down" (ISO 6946).',
    uValue,
    ['double', 'string'],
  ),
  numberOffer(
    'bridgedLayer(thickness, conductivity, bridging, share)',
    'm²·K/W of a layer bridged by something else, from m, two W/(m·K) and a share of 0 to 1 (ISO 6946).',
    bridgedLayer,
  ),
  numberOffer(
    'conductionSaving(change, area, degreeDays, efficiency)',
    'kWh a year that are saved by a change of U in W/(m²·K) on m², by degree days.',
    conductionSaving,
  ),
  numberOffer(
    'gainUse(ratio, hours)',
    'Share of gains that are of use, from gains to losses and the time constant in h (ISO 13790).',
    gainUse,
  ),
  numberOffer(
    'loanPayment(sum, percent, months)',
    'What is paid each month for a loan, by interest in % a year.',
    loanPayment,
  ),
  numberOffer(
    'netPresentValue(cost, yearly, percent, years)',
    'What a yearly saving is worth now, less its cost, with a discount rate in %.',
    netPresentValue,
  ),
  numberOffer(
    'paybackYears(net, yearly)',
    'Years until a saving has paid for its net cost.',
    paybackYears,
  ),
];

export const ENERGY: TradeKit = {
  ...{ key: 'energy', name: 'Energy', functions: FUNCTIONS },
  reckoning: OVER_HOUSE,
  tells: toldBySurvey,
};
