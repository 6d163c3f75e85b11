import { answersOf, type RowState, type SheetState } from '@ant-trail/core/sheet';
import {
  BANDS,
  conditionsOf,
  DEPTHS,
  limitsOf,
  pathOf,
  pictureOf,
  wallsOf,
  type WallPicture,
} from '@ant-trail/core/trades/property';
import { AREAS, CONDITIONS, SKETCH, WALLS } from '@ant-trail/core/trades/property/keys';
import { INK, LAKE, QUIET, type Paper } from '../../../paper/paper.ts';
import { drawSchedule } from '../../../paper/schedule.ts';
import type { Pictures } from '../../../paper/sketch.ts';
import type { ReportPart } from '../report-part.ts';
import { rowsAt } from '../rows-table.ts';
import { drawSketchWithPins } from '../sketch-with-pins.ts';

/** What the reader relies on: what was not seen, what is to be put right and where, and how wet the walls are. */
export const PLACE_AND_WALLS: ReportPart = {
  kit: 'property',
  draws: [WALLS],
  draw: (paper, state, pictures) => {
    writeConditions(paper, state, pictures);
    drawWalls(paper, state);
    writeLimits(paper, state);
  },
};

function writeLimits(paper: Paper, state: SheetState): void {
  const limits = limitsOf(answersOf(state));
  if (limits.length === 0) return;
  const names = rowsAt(state, AREAS);
  heading(paper, 'What was not seen');
  for (const { label, words, areas } of limits) {
    paper.need(60);
    paper.space(6);
    paper.text(areas.map((at) => names[at]?.name ?? '').join(', '), paper.left, {
      ...{ face: 'bold', size: 11, tag: 'H3' },
    });
    paper.text(`${label}. ${words}`, paper.left, { size: 10 });
  }
}

function writeConditions(paper: Paper, state: SheetState, pictures: Pictures): void {
  const conditions = conditionsOf(answersOf(state));
  const rows = rowsAt(state, CONDITIONS);
  if (conditions.length === 0) return;
  heading(paper, 'To put right');
  drawSketchWithPins(
    paper,
    state,
    { path: SKETCH, words: 'Sketch with the numbers of what is to be put right', pin: 9 },
    conditions.map(({ number, mark, urgency }) => ({ number, mark, isFilled: urgency === 'now' })),
    pictures,
  );
  const said = (row: RowState | undefined, key: string): string => {
    const value = row?.questions.find(({ question }) => question.key === key)?.answer?.value;
    return typeof value === 'string' ? value : '';
  };
  drawSchedule(
    paper,
    [
      { head: 'No.', share: 0.5 },
      { head: 'What', share: 2.4 },
      { head: 'Where', share: 2 },
      { head: 'How soon', share: 1.1 },
    ],
    conditions.map(({ at, number, urgency }) => [
      { words: String(number) },
      { words: said(rows[at], 'what') || (rows[at]?.name ?? '') },
      { words: said(rows[at], 'where_it_is') },
      { words: urgency ? SOON[urgency] : '' },
    ]),
  );
}

const SOON = { now: 'at once', soon: 'within the year', watch: 'watch it' } as const;
function drawWalls(paper: Paper, state: SheetState): void {
  const rows = rowsAt(state, WALLS);
  const walls = wallsOf(answersOf(state)).flatMap(({ at, material, spots }) => {
    const picture = pictureOf(material, spots);
    return picture ? [{ name: rows[at]?.name ?? '', picture }] : [];
  });
  if (walls.length === 0) return;
  // With its first wall: a heading does not stand alone.
  paper.need(120 + (walls[0]?.picture.height ?? 0) * WALL_WIDE);
  heading(paper, 'Moisture of the walls');
  paper.text(
    'Percent by mass. The darker, the wetter: dry, damp, wet for what the wall is made of.',
    paper.left,
    {
      ...{ size: 9.5, color: QUIET },
    },
  );
  for (const { name, picture } of walls) drawWall(paper, name, picture);
}

const WALL_WIDE = 330;

function drawWall(paper: Paper, name: string, picture: WallPicture): void {
  const { height, points } = picture;
  const high = height * WALL_WIDE;
  paper.need(high + 50);
  paper.space(8);
  paper.text(name, paper.left, { face: 'bold', size: 11, tag: 'H3' });
  const [left, top] = [paper.left, paper.y + 4];
  const said = points.map(({ wet }) => wet).join(', ');
  paper.figure(`${name}, readings in percent: ${said}.`, () => {
    const { document } = paper;
    document.save().translate(left, top);
    for (const band of BANDS)
      document
        .path(pathOf(picture, band, WALL_WIDE))
        .fillOpacity(DEPTHS[band])
        .fill(LAKE);
    document.fillOpacity(1).restore();
    document.lineWidth(1.2).rect(left, top, WALL_WIDE, high).stroke(INK);
    for (const { x, y, wet } of points) {
      const words = String(wet);
      paper.put(words, left + x * WALL_WIDE - words.length * 2.6, top + high - y * WALL_WIDE - 6, {
        ...{ face: 'bold', size: 9 },
      });
    }
  });
  paper.y = top + high + 6;
}

function heading(paper: Paper, words: string): void {
  paper.need(90);
  paper.space(14);
  paper.text(words, paper.left, { face: 'bold', size: 15, tag: 'H2' });
  paper.space(4);
}
