import type { ReportPart } from '../../../src/modules/trades/report-part.ts';

/** The report part of the kit for tests. */
export const MORE_REPORT_PARTS: readonly ReportPart[] = [
  {
    kit: 'walls',
    draw: (paper, state) => {
      const worst = state.reckoned.find(({ name }) => name === 'worstWall')?.value;
      if (typeof worst === 'string')
        paper.text(`Begin with ${worst}.`, paper.left, { face: 'bold' });
    },
  },
];
