import { loadAllKits } from '@ant-trail/core/trades';
import { isOverdue, type ActionState } from '@ant-trail/core/actions';
import { addDays } from '@ant-trail/core/calendar';
import { missingCatalogues } from '@ant-trail/core/catalogues';
import { chainBreaks, type Entry } from '@ant-trail/core/log';
import { problemsOf, QUESTION_KINDS, questionsOf, type TemplateBody } from '@ant-trail/core/sheet';
import type { DemoPicture } from '../src/pictures.ts';
import { Scenario } from '../src/scenario.ts';
import { TEMPLATES } from '../src/templates/index.ts';

const picture: DemoPicture = {
  sha256: 'ab'.repeat(32),
  bytes: Buffer.from('x'),
  width: 4,
  height: 3,
};
const pictures = Object.fromEntries(TEMPLATES.map(({ key }) => [key, [picture]]));

await loadAllKits();

function rowsOn(now: string): (table: string) => Record<string, unknown>[] {
  const tables = new Scenario({
    now: new Date(now),
    timeZone: 'UTC',
    offsetHours: 0,
    passwordHash: 'x',
    pictures,
  }).build();
  return (table) => tables.find((each) => each.table === table)?.rows ?? [];
}

// A whole week, since Sundays are free and the demo is laid around the day it begins.
describe.each([0, 1, 2, 3, 4, 5, 6])('the demo begun %d days after a Monday', (days) => {
  const today = addDays('2031-03-31', days);
  const rows = rowsOn(`${today}T09:20:00Z`);
  const states = (table: string): Set<unknown> => new Set(rows(table).map((row) => row['state']));

  test('has its places, people and templates', () => {
    expect(rows('site').length).toBeGreaterThanOrEqual(40);
    expect(rows('person')).toHaveLength(8);
    const bodies = rows('template_version').map((row) => row['body'] as TemplateBody);
    expect(bodies).toHaveLength(16);
    expect(bodies.flatMap(problemsOf)).toEqual([]);
    const catalogues = new Set(rows('catalogue').map((row) => String(row['key'])));
    expect(bodies.flatMap((body) => missingCatalogues(body, catalogues))).toEqual([]);
  });

  test('has work in every state, and a week ahead', () => {
    for (const state of ['draft', 'planned', 'under way', 'in review', 'returned', 'approved'])
      expect(states('job')).toContain(state);
    const last = rows('visit')
      .map((row) => String(row['day']))
      .sort()
      .at(-1);
    expect(last && last >= addDays(today, 6)).toBe(true);
  });

  test('has overdue actions and settled ones', () => {
    const overdue = rows('action').filter((row) =>
      isOverdue(
        { state: row['state'] as ActionState, severity: 2, dueOn: String(row['due_on']) },
        today,
      ),
    );
    expect(overdue.length).toBeGreaterThan(0);
    expect(states('action')).toContain('verified');
  });

  test('has logs whose chains are whole', () => {
    const entries = rows('entry').map((row) => row['body'] as Entry);
    expect(entries.length).toBeGreaterThan(5000);
    expect(chainBreaks(entries)).toEqual([]);
  });

  test('has a brake that grows hotter from visit to visit', () => {
    const site = rows('site').find((row) => String(row['name']).startsWith('Gannet Head, upper'));
    const values = rows('reading')
      .filter((row) => row['site_id'] === site?.['id'] && row['key'] === 'brake2_temp')
      .map((row) => Number(row['value']));
    const mean = (list: number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
    expect(mean(values.slice(-4))).toBeGreaterThan(mean(values.slice(0, 4)) + 5);
  });
});

/** Everything a question can have by rule; the templates that ship show each of them at work. */
const RULES = [
  ...['visibleWhen', 'requiredWhen', 'reasonWhen', 'photoWhen', 'messages', 'findings', 'checks'],
  ...['suggest', 'whenAmiss', 'follows', 'carries', 'neverBlank', 'points', 'formula', 'target'],
  ...['lowFrom', 'highFrom', 'alsoIn', 'vibrationClass', 'somethingElse', 'starts', 'fixed', 'of'],
];

test('the templates use every kind of question and every rule between them', () => {
  const bodies = TEMPLATES.map(({ body }) => body);
  const questions = bodies.flatMap(questionsOf);
  expect(new Set(questions.map(({ kind }) => kind))).toEqual(new Set(QUESTION_KINDS));
  const used = new Set(questions.flatMap((question) => Object.keys(question)));
  expect(RULES.filter((rule) => !used.has(rule))).toEqual([]);
  expect(bodies.some(({ order }) => order === 'led')).toBe(true);
  expect(bodies.some(({ score }) => score)).toBe(true);
  expect(bodies.some(({ programmes, variants }) => programmes && variants)).toBe(true);
  expect(bodies.some(({ sections }) => sections.some((each) => each.visibleWhen))).toBe(true);
});

test('the same day gives the same demo', () => {
  const [one, two] = ['2031-04-02T09:20:00Z', '2031-04-02T09:20:00Z'].map((now) =>
    JSON.stringify(rowsOn(now)('entry').slice(0, 50)),
  );
  expect(one).toBe(two);
});
