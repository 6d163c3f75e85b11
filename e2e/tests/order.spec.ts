import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

/** Far apart: nobody goes to and fro between them without need. */
const HARBOUR = 'Harbour lift station';
const RIDGE = 'Fulmar Ridge top station';

interface Planned {
  readonly place: string;
  readonly start: number;
}

/** What somebody has on the day after today, in its order. */
const tomorrowOf = (who: string): Promise<Planned[]> =>
  office.query<Planned>(
    `SELECT s.name AS place, v.start FROM visit v JOIN job j ON j.id = v.job_id
     JOIN site s ON s.id = j.site_id JOIN person p ON p.id = v.person_id
     WHERE p.name = '${who}' AND v.day = (SELECT min(day) FROM tomorrow) ORDER BY v.start`,
  );

/** A day to and fro for one person, and nothing else that day. */
async function planToAndFro(desk: Page): Promise<void> {
  const [facts] = await office.query<{ harbour: string; ridge: string; person: string }>(
    `SELECT (SELECT id FROM site WHERE name = '${HARBOUR}') AS harbour,
            (SELECT id FROM site WHERE name = '${RIDGE}') AS ridge,
            (SELECT id FROM person WHERE name = 'Imke Dorrance') AS person`,
  );
  const [sheet] = await office.query<{ template: string }>(
    `SELECT id AS template FROM template WHERE title = 'Drive room round'`,
  );
  const [day] = await office.query<{ day: string }>(`SELECT min(day)::text AS day FROM tomorrow`);
  if (!facts || !sheet || !day) throw new Error('the demo lacks what this needs');
  await office.query(`UPDATE visit SET day = '2040-01-01' WHERE day = '${day.day}'`);
  await office.query(`UPDATE person SET hours = '[]', absences = '[]'`);
  for (const [i, site] of [facts.harbour, facts.ridge, facts.harbour, facts.ridge].entries()) {
    const made = await desk.request.post(`${office.url}/api/jobs`, {
      headers: { origin: office.url },
      data: {
        ...{ site, template: sheet.template, title: `Round ${i + 1}`, instructions: '' },
        ...{ day: day.day, windowFrom: null, windowTo: null, start: 480 + i * 120, minutes: 30 },
        ...{ person: facts.person, recipients: [] },
      },
    });
    expect(made.status()).toBe(200);
  }
}

test('a day that goes to and fro is put in order at the desk, seen beside the old one, and taken by keys', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await office.query(
    `CREATE VIEW tomorrow AS SELECT ((now() AT TIME ZONE o.time_zone)::date + 1) AS day FROM organisation o`,
  );
  await planToAndFro(desk);
  await desk.goto(`${office.url}/day`);
  await desk.getByRole('button', { name: 'After ›' }).click();
  await expect(
    desk.getByRole('main').getByRole('button', { name: new RegExp(`^${RIDGE}`) }),
  ).toHaveCount(2);
  await desk.getByRole('button', { name: 'Look for a better order' }).click();
  const panel = desk.getByRole('region', { name: 'The better order' });
  await expect(panel.getByText('less on the way')).toBeVisible();
  await panel.getByRole('button', { name: 'That will do' }).click();
  await expect(panel.getByText('Looking')).toHaveCount(0);
  const { violations } = await new AxeBuilder({ page: desk }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
  // Shown, and nothing of it taken yet.
  expect((await tomorrowOf('Imke Dorrance')).map(({ place }) => place)).toEqual([
    ...[HARBOUR, RIDGE, HARBOUR, RIDGE],
  ]);

  await panel.getByRole('button', { name: /^Take it: .*Imke Dorrance/ }).focus();
  await desk.keyboard.press('Enter');
  await expect
    .poll(async () => (await tomorrowOf('Imke Dorrance')).map(({ place }) => place).join())
    .toMatch(
      new RegExp(
        `^(${HARBOUR},${HARBOUR},${RIDGE},${RIDGE}|${RIDGE},${RIDGE},${HARBOUR},${HARBOUR})`,
      ),
    );
  await panel.getByRole('button', { name: 'Back to the day' }).click();
  await expect(desk.getByRole('button', { name: 'New job' })).toBeVisible();
  await desk.waitForTimeout(400);
  await desk.getByRole('button', { name: 'Look for a better order' }).click();
  await expect(panel.getByText('the day stands well as it is')).toBeVisible();
});
