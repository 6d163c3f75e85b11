import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { find, openDesk, openPhone, question } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const PLACE = 'Harbour clinic';

const mustBeReadable = async (page: Page): Promise<void> => {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
};

test('a round is said in words at the desk, walked with no network through one house, and a stop of it left out', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');

  await test.step('how often is said in words, and its days stand beside it', async () => {
    await desk.getByRole('link', { name: 'Rounds' }).click();
    await expect(desk.getByText('every Monday and Thursday')).toBeVisible();
    await desk.getByRole('button', { name: 'New round' }).click();
    await desk.getByLabel('What the round is called').fill('Alarms by the quay');
    const often = desk.getByLabel('How often');
    await often.fill('every blue moon');
    await often.blur();
    await expect(desk.getByText(/“blue” is not understood/)).toBeVisible();
    await often.fill('every 2nd day');
    await expect(desk.getByText('Understood: every second day')).toBeVisible();
    const days = desk.getByRole('list', { name: 'Days ahead' }).getByRole('listitem');
    await expect(days).toHaveCount(8);
    const second = await days
      .nth(1)
      .getByText(/\d{4}$/)
      .innerText();
    await desk.getByRole('button', { name: `Leave out ${second}` }).click();
    await expect(desk.getByRole('button', { name: `Bring back ${second}` })).toBeVisible();
    await expect(days).toHaveCount(8);
  });

  await test.step('every thing of a kind becomes a stop at once', async () => {
    await find(desk, 'Who walks it', 'Imke Dorrance');
    await desk.getByLabel('Begins at').fill('05:30');
    await desk.getByRole('button', { name: 'Begin the round' }).click();
    await expect(desk.getByText('A round needs at least one stop.')).toBeVisible();
    const group = desk.getByRole('group', { name: 'Add stops' });
    await find(group, 'Place', PLACE);
    await find(group, 'What there', 'every alarm device');
    await find(group, 'Sheet', 'Hut keeping audit');
    await group.getByLabel('Minutes').fill('5');
    await group.getByRole('button', { name: 'Add', exact: true }).click();
    const stops = desk.getByRole('list', { name: 'Stops' }).getByRole('listitem');
    await expect(stops.first()).toContainText(PLACE);
    // Three are enough for a morning; the second goes before the first.
    for (let more = await stops.count(); more > 3; more--)
      await desk.getByRole('button', { name: `Take stop ${more} out` }).click();
    const name = await stops.nth(1).innerText();
    await desk.getByRole('button', { name: 'Stop 2 earlier' }).click();
    await expect(stops.first()).toContainText(name.split('\n')[1] ?? '');
    await mustBeReadable(desk);
    await desk.getByRole('button', { name: 'Begin the round' }).click();
    await expect(desk.getByRole('heading', { name: 'Alarms by the quay' })).toBeVisible();
    const walks = desk.getByRole('list', { name: 'What came of it' });
    await expect(walks.getByRole('listitem')).toHaveCount(1, { timeout: 20_000 });
  });

  const imke = await openPhone(browser, office.url, 'imke');
  const { page } = imke;
  const line = (at: number) =>
    page.getByRole('list', { name: 'Sheets' }).getByRole('listitem').nth(at);

  await test.step('the phone has it, and says of its rounds what is today', async () => {
    await expect(
      page.getByRole('list', { name: 'Your rounds' }).getByText(/^today · every second day$/),
    ).toBeVisible();
    await mustBeReadable(page);
    await imke.context.setOffline(true);
    const stop = page.getByRole('button', { name: new RegExp(`^${PLACE}`) });
    if (await stop.count()) await stop.first().click();
    else await page.getByRole('button', { name: 'More' }).click();
    await expect(page.getByRole('list', { name: 'Sheets' }).getByRole('listitem')).toHaveCount(3);
    await page.getByRole('button', { name: 'Set off' }).click();
    await page.getByRole('button', { name: 'I have arrived' }).click();
    const why = page.getByLabel('Why from here?');
    const start = page.getByRole('button', { name: 'Start the sheet' });
    await expect(why.or(start)).toBeVisible();
    if (await why.isVisible()) {
      await why.fill('working from the harbour');
      await page.getByRole('dialog').getByRole('button', { name: 'I have arrived' }).click();
    }
    await expect(start).toBeVisible();
  });

  await test.step('a stop is left out, and why is asked for; the next one is begun', async () => {
    await line(0)
      .getByRole('button', { name: /^Leave out/ })
      .click();
    const dialog = page.getByRole('dialog', { name: /^Leave out/ });
    await dialog.getByRole('button', { name: 'Leave it out' }).click();
    await expect(dialog.getByText('Say why it is left out')).toBeVisible();
    await dialog.getByRole('radio', { name: 'Locked' }).click();
    await dialog.getByRole('button', { name: 'Leave it out' }).click();
    await expect(line(0).getByText('left out: Locked')).toBeVisible();
    await page.waitForTimeout(400);
    await page.reload();
    await expect(line(0).getByText('left out: Locked')).toBeVisible();
    await page.getByRole('button', { name: 'Start the sheet' }).click();
    await expect(question(page, 'Cold things kept cold')).toBeVisible();
  });

  await test.step('with the network back the office sees it', async () => {
    await imke.context.setOffline(false);
    await page.getByRole('button', { name: '‹ Trail' }).click();
    await expect(page.getByText(/office has all/)).toBeVisible({ timeout: 60_000 });
    await desk.getByRole('button', { name: 'Look at today' }).click();
    await expect(desk.getByText(/under way, Imke Dorrance, 1 left out/)).toBeVisible();
    await desk.getByRole('button', { name: `Open ${PLACE}` }).click();
    await expect(
      desk.getByRole('dialog', { name: PLACE }).getByText('left out: Locked'),
    ).toBeVisible();
  });
});

test('the server is killed while it plans rounds ahead: each day is planned once, and whole', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  const sites = await office.query<{ id: string }>(
    `SELECT s.id FROM site s JOIN organisation o ON o.id = s.org_id
     WHERE o.name = (SELECT max(name) FROM organisation) AND NOT s.retired ORDER BY s.name LIMIT 12`,
  );
  const [sheet] = await office.query<{ template: string }>(
    `SELECT id AS template FROM template WHERE title = 'Hut keeping audit' LIMIT 1`,
  );
  const [day] = await office.query<{ day: string }>(
    `SELECT (now() AT TIME ZONE time_zone)::date::text AS day FROM organisation ORDER BY name DESC LIMIT 1`,
  );
  const begin = async (name: string): Promise<void> => {
    const made = await desk.request.post(`${office.url}/api/rounds`, {
      headers: { origin: office.url },
      data: {
        ...{ name, rule: 'FREQ=DAILY', begins: day?.day, without: [], besides: [] },
        ...{ onHolidays: 'as ever', start: 300, person: null, instructions: '', recipients: [] },
        reader: null,
        stops: sites.map(({ id }) => ({
          ...{ site: id, asset: null, template: sheet?.template, minutes: 10 },
        })),
      },
    });
    expect([made.status(), await made.text()]).toEqual([200, expect.any(String)]);
  };
  const planned = (): Promise<{ name: string; walks: number; days: number; jobs: number }[]> =>
    office.query(
      `SELECT r.name, count(DISTINCT w.id)::int AS walks, count(DISTINCT w.due)::int AS days,
              count(j.id)::int AS jobs
       FROM round r LEFT JOIN round_walk w ON w.round_id = r.id AND NOT w.withdrawn
       LEFT JOIN job j ON j.walk_id = w.id
       WHERE r.name LIKE 'Killed%' GROUP BY r.name ORDER BY r.name`,
    );
  const names: string[] = [];
  for (const moment of [0, 300, 1_200]) {
    for (const each of [1, 2]) {
      names.push(`Killed after ${moment}, ${each}`);
      await begin(names.at(-1) ?? '');
    }
    await desk.waitForTimeout(moment);
    office.kill();
    await desk.waitForTimeout(300);
    await office.start();
  }
  await expect
    .poll(planned, { timeout: 180_000 })
    .toEqual(names.sort().map((name) => ({ name, walks: 15, days: 15, jobs: 15 * sites.length })));
});
