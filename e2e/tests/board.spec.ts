import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const HARBOUR = 'Harbour lift station';
const RIDGE = 'Fulmar Ridge top station';
const CLINIC = 'Harbour clinic';

interface Placed {
  readonly who: string | null;
  readonly day: string;
  readonly start: number;
}

async function placed(place: string): Promise<Placed> {
  const [row] = await office.query<Placed>(
    `SELECT p.name AS who, v.day::text AS day, v.start FROM visit v JOIN job j ON j.id = v.job_id
     JOIN site s ON s.id = j.site_id LEFT JOIN person p ON p.id = v.person_id
     WHERE s.name = '${place}' AND j.title LIKE 'Board %'`,
  );
  if (!row) throw new Error(`nothing is planned at ${place}`);
  return row;
}

/** Three jobs on a day of their own: two that one person can’t both do, and one nobody has. */
async function planThree(desk: Page, day: string): Promise<void> {
  const [facts] = await office.query<{ template: string; imke: string }>(
    `SELECT (SELECT id FROM template WHERE title = 'Drive room round') AS template,
            (SELECT id FROM person WHERE name = 'Imke Dorrance') AS imke`,
  );
  const plans = [
    { place: HARBOUR, person: facts?.imke, start: 480 },
    { place: RIDGE, person: facts?.imke, start: 500 },
    { place: CLINIC, person: null, start: 600 },
  ];
  for (const { place, person, start } of plans) {
    const [site] = await office.query<{ id: string }>(
      `SELECT id FROM site WHERE name = '${place}'`,
    );
    const made = await desk.request.post(`${office.url}/api/jobs`, {
      headers: { origin: office.url },
      data: {
        ...{ site: site?.id, template: facts?.template, title: `Board ${place}` },
        ...{ instructions: '', day, windowFrom: null, windowTo: null, start, minutes: 45, person },
        recipients: [],
      },
    });
    expect(made.status()).toBe(200);
  }
}

const stop = (desk: Page, place: string) =>
  desk.getByRole('main').getByRole('button', { name: new RegExp(`^${place}`) });

/** Every rule, on what is drawn now. */
async function accessible(desk: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page: desk }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
}

test('a day is planned on the board: what does not fit is seen and put right, dragged, moved by keys, undone', async ({
  browser,
}) => {
  test.slow();
  const desk = await openDesk(browser, office.url, 'edda');
  // A Wednesday when nothing else is planned, and everybody is there.
  const day = '2040-05-09';
  await office.query(`UPDATE person SET hours = '[]', absences = '[]'`);
  await planThree(desk, day);
  await desk.goto(`${office.url}/day?day=${day}`);
  const aside = desk.getByRole('complementary', { name: 'To be planned' });
  const misfits = aside.getByRole('region', { name: 'Does not fit' });

  await test.step('what overlaps is said, and room is made', async () => {
    await expect(misfits).toContainText(`${RIDGE} overlaps with ${HARBOUR} by 25 min`);
    await expect(stop(desk, RIDGE)).toHaveAccessibleName(new RegExp('overlaps, 08:20'));
    await accessible(desk);
    await misfits.getByRole('button', { name: /^Make room: Imke Dorrance/ }).click();
    await expect(misfits).toHaveCount(0);
    await expect.poll(async () => (await placed(RIDGE)).start).toBeGreaterThan(525);
  });

  await test.step('it is undone and done again', async () => {
    await desk.keyboard.press('Control+z');
    await expect(misfits).toBeVisible();
    await expect.poll(async () => (await placed(RIDGE)).start).toBe(500);
    await desk.getByRole('button', { name: 'Do again: room for Imke Dorrance' }).click();
    await expect(misfits).toHaveCount(0);
    await expect.poll(async () => (await placed(RIDGE)).start).toBeGreaterThan(525);
  });

  await test.step('a stop is dragged to another hour', async () => {
    const before = (await placed(HARBOUR)).start;
    const box = await stop(desk, HARBOUR).boundingBox();
    if (!box) throw new Error('no stop');
    await desk.mouse.move(box.x + 10, box.y + 20);
    await desk.mouse.down();
    await desk.mouse.move(box.x + 40, box.y + 20, { steps: 4 });
    await desk.mouse.move(box.x + 250, box.y + 20, { steps: 8 });
    await desk.mouse.up();
    await expect.poll(async () => (await placed(HARBOUR)).start).toBeGreaterThan(before + 60);
    // Nothing was opened by letting go.
    await expect(desk.getByRole('dialog')).toHaveCount(0);
    expect(await placed(HARBOUR)).toMatchObject({ who: 'Imke Dorrance', day });
  });

  await test.step('what nobody has is dragged to somebody, and put to nobody again', async () => {
    const card = aside.getByRole('button', { name: new RegExp(`Board ${CLINIC}`) });
    const from = await card.boundingBox();
    if (!from) throw new Error('nothing to drag');
    await desk.mouse.move(from.x + 30, from.y + 20);
    await desk.mouse.down();
    await desk.mouse.move(from.x - 40, from.y - 10, { steps: 6 });
    const lane = await desk.getByRole('region', { name: 'Imke Dorrance' }).boundingBox();
    if (!lane) throw new Error('nowhere to drag it');
    await desk.mouse.move(lane.x + 500, lane.y + 40, { steps: 10 });
    await desk.mouse.up();
    await expect.poll(async () => (await placed(CLINIC)).who).toBe('Imke Dorrance');
    await expect(card).toHaveCount(0);
    await desk.getByRole('button', { name: /^Undo: Harbour clinic/ }).click();
    await expect(card).toBeVisible();
    await expect.poll(async () => (await placed(CLINIC)).who).toBeNull();
  });

  await test.step('a stop goes to somebody else by keys, and can be let go', async () => {
    const { start } = await placed(RIDGE);
    await stop(desk, RIDGE).focus();
    await desk.keyboard.press('m');
    await expect(desk.getByText('Arrows move it')).toBeVisible();
    await desk.keyboard.press('ArrowRight');
    await desk.keyboard.press('Escape');
    expect((await placed(RIDGE)).start).toBe(start);
    await stop(desk, RIDGE).focus();
    for (const key of ['m', 'ArrowDown', 'Shift+ArrowRight', 'ArrowLeft', 'Enter'])
      await desk.keyboard.press(key);
    await expect.poll(async () => (await placed(RIDGE)).start).toBe(start + 25);
    expect((await placed(RIDGE)).who).not.toBe('Imke Dorrance');
    await expect(desk.getByRole('dialog')).toHaveCount(0);
  });

  await test.step('somebody else plans, and is seen; what they changed is not undone', async () => {
    await office.query(`UPDATE person SET roles = '{manager}' WHERE name LIKE 'Sef %'`);
    const other = await openDesk(browser, office.url, 'sef');
    await other.goto(`${office.url}/day?day=${day}`);
    await expect(desk.getByText(/^Sef .* plans this day, too$/)).toBeVisible();
    await expect(other.getByText(/^Edda .* plans this day, too$/)).toBeVisible();
    const at = await placed(RIDGE);
    await stop(other, RIDGE).focus();
    for (const key of ['m', 'Shift+ArrowRight', 'Enter']) await other.keyboard.press(key);
    await expect.poll(async () => (await placed(RIDGE)).start).toBe(at.start + 30);
    await desk.getByRole('button', { name: /^Undo: Fulmar Ridge/ }).click();
    await expect(desk.getByText('planned otherwise meanwhile')).toBeVisible();
    expect((await placed(RIDGE)).start).toBe(at.start + 30);
    // The step before it is another one, and can still be undone.
    await expect(desk.getByRole('button', { name: /^Undo: Harbour lift/ })).toBeVisible();
    await other.context().close();
  });

  await test.step('a week: stops go to another day, and a day is opened', async () => {
    await desk.getByRole('radio', { name: 'Week' }).click();
    await expect(desk.getByRole('heading', { level: 1 })).toHaveText('Mon 7 May to Sun 13 May');
    await accessible(desk);
    const from = await stop(desk, HARBOUR).boundingBox();
    if (!from) throw new Error('no stop');
    const width = (await desk.getByRole('columnheader', { name: /^Wed 9 May/ }).boundingBox())
      ?.width;
    await desk.mouse.move(from.x + 10, from.y + 8);
    await desk.mouse.down();
    await desk.mouse.move(from.x + 30, from.y + 8, { steps: 3 });
    await desk.mouse.move(from.x + 10 + (width ?? 0), from.y + 8, { steps: 8 });
    await desk.mouse.up();
    await expect.poll(async () => (await placed(HARBOUR)).day).toBe('2040-05-10');
    await desk.reload();
    await expect(desk.getByRole('heading', { level: 1 })).toHaveText('Mon 7 May to Sun 13 May');
    await desk.getByRole('button', { name: /^Thu 10 May/ }).click();
    await expect(stop(desk, HARBOUR)).toBeVisible();
  });

  await test.step('a month: what each day comes to', async () => {
    await desk.getByRole('radio', { name: 'Month' }).click();
    await expect(desk.getByRole('heading', { level: 1 })).toHaveText('May 2040');
    await expect(
      desk.getByRole('button', { name: /Wednesday 9 May.*2 stops.*1 without a person/ }),
    ).toBeVisible();
    await accessible(desk);
    await desk.getByRole('button', { name: /Thursday 10 May/ }).click();
    await expect(stop(desk, HARBOUR)).toBeVisible();
  });

  await test.step('the map shows the same, and what is chosen on it is chosen on the chart', async () => {
    await desk.getByRole('button', { name: 'With the map' }).click();
    const map = desk.getByRole('region', { name: 'The stops of the day' });
    await map.getByRole('button', { name: new RegExp(HARBOUR) }).click();
    await expect(stop(desk, HARBOUR).getByText(HARBOUR)).toHaveCSS(
      'text-decoration-line',
      'underline',
    );
  });

  await test.step('the board is narrowed', async () => {
    await desk.getByLabel('Person, place or work').fill('lift station');
    await expect(desk.getByRole('region', { name: 'Imke Dorrance' })).toBeVisible();
    await expect(desk.getByRole('region', { name: 'Marn Quill' })).toHaveCount(0);
  });
});
