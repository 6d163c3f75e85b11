import { answersOf, type SheetState } from '@ant-trail/core/sheet';
import {
  DRAWING,
  HOUSE_LINES,
  OUTLET_NAMES,
  partsAt,
  ribbonsOf,
  sayLeaving,
  sayWhole,
  sayYears,
  surveyOf,
  wantedOf,
  worthOf,
  type Ribbon,
  type Survey,
} from '@ant-trail/core/trades/energy';
import { PARTS } from '@ant-trail/core/trades/energy/keys';
import { CLAY, INK, QUIET, RULE, type Paper } from '../../../paper/paper.ts';
import { drawSchedule, type Cell, type Column } from '../../../paper/schedule.ts';
import { drawAgreedAndFound } from './agreed-and-found.ts';
import type { ReportPart } from '../report-part.ts';
import { rowsAt } from '../rows-table.ts';

const right = (words: string): Cell => ({ words });

/** What is proposed: where the heat goes, each measure with what it saves and costs, the fuels and the money. */
export const PROPOSAL: ReportPart = {
  kit: 'energy',
  draw: (paper, state) => {
    const survey = surveyOf(answersOf(state));
    // A check visit has no house of its own to draw.
    if (!survey) return drawAgreedAndFound(paper, state);
    paper.need(DRAWING.height + 60);
    paper.space(14);
    paper.text('Where the heat goes', paper.left, { face: 'bold', size: 15, tag: 'H2' });
    paper.text(
      'Heat that leaves the house, kWh a year. Pale: before what is proposed.',
      paper.left,
      {
        ...{ size: 9.5, color: QUIET },
      },
    );
    drawHouse(paper, ribbonsOf(survey.house, survey.savings.houseAfter));
    if (survey.savings.each.length > 0) writeMeasures(paper, state, survey);
    writeFuels(paper, survey);
    if (survey.savings.each.length > 0) writeMoney(paper, survey);
  },
};

function drawHouse(paper: Paper, ribbons: readonly Ribbon[]): void {
  const { document } = paper;
  const top = paper.y + 6;
  const left = paper.left + (paper.width - DRAWING.width) / 2;
  const said = ribbons.map((ribbon) => `${OUTLET_NAMES[ribbon.outlet]}: ${sayLeaving(ribbon)}`);
  paper.figure(`Where the heat goes, kWh a year. ${said.join('. ')}.`, () => {
    document.save().translate(left, top);
    for (const { drawnBefore, drawnAfter } of ribbons) {
      document.path(drawnBefore).fill(RULE);
      document.path(drawnAfter).fill(CLAY);
    }
    for (const lines of Object.values(HOUSE_LINES))
      document.path(lines).lineWidth(1.4).fillAndStroke('#FFFFFF', INK);
    document.restore();
    for (const ribbon of ribbons) {
      const { x, y } = ribbon.words;
      paper.put(OUTLET_NAMES[ribbon.outlet], left + x, top + y - 13, { face: 'bold', size: 10 });
      paper.put(sayLeaving(ribbon), left + x, top + y, { size: 10 });
    }
  });
  paper.y = top + DRAWING.height + 8;
}

function writeMeasures(paper: Paper, state: SheetState, { savings }: Survey): void {
  heading(paper, 'What is proposed');
  const rows = rowsAt(state, PARTS);
  const parts = partsAt(answersOf(state)).map((at) => rows[at]);
  const columns: readonly Column[] = [
    { head: 'Measure', share: 2.4 },
    { head: 'Where', share: 1.8 },
    { head: 'Saves, kWh a year', share: 1.1 },
    { head: 'Costs', share: 0.9 },
    { head: 'Given back', share: 0.9 },
    { head: '', share: 0.9 },
  ];
  drawSchedule(
    paper,
    columns,
    savings.each.map(({ measure, where, saved, cost, rebate, isDone }) => [
      right(measure.label),
      right('part' in where ? (parts[where.part]?.name ?? '') : 'whole house'),
      ...[sayWhole(saved), sayWhole(cost), sayWhole(rebate)].map(right),
      right(isDone ? 'done' : 'proposed'),
    ]),
  );
}

function writeFuels(paper: Paper, { savings: { before, after } }: Survey): void {
  heading(paper, 'What the house uses');
  const fuels = [...new Set([...before.byFuel.keys(), ...after.byFuel.keys()])];
  const line = (name: string, was: number, is: number): Cell[] =>
    [name, sayWhole(was), sayWhole(is), sayWhole(was - is)].map(right);
  drawSchedule(
    paper,
    [
      { head: 'kWh a year', share: 2 },
      { head: 'As it stands', share: 1 },
      { head: 'Then', share: 1 },
      { head: 'Saved', share: 1 },
    ],
    [
      ...fuels.map((fuel) => line(fuel, before.byFuel.get(fuel) ?? 0, after.byFuel.get(fuel) ?? 0)),
      line('Together', before.total, after.total),
      line('CO₂, kg a year', before.emissions, after.emissions),
    ],
  );
}

function writeMoney(paper: Paper, survey: Survey): void {
  const { savings, terms } = survey;
  const worth = worthOf(savings, terms);
  const wanted = wantedOf(survey);
  const saved = savings.before.total - savings.after.total;
  heading(paper, 'What it costs, and pays back');
  const facts: readonly (readonly [string, string])[] = [
    ['Cost of all measures', sayWhole(worth.cost)],
    ['Given back by the programme', sayWhole(worth.rebate)],
    ['Net cost', sayWhole(worth.net)],
    ['Saved each year, at today’s prices', sayWhole(worth.yearly)],
    ['Paid back in', sayYears(worth.payback)],
    [
      `Loan of the net cost over ${terms.months} months at ${terms.interest} %`,
      `${worth.loan.toFixed(2)} a month`,
    ],
    [`Worth now, at ${terms.discount} % a year`, sayWhole(worth.presentValue)],
    ...(wanted === null
      ? []
      : [
          [
            'What the programme wants saved',
            `${sayWhole(wanted)} kWh a year, ${saved >= wanted - 0.5 ? 'reached' : 'not reached'}`,
          ] as const,
        ]),
  ];
  drawSchedule(
    paper,
    [
      { head: 'Money', share: 2 },
      { head: '', share: 1.2 },
    ],
    facts.map((fact) => fact.map(right)),
  );
}

function heading(paper: Paper, words: string): void {
  paper.need(90);
  paper.space(14);
  paper.text(words, paper.left, { face: 'bold', size: 13, tag: 'H3' });
  paper.space(4);
}
