import type { ReportPart } from './report-part.ts';

/** Parts that are plugged in by whoever builds the server; tests plug in one of their own here. */
export const MORE_REPORT_PARTS: readonly ReportPart[] = [];
