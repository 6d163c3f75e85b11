import { answersOf, sketchesIn, textOf, type RowState } from '@ant-trail/core/sheet';
import { devicesDue } from '@ant-trail/core/trades/alarm';
import { DEVICES, PLAN, TRIED, WHY_LEFT } from '@ant-trail/core/trades/alarm/keys';
import { MARK, marksIn, nameAmong } from '@ant-trail/core/trades/mark';
import { QUIET } from '../../../paper/paper.ts';
import type { ReportPart } from '../report-part.ts';
import { rowsAt, writeTable } from '../rows-table.ts';
import { drawSketchWithPins, roomForSketch } from '../sketch-with-pins.ts';

/** All devices as one table, and those that were due and did not pass with the reason that was given. */
export const DEVICE_TABLE: ReportPart = {
  kit: 'alarm',
  draws: [DEVICES],
  draw: (paper, state, pictures) => {
    const devices = rowsAt(state, DEVICES);
    if (devices.length === 0) return;
    const plans = sketchesIn(state, PLAN);
    paper.need(120 + roomForSketch(state, plans[0]?.path ?? PLAN));
    paper.space(14);
    paper.text('Devices', paper.left, { face: 'bold', size: 15, tag: 'H2' });
    paper.space(4);
    const answers = answersOf(state);
    const due = devicesDue(answers);
    const left = devices.filter((device, at) => isLeft(device, due.has(at)));
    plans.forEach(({ path, name }, at) => {
      const marks = marksIn(answers, DEVICES, nameAmong(plans, at));
      if (name !== '' && marks.some((mark) => mark !== null)) {
        paper.need(40 + roomForSketch(state, path));
        paper.text(name, paper.left, { face: 'bold', size: 12, tag: 'H3' });
      }
      drawSketchWithPins(
        paper,
        state,
        {
          path,
          words: `${name === '' ? 'Plan' : name} with the numbers of its devices, those that did not pass filled`,
          pin: 6,
        },
        devices.map((device, place) => ({
          number: device.number,
          mark: marks[place] ?? null,
          isFilled: left.includes(device),
        })),
        pictures,
      );
    });
    writeTable(
      paper,
      devices,
      { head: 'Device', share: 2.2 },
      {
        nameOf: ({ number, name }) => `${number}  ${name}`,
        without: [MARK.x, MARK.y, MARK.on],
      },
    );
    paper.need(60);
    paper.space(12);
    if (due.size < devices.length)
      paper.text(sayShare(devices, due), paper.left, { size: 9.5, color: QUIET });
    if (left.length === 0) return;
    paper.text(`Not passed: ${left.length} of ${devices.length}`, paper.left, {
      ...{ face: 'bold', size: 12, tag: 'H3' },
    });
    const why = answers[WHY_LEFT];
    for (const device of left)
      paper.text(
        `${device.name}: ${whyNot(device, typeof why === 'string' ? why : null)}`,
        paper.left,
        { size: 9.5, color: QUIET },
      );
  },
};

/** What a share of the devices means, and what of it was done. */
function sayShare(devices: readonly RowState[], due: ReadonlySet<number>): string {
  const tried = devices.filter(wasTried).length;
  const later = devices.filter((device, at) => !due.has(at) && !wasTried(device)).length;
  return [
    `${due.size} of ${devices.length} devices were due at this visit, those tried longest ago first; ${tried} were tried.`,
    ...(later > 0 ? [`${later} ${later === 1 ? 'is' : 'are'} due at a later one.`] : []),
  ].join(' ');
}

const trialOf = ({ questions }: RowState) =>
  questions.find(({ question }) => question.key === TRIED);

const wasTried = (device: RowState): boolean => (trialOf(device)?.answer ?? null) !== null;

/** One that did not answer, due or not; and one that was due and nobody tried. */
const isLeft = (device: RowState, isDue: boolean): boolean =>
  wasTried(device) ? trialOf(device)?.answer?.value !== 'done' : isDue;

function whyNot(device: RowState, said: string | null): string {
  const trial = trialOf(device);
  if (trial?.reason) return textOf(trial.reason.value);
  if (trial?.closedOut) return 'not applicable';
  return trial?.answer ? 'it did not answer' : (said ?? 'no reason was given');
}
