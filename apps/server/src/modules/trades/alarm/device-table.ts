import { textOf, type RowState } from '@ant-trail/core/sheet';
import { DEVICES, TRIED } from '@ant-trail/core/trades/alarm/keys';
import { QUIET } from '../../../paper/paper.ts';
import type { ReportPart } from '../report-part.ts';
import { rowsAt, writeTable } from '../rows-table.ts';

/** All devices as one table, and those that were not tried with the reason that was given. */
export const DEVICE_TABLE: ReportPart = {
  kit: 'alarm',
  draws: [DEVICES],
  draw: (paper, state) => {
    const devices = rowsAt(state, DEVICES);
    if (devices.length === 0) return;
    paper.need(120);
    paper.space(14);
    paper.text('Devices', paper.left, { face: 'bold', size: 15, tag: 'H2' });
    paper.space(4);
    writeTable(paper, devices, { head: 'Device', share: 2.2 });
    const left = devices.filter((device) => !wasTried(device));
    if (left.length === 0) return;
    paper.need(60);
    paper.space(12);
    paper.text(`Not tried: ${left.length} of ${devices.length}`, paper.left, {
      ...{ face: 'bold', size: 12, tag: 'H3' },
    });
    for (const device of left)
      paper.text(`${device.name}: ${whyNot(device)}`, paper.left, { size: 9.5, color: QUIET });
  },
};

const trialOf = ({ questions }: RowState) =>
  questions.find(({ question }) => question.key === TRIED);

const wasTried = (device: RowState): boolean => trialOf(device)?.answer?.value === 'done';

function whyNot(device: RowState): string {
  const trial = trialOf(device);
  if (trial?.reason) return textOf(trial.reason.value);
  if (trial?.closedOut) return 'not applicable';
  return trial?.answer ? 'it did not answer' : 'no reason was given';
}
