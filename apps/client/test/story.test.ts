import type { Story, ToldBySheet } from '@ant-trail/contract/story';
import { linesOf, seriesOf } from '../features/story/desk/story-lines.ts';

const ID = '01890000-0000-7000-8000-00000000000';
const told = (
  nr: number,
  day: string,
  flow: number,
  more: Partial<ToldBySheet> = {},
): ToldBySheet => ({
  ...{ sheet: `${ID}${nr}`, template: `${ID}a`, title: 'Pump round', day, by: null },
  ...{ at: `${day}T09:00:00Z`, stage: 'approved', answered: 1, asked: 1, worst: 0 },
  ...{ findings: [], facts: [], photos: [] },
  readings: [
    {
      ...{ key: 'flow', label: 'Flow', unit: 'L/s', value: flow, at: `${day}T08:55:00Z` },
      expected: { low: 10 },
    },
  ],
  ...more,
});

const STORY: Story = {
  asset: {
    ...{ id: `${ID}f`, site: `${ID}e`, kind: 'pump', name: 'Pump 2', retired: false, area: false },
    ...{ within: null, condition: 'watch', facts: {}, purposes: [], alsoIn: [], shape: null },
  },
  openings: [],
  ...{ siteName: 'Upper cistern', number: null, older: false },
  sheets: [
    told(3, '2031-03-09', 8, {
      ...{ worst: 3, findings: [{ severity: 3, words: 'Flow: 8 L/s' }], answered: 2 },
    }),
    told(2, '2031-03-05', 11, { template: `${ID}b`, title: 'Overhaul', readings: [] }),
    told(1, '2031-03-01', 12),
  ],
  events: [
    {
      ...{ id: `${ID}4`, asset: `${ID}f`, kind: 'moved', at: '2031-03-07T10:00:00Z', by: null },
      ...{ from: 'Lower cistern', to: 'Upper cistern', note: '' },
    },
  ],
  actions: [
    {
      ...{ id: `${ID}5`, site: `${ID}e`, siteName: '', sheet: null, key: null, moves: [] },
      ...{ title: 'Change the seal', details: '', severity: 3, owner: `${ID}9`, state: 'open' },
      ...{ dueOn: '2031-03-20', createdBy: `${ID}9`, createdAt: '2031-03-10T08:00:00Z' },
    },
  ],
};

test('what happened is told in order, the newest first, each in words', () => {
  expect(linesOf(STORY).map(({ words, mark }) => `${words} (${mark})`)).toEqual([
    'Action: Change the seal (planned)',
    'Pump round, 2 answers (needs eyes)',
    'Moved from Lower cistern to Upper cistern (received)',
    'Overhaul, 1 answer, all as usual (received)',
    'Pump round, 1 answer, all as usual (received)',
  ]);
  expect(linesOf(STORY)[1]?.more).toEqual(['Flow: 8 L/s']);
});

test('readings of one question are one chart, oldest first, with what was out marked', () => {
  const [flow, ...others] = seriesOf(STORY);
  expect(others).toEqual([]);
  expect(flow).toMatchObject({ label: 'Flow', unit: 'L/s', expected: { low: 10 } });
  expect(flow?.points.map(({ value, out }) => [value, out])).toEqual([
    [12, false],
    [8, true],
  ]);
  // A single reading is no line.
  expect(seriesOf({ ...STORY, sheets: STORY.sheets.slice(0, 1) })).toEqual([]);
});

test('who read what is only for whoever is there is part of the story', () => {
  const opening = { by: `${ID}9`, at: '2031-03-11T08:00:00Z', reason: 'The sheet is gone' };
  const [line] = linesOf({ ...STORY, openings: [{ ...opening, id: `${ID}7`, how: 'reason' }] });
  expect(line).toMatchObject({ mark: 'needs eyes', more: ['“The sheet is gone”'] });
  expect(line?.words).toContain('opened it without proof');
});
