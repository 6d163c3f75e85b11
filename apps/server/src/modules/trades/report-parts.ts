import { MORE_REPORT_PARTS } from './more-report-parts.ts';
import { DEVICE_TABLE } from './alarm/device-table.ts';
import { SCHEDULES } from './electrical/schedules.ts';
import { PROPOSAL } from './energy/proposal.ts';
import { PLACE_AND_WALLS } from './property/place-and-walls.ts';
import type { ReportPart } from './report-part.ts';

/** Kits with a part of their own in the report, one line each; the others have their results alone. */
export const REPORT_PARTS: readonly ReportPart[] = [
  SCHEDULES,
  DEVICE_TABLE,
  PROPOSAL,
  PLACE_AND_WALLS,
  ...MORE_REPORT_PARTS,
];
