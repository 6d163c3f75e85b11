import type { SheetState } from '@ant-trail/core/sheet';
import type { Paper } from '../../paper/paper.ts';
import type { Pictures } from '../../paper/sketch.ts';

/** What a kit adds to the report, after the cover and before the answers. */
export interface ReportPart {
  /** Key of the kit in core. */
  readonly kit: string;
  /** Row groups it draws itself: among the answers only what else belongs to them is left. */
  readonly draws?: readonly string[];
  readonly draw: (paper: Paper, state: SheetState, pictures: Pictures) => void;
}
