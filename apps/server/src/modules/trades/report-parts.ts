import type { SheetState } from '@ant-trail/core/sheet';
import type { Paper } from '../reports/pdf/paper.ts';
import { MORE_REPORT_PARTS } from './more-report-parts.ts';

/** What a kit adds to the report, after the cover and before the answers. */
export interface ReportPart {
  /** Key of the kit in core. */
  readonly kit: string;
  readonly draw: (paper: Paper, state: SheetState) => void;
}

/** Kits with a part of their own in the report, one line each; the others have their results alone. */
export const REPORT_PARTS: readonly ReportPart[] = [...MORE_REPORT_PARTS];
