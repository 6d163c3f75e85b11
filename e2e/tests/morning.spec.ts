import { expect, test, type Page } from '@playwright/test';
import { codesOn } from '../../apps/server/test/support/codes-on-paper.ts';
import { showLabel } from '../support/labels.ts';
import { TestOffice } from '../support/office.ts';
import { find, openDesk, openPhone, openStop, planJob } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());
test.afterEach(async ({ browser }) => {
  for (const context of browser.contexts()) await context.close();
});

/** Sealed in the demo: what is for whoever is there opens by its code. */
const SEALED = 'Gannet Head, upper cableway station';
const SHEET = 'Drive room round';

/** Today on the island, whatever day it is here. */
const dayThere = async (): Promise<string> =>
  (
    await office.query<{ day: string }>(
      `SELECT (now() AT TIME ZONE time_zone)::date::text AS day FROM organisation ORDER BY name DESC LIMIT 1`,
    )
  )[0]?.day ?? '';

/** Nobody can do another's work: each day becomes a part of its own. */
async function toEachTheirTrade(): Promise<void> {
  await office.query(
    `UPDATE template_version SET body = jsonb_set(body, '{demands}',
       jsonb_build_object('skills', jsonb_build_array(body->>'title')))`,
  );
  await office.query(
    `UPDATE person p SET skills = coalesce((SELECT array_agg(DISTINCT h.title) FROM visit v
       JOIN sheet h ON h.job_id = v.job_id WHERE v.person_id = p.id), '{}')`,
  );
}

async function importJobs(desk: Page, csv: string): Promise<void> {
  await desk.getByRole('link', { name: 'Jobs' }).click();
  await desk.getByRole('button', { name: 'Import', exact: true }).click();
  const dialog = desk.getByRole('dialog', { name: 'Import jobs' });
  await dialog.getByLabel('Choose the file').setInputFiles({
    ...{ name: 'jobs.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) },
  });
  await dialog.getByRole('button', { name: 'Look what would come in' }).click();
  await expect(dialog.getByText('Line 3: There is no place called “Nowhere”.')).toBeVisible();
  await dialog.getByRole('checkbox', { name: /^Import without/ }).click();
  await dialog.getByRole('button', { name: 'Import 1 job' }).click();
  await dialog.getByRole('button', { name: 'Done' }).click();
  await expect(dialog).toBeHidden();
}

async function placeCode(desk: Page): Promise<string> {
  const [site] = await office.query<{ id: string }>(`SELECT id FROM site WHERE name = '${SEALED}'`);
  const sheet = await desk.request.post(`${office.url}/api/sites/${site?.id}/arrival/code`, {
    headers: { origin: office.url },
  });
  const [found] = await codesOn(new Uint8Array(await sheet.body()), 150);
  return found?.code ?? '';
}

/** Goes to the next day on which anybody works: Sundays are free. */
async function toNextWorkDay(desk: Page): Promise<void> {
  const after = desk.getByRole('button', { name: 'After ›' });
  const day = desk.getByRole('heading', { level: 1 });
  const today = await day.innerText();
  await after.click();
  await expect(day).not.toHaveText(today);
  if ((await day.innerText()).startsWith('Sunday')) await after.click();
  await expect(day).not.toHaveText(/^Sunday/);
}

async function arrive(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'I have arrived' }).click();
  const why = page.getByLabel('Why from here?');
  const start = page.getByRole('button', { name: /^(Start|Go on with) the sheet/ });
  await expect(why.or(start)).toBeVisible();
  if (!(await why.isVisible())) return;
  await why.fill('working from the harbour');
  await page.getByRole('dialog').getByRole('button', { name: 'I have arrived' }).click();
  await expect(start).toBeVisible();
}

for (const offline of [false, true])
  test(`a manager’s morning, and the same on a phone ${offline ? 'with no network after seven' : 'in the hand of somebody'}`, async ({
    browser,
  }) => {
    const desk = await openDesk(browser, office.url, 'edda');
    const day = await dayThere();
    const name = offline ? 'Second morning' : 'First morning';

    await test.step('three jobs come in, one of them in a file', async () => {
      await planJob(desk, office.url, {
        ...{ place: SEALED, sheet: SHEET, person: 'Imke Dorrance' },
        start: offline ? '05:10' : '05:00',
      });
      await planJob(desk, office.url, {
        ...{ place: 'Storm Petrel mid station', sheet: SHEET, person: 'Imke Dorrance' },
        start: offline ? '16:40' : '16:00',
      });
      await importJobs(
        desk,
        [
          'Site;Template;Date;Time;Minutes;Technician;Title',
          `Eider hut;Hut keeping audit;${day};${offline ? '15:45' : '15:15'};20;Imke Dorrance;${name}`,
          `Nowhere;Hut keeping audit;${day};;;;`,
        ].join('\n'),
      );
      await desk.getByLabel('Place, job or person').fill(name);
      await expect(desk.getByText('1 in all')).toBeVisible();
    });

    await test.step('a round is begun by its rule', async () => {
      await desk.getByRole('link', { name: 'Rounds' }).click();
      await desk.getByRole('button', { name: 'New round' }).click();
      await desk.getByLabel('What the round is called').fill(`${name}, quay`);
      await desk.getByLabel('How often').fill('every day, 3 times');
      await desk.getByLabel('Begins at').fill(offline ? '17:40' : '17:00');
      await find(desk, 'Who walks it', 'Imke Dorrance');
      const group = desk.getByRole('group', { name: 'Add stops' });
      await find(group, 'Place', 'Harbour clinic');
      await find(group, 'Sheet', 'Hut keeping audit');
      await group.getByRole('button', { name: 'Add', exact: true }).click();
      await desk.getByRole('button', { name: 'Begin the round' }).click();
      const walks = desk.getByRole('list', { name: 'What came of it' });
      await expect(walks.getByRole('listitem')).toHaveCount(1, { timeout: 20_000 });
    });

    if (!offline)
      await test.step('the order is improved, and taken in part', async () => {
        await toEachTheirTrade();
        await desk.getByRole('link', { name: 'Day', exact: true }).click();
        await toNextWorkDay(desk);
        await desk.getByRole('button', { name: 'Look for a better order' }).click();
        const panel = desk.getByRole('region', { name: 'The better order' });
        await expect(panel.getByText('less on the way')).toBeVisible();
        await panel.getByRole('button', { name: 'That will do' }).click();
        const parts = panel.getByRole('button', { name: /^Take it: / });
        const before = await parts.count();
        expect(before).toBeGreaterThan(1);
        await parts.first().click();
        await expect(parts).toHaveCount(before - 1);
        await panel.getByRole('button', { name: 'Back to the day' }).click();
        await desk.getByRole('button', { name: 'Today', exact: true }).click();
      });

    const code = await placeCode(desk);
    expect(code).toMatch(/^urn:uuid:/);
    const [tag] = await office.query<{ id: string; thing: string }>(
      `SELECT t.id, a.name AS thing FROM tag t JOIN asset a ON a.id = t.asset_id
       JOIN site s ON s.id = a.site_id
       WHERE s.name = 'Harbour lift station' ORDER BY t.number LIMIT 1`,
    );
    // Looks on while the phone is at work, and is never loaded anew.
    const watching = await desk.context().newPage();
    await watching.goto(`${office.url}/day`);
    const begunThere = watching
      .getByRole('main')
      .getByRole('button', { name: /^Harbour lift station/ });
    await expect(begunThere.first()).toBeVisible();
    const before = await begunThere.count();
    const { context, page } = await openPhone(browser, office.url, 'imke');

    await test.step('the phone has all of it', async () => {
      await expect(page.getByText(name, { exact: false }).first()).toBeVisible();
      await expect(
        page.getByRole('list', { name: 'Your rounds' }).getByText(`${name}, quay`),
      ).toBeVisible();
      if (offline) await context.setOffline(true);
    });

    await test.step('somebody sets off, and whoever waits is told', async () => {
      await openStop(page, SEALED);
      await page.getByRole('button', { name: 'Set off' }).click();
      await page.getByRole('button', { name: /^Tell .* you are on the way$/ }).click();
      const said = page.getByRole('status').filter({ hasText: 'there about' });
      await expect(said).toContainText(offline ? 'as soon as there is a network' : 'Sent.', {
        timeout: 30_000,
      });
      if (!offline) {
        await desk.goto(`${office.url}/sent`);
        await expect(desk.getByText(/^Text to /).first()).toBeVisible();
      }
    });

    await test.step('they arrive by the place’s code, and read what is only for whoever is there', async () => {
      await arrive(page);
      await page.getByRole('button', { name: 'Scan the place’s code' }).click();
      await showLabel(page, code);
      await expect(page.getByText(/Alarm: 3 8 2 6/)).toBeVisible();
    });

    await test.step('something nobody planned is found by its label, and done', async () => {
      await page.getByRole('button', { name: '‹ Trail' }).click();
      await page.getByRole('link', { name: 'Find' }).click();
      await page.getByRole('button', { name: 'Scan a label' }).click();
      await showLabel(page, `urn:uuid:${tag?.id}`);
      await expect(page.getByRole('heading', { name: tag?.thing ?? '' }).first()).toBeVisible();
      await page.getByRole('button', { name: 'Work at it now' }).click();
      const dialog = page.getByRole('dialog', { name: /^Work at/ });
      await find(dialog, 'Which sheet?', 'Hut keeping audit');
      await dialog.getByRole('button', { name: 'Put it on my trail' }).click();
      await expect(page.getByRole('heading', { name: 'Harbour lift station' })).toBeVisible();
      await page.getByRole('button', { name: '‹ Trail' }).click();
    });

    await test.step('one is handed over', async () => {
      await openStop(page, 'Eider hut');
      await page.getByRole('button', { name: 'Hand over the visit' }).click();
      const dialog = page.getByRole('dialog', { name: /^Hand over: Eider hut/ });
      await find(dialog, 'To whom?', 'Jory Hollin');
      await dialog.getByRole('button', { name: 'Hand it over' }).click();
      await expect(page.getByRole('heading', { name: 'Your trail', exact: true })).toBeVisible();
    });

    if (offline) await context.setOffline(false);
    await test.step('the desk shows all of it by itself', async () => {
      const known = (sql: string) => office.query<{ n: number }>(sql).then(([row]) => row?.n ?? 0);
      await expect
        .poll(() => known(`SELECT count(*)::int AS n FROM arrival_opening WHERE how = 'code'`), {
          timeout: 60_000,
        })
        .toBe(offline ? 2 : 1);
      await expect
        .poll(() =>
          known(
            `SELECT count(*)::int AS n FROM visit v JOIN person p ON p.id = v.person_id
             JOIN job j ON j.id = v.job_id WHERE p.name = 'Jory Hollin' AND j.title = '${name}'`,
          ),
        )
        .toBe(1);
      await expect
        .poll(() =>
          known(`SELECT count(*)::int AS n FROM on_the_way WHERE outcome IN ('sent', 'too late')`),
        )
        .toBe(offline ? 2 : 1);
      // The stop begun without a plan stands on her lane.
      await expect(begunThere).toHaveCount(before + 1, { timeout: 30_000 });
    });
  });
