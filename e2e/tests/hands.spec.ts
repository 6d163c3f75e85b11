import { expect, test, type Locator, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, planJob, question, signIn } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const stages = (kind: string): Promise<{ sheet: string }[]> =>
  office.query(`SELECT sheet_id AS sheet FROM entry WHERE path = '~stage' AND body->>'kind' = $1`, [
    kind,
  ]);

test('at the reading desk no key does what nobody meant, and an approval can be taken back', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.goto(`${office.url}/review`);
  const approve = desk.getByRole('button', { name: 'Approve' });
  await expect(approve).toBeEnabled();
  const before = (await stages('approve')).length;
  const first = desk.url();

  // Behind a dialog, whatever has the focus in it, and with other keys held.
  await desk.keyboard.press('r');
  const word = desk.getByRole('dialog');
  await expect(word).toBeVisible();
  await expect(word.getByRole('textbox').first()).toHaveValue('');
  await word.getByRole('button', { name: 'Close' }).focus();
  await desk.keyboard.press('a');
  await desk.keyboard.press('c');
  await desk.keyboard.press('Escape');
  await expect(word).toBeHidden();
  await desk.keyboard.press('Alt+a');
  await desk.keyboard.press('Control+a');
  await expect(desk.getByText(/is approved\./)).toBeHidden();

  // Meant, and taken back in time.
  await desk.keyboard.press('a');
  await expect(desk.getByText(/is approved\./)).toBeVisible();
  await desk.keyboard.press('u');
  await expect(desk.getByText(/is approved\./)).toBeHidden();
  await desk.waitForTimeout(7_000);
  expect((await stages('approve')).length).toBe(before);
  await desk.goto(first);
  await expect(approve).toBeEnabled();

  // Meant; whoever leaves the page meanwhile has decided.
  await desk.keyboard.press('a');
  await expect(desk.getByText(/is approved\./)).toBeVisible();
  await desk.goto(`${office.url}/places`);
  await expect.poll(async () => (await stages('approve')).length).toBe(before + 1);

  // Turned off, single keys are only letters.
  await desk.getByRole('button', { name: 'Me', exact: true }).click();
  const keys = desk.getByRole('radiogroup', { name: 'Single keys' });
  await keys.getByRole('radio', { name: 'Off' }).click();
  await desk.getByRole('button', { name: 'Close' }).click();
  await desk.goto(`${office.url}/review`);
  await expect(approve).toBeEnabled();
  await desk.keyboard.press('a');
  await expect(desk.getByText(/is approved\./)).toBeHidden();
  await expect(desk.getByText(/next J/)).toBeHidden();
});

test('at 320 pixels, and seen at four hundred per cent, there is room to read and to decide', async ({
  browser,
}) => {
  for (const [width, height] of [
    [320, 568],
    [320, 256],
  ] as const) {
    const context = await browser.newContext({ viewport: { width, height } });
    const desk = await context.newPage();
    await signIn(desk, office.url, 'edda');
    await expect(desk.getByRole('navigation', { name: 'Places' })).toBeVisible();
    await desk.goto(`${office.url}/review`);
    const queue = desk.getByRole('navigation', { name: 'Waiting to be read' });
    await expect(queue.getByRole('button').first()).toBeVisible();
    const shows = async (what: Locator): Promise<number> => {
      await what.scrollIntoViewIfNeeded();
      const box = await what.boundingBox();
      if (!box) return 0;
      return Math.min(box.y + box.height, height) - Math.max(box.y, 0);
    };
    expect(await shows(queue)).toBeGreaterThan(height * 0.35);
    await queue.getByRole('button').first().click();
    await expect(desk.getByRole('button', { name: 'Approve' })).toBeEnabled();
    expect(await shows(desk.getByRole('main'))).toBeGreaterThan(height * 0.35);
    expect(await shows(desk.getByRole('button', { name: 'Approve' }))).toBeGreaterThan(40);
    // Nothing sticks out to the side.
    const wide = await desk.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(width);
    await desk.goto(`${office.url}/templates`);
    await desk
      .getByRole('button', { name: /^Hut safety check/ })
      .first()
      .click();
    const asked = desk.getByText('Both ways out free?').first();
    await asked.scrollIntoViewIfNeeded();
    expect(await shows(asked)).toBeGreaterThan(15);
    await context.close();
  }
});

const twice = async (page: Page, name: string, between: number): Promise<void> => {
  const box = await page.getByRole('button', { name }).last().boundingBox();
  if (!box) throw new Error(`nothing is called ${name}`);
  const [x, y] = [box.x + box.width / 3, box.y + box.height / 2];
  await page.touchscreen.tap(x, y);
  await page.waitForTimeout(between);
  await page.touchscreen.tap(x, y);
};

test('a double tap is one press: one departure, one answer, one job', async ({ browser }) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    ...{ place: 'Kittiwake hut', sheet: 'Hut safety check', person: 'Marn Quill' },
    start: '05:30',
  });
  const { context, page } = await openPhone(browser, office.url, 'marn');
  await expect(page.getByRole('button', { name: 'Set off' })).toBeVisible({ timeout: 60_000 });
  await twice(page, 'Set off', 220);
  await page.waitForTimeout(800);
  await expect(page.getByRole('button', { name: 'I have arrived' })).toBeVisible();
  await page.getByRole('button', { name: 'I have arrived' }).click();
  const why = page.getByLabel('Why from here?');
  const start = page.getByRole('button', { name: 'Start the sheet' });
  await expect(why.or(start)).toBeVisible();
  if (await why.isVisible()) {
    await why.fill('at the quay');
    await twice(page, 'I have arrived', 120);
  }
  await start.click();
  const radio = question(page, 'Both ways out free?').getByRole('radio').first();
  await radio.scrollIntoViewIfNeeded();
  const box = await radio.boundingBox();
  if (!box) throw new Error('no answer is offered');
  await page.touchscreen.tap(box.x + 20, box.y + 20);
  await page.waitForTimeout(180);
  await page.touchscreen.tap(box.x + 20, box.y + 20);
  await expect(radio).toBeChecked();
  // Pressed again later it stays; it is taken back by its own control.
  await page.waitForTimeout(600);
  await radio.click();
  await expect(radio).toBeChecked();
  await page
    .getByRole('button', { name: /^Take back the answer/ })
    .first()
    .click();
  await expect(radio).not.toBeChecked();

  // What is chosen has a frame where a page has no colours of its own.
  await page.waitForTimeout(400);
  await radio.click();
  await page.emulateMedia({ forcedColors: 'active' });
  expect(await radio.evaluate((each) => getComputedStyle(each).outlineStyle)).toBe('solid');
  await page.goto(`${office.url}/kept`);
  await expect(page.getByText('The office has everything')).toBeVisible({ timeout: 40_000 });
  const events = await office.query<{ kind: string }>(
    `SELECT e.body->>'kind' AS kind FROM visit_event e JOIN visit v ON v.id = e.visit_id
       JOIN person p ON p.id = v.person_id
     WHERE p.name = 'Marn Quill' AND e.body->>'at' > to_char(now() - interval '10 minutes', 'YYYY-MM-DD"T"HH24:MI')
     ORDER BY e.body->>'at'`,
  );
  expect(events.map(({ kind }) => kind)).toEqual(['set off', 'arrived']);
  await context.close();
});

test('who reads otherwise is heard: letters by the reader’s size, contrast, titles, a way past the navigation', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.goto(`${office.url}/jobs`);
  const heading = desk.getByRole('heading', { level: 1, name: 'Jobs' });
  await expect(heading).toBeVisible();
  await expect(desk).toHaveTitle('Jobs · Ant Trail');
  const sizeOf = (what: Locator): Promise<number> =>
    what.evaluate((each) => Number.parseFloat(getComputedStyle(each).fontSize));
  const field = desk.getByRole('textbox').first();
  const before = [await sizeOf(heading), await sizeOf(field)];
  await desk.addStyleTag({ content: 'html { font-size: 150% }' });
  expect([await sizeOf(heading), await sizeOf(field)]).toEqual(before.map((size) => size * 1.5));

  const quiet = () =>
    desk.evaluate(() => {
      const style = getComputedStyle(document.querySelector('.t_light') ?? document.body);
      return [style.getPropertyValue('--ink2'), style.getPropertyValue('--ink')];
    });
  const [usual, ink] = await quiet();
  expect(usual).not.toBe(ink);
  await desk.emulateMedia({ contrast: 'more' });
  const [more, inkThen] = await quiet();
  expect(more).toBe(inkThen);

  await desk.reload();
  await expect(heading).toBeVisible();
  await desk.keyboard.press('Tab');
  const past = desk.getByRole('link', { name: 'Skip to the page' });
  await expect(past).toBeFocused();
  await expect(past).toBeInViewport();
  await desk.keyboard.press('Enter');
  await expect(desk.getByRole('main')).toBeFocused();

  // On its side a phone has both the next step and the ways elsewhere.
  const { context, page } = await openPhone(browser, office.url, 'imke');
  await page.setViewportSize({ width: 844, height: 390 });
  await expect(page.getByRole('link', { name: 'Me' })).toBeInViewport();
  await expect(page.locator('footer button').first()).toBeInViewport();
  await expect(page.getByRole('status').filter({ hasText: 'All is sent.' })).toBeAttached();
  await context.close();
});
