import type { DemoTemplate } from '../templates/demo-template.ts';
import { CERTIFICATE } from './electrical/certificate.ts';
import { JOINT } from './bolting/joint.ts';
import { ALARM } from './alarm/panel.ts';
import { ENERGY_CHECK } from './energy/check.ts';
import { ENERGY_WORK } from './energy/work.ts';
import { HOUSE_SURVEY } from './energy/house.ts';
import { PROPERTY_REPORT } from './property/report.ts';
import { SURVEY } from './energy/survey.ts';

/** What trade kits begin with, a line for each kit that has something. */
export const OF_KITS: readonly DemoTemplate[] = [
  ...[CERTIFICATE, JOINT, ALARM, SURVEY],
  ...[HOUSE_SURVEY, ENERGY_WORK, ENERGY_CHECK, PROPERTY_REPORT],
];
