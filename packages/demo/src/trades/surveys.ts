import { addDays } from '@ant-trail/core/calendar';
import type { Chance } from '../chance.ts';
import { inspectionOf, type Inspection } from './alarm/walked.ts';
import { certificateOf, type Walk } from './electrical/walked.ts';
import { surveyWalked, type HouseWalk } from './energy/walked.ts';
import { propertyWalked, type PropertyWalk } from './property/walked.ts';
import { checkWalked, workWalked } from './energy/went.ts';
import type { Given } from './given.ts';

interface Walked {
  readonly given: readonly Given[];
  /** The questions that are signed: those before the last whoever lives there signs. */
  readonly signs: readonly string[];
  readonly isDone: boolean;
}

/** Work of a trade kit that somebody did: how many days ago, who, where, and what they entered. */
export interface Survey {
  readonly ago: number;
  readonly who: string;
  readonly place: string;
  readonly template: string;
  readonly walk: (chance: Chance, day: string) => Walked;
}

const FIVE_YEARS = 5 * 365;

const certificate = (ago: number, place: string, how: Walk = {}): Survey => ({
  ...{ ago, place, who: 'jory', template: 'certificate' },
  walk: (chance, day) => ({
    given: [
      ...certificateOf(chance, how),
      ...(how.until === undefined ? [{ path: 'next_test', value: addDays(day, FIVE_YEARS) }] : []),
    ],
    ...{ signs: ['certified'], isDone: how.until === undefined },
  }),
});

const inspection = (ago: number, place: string, how: Omit<Inspection, 'day'>): Survey => ({
  ...{ ago, place, who: 'jory', template: 'alarm' },
  walk: (chance, day) => ({
    given: inspectionOf(chance, { ...how, day }),
    ...{ signs: ['keeper'], isDone: how.until === undefined },
  }),
});

const houseSurvey = (ago: number, place: string, how: HouseWalk): Survey => ({
  ...{ ago, place, who: 'rook', template: 'energy' },
  walk: (chance) => ({
    given: surveyWalked(chance, how),
    signs: how.until === undefined ? ['consent', 'accepted', 'surveyor'] : ['consent'],
    isDone: how.until === undefined,
  }),
});

const energyWork = (ago: number, place: string): Survey => ({
  ...{ ago, place, who: 'rook', template: 'energy_work' },
  walk: () => ({ given: workWalked(), signs: ['builder'], isDone: true }),
});

const energyCheck = (ago: number, place: string): Survey => ({
  ...{ ago, place, who: 'rook', template: 'energy_check' },
  walk: () => ({ given: checkWalked(), signs: ['household', 'checker'], isDone: true }),
});

const propertyReport = (ago: number, place: string, how: PropertyWalk): Survey => ({
  ...{ ago, place, who: 'rook', template: 'property' },
  walk: (chance) => ({
    given: propertyWalked(chance, how),
    ...{ signs: ['inspector'], isDone: how.until === undefined },
  }),
});

/** Two that are done and one half way through, of each; earlier ones where a figure is told over the years. */
export const SURVEYS: readonly Survey[] = [
  certificate(35, 'Bakehouse boards'),
  inspection(33, 'Harbour clinic', { battery: 0.93 }),
  inspection(5, 'Assembly hall boards', { battery: 0.72, silent: 11 }),
  inspection(734, 'Old mill boards', { battery: 1.02 }),
  inspection(369, 'Old mill boards', { battery: 0.97 }),
  inspection(4, 'Old mill boards', { battery: 0.9, until: 0.6, visits: 'twice' }),
  certificate(2, 'Depot workshop boards', { late: 'Fan' }),
  certificate(1, 'Rescue store boards', { until: 0.55 }),
  houseSurvey(20, 'Dunlin hut', { grant: 'winter', station: 'saddle', fuel: 'peat' }),
  houseSurvey(3, 'Petrel hut', { grant: 'guild', station: 'saddle', fuel: 'oil' }),
  energyWork(6, 'Dunlin hut'),
  energyCheck(2, 'Turnstone hut'),
  propertyReport(12, 'Harbour clinic', { reader: 'owner', address: 'Mole lane 4', wettest: 3.4 }),
  propertyReport(2, 'Auk refuge', { reader: 'buyer', address: 'Upper path 1', wettest: 7.6 }),
  propertyReport(1, 'Razorbill hut', {
    reader: 'lender',
    address: 'Upper path 7',
    wettest: 6.8,
    until: 0.7,
  }),
  houseSurvey(1, 'Eider hut', { grant: 'winter', station: 'harbour', fuel: 'oil', until: 0.7 }),
];
