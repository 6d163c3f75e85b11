import { expect, test, type Page } from '@playwright/test';
import { openPhone, question } from '../support/people.ts';
import { openProxied, type ProxiedOffice } from '../support/proxied-office.ts';

let world: ProxiedOffice;
test.beforeAll(async () => {
  world = await openProxied();
});
test.afterAll(() => world.close());
test.afterEach(() => {
  world.proxy.answerWith(() => null);
  world.proxy.changeWith(() => null);
});

async function begin(page: Page): Promise<string> {
  await page.getByRole('button', { name: 'Set off' }).click();
  await page.getByRole('button', { name: 'I have arrived' }).click();
  await page.getByLabel('Why from here?').fill('on the way');
  await page.getByRole('dialog').getByRole('button', { name: 'I have arrived' }).click();
  await page.getByRole('button', { name: 'Start the sheet' }).click();
  await expect(page.getByRole('navigation', { name: 'Sections' })).toBeVisible();
  return page.url().split('/').at(-1) ?? '';
}

const hurry = (page: Page) => page.evaluate(() => dispatchEvent(new Event('online')));

test('a network’s own sign-in page is no answer of the office, and nothing of it is kept', async ({
  browser,
}) => {
  const { context, page } = await openPhone(browser, world.base, 'imke');
  const sheet = await begin(page);
  await page.getByRole('button', { name: /^Brakes/ }).click();
  const portal = '<html><body><h1>Welcome to the harbour café</h1></body></html>';
  let asked = 0;
  world.proxy.answerWith(() => {
    asked++;
    return { status: 200, type: 'text/html', body: portal };
  });
  await page.getByLabel('Brake 1, disc temperature, in °C').fill('44');
  await page.getByLabel('Brake 1, disc temperature, in °C').blur();
  await hurry(page);
  await expect.poll(() => asked, { timeout: 60_000 }).toBeGreaterThan(0);
  await page.getByRole('button', { name: '‹ Trail' }).click();
  await expect(page.getByText('the office does not answer', { exact: true })).toBeVisible({
    timeout: 30_000,
  });
  await expect(page.getByText(/\d refused/)).toBeHidden();
  // The application itself still comes from the phone.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Your trail' })).toBeVisible();
  await expect(page.getByText('Welcome to the harbour café')).toBeHidden();
  const kept = await page.evaluate(async () => {
    const texts: string[] = [];
    for (const name of await caches.keys()) {
      const cache = await caches.open(name);
      for (const request of await cache.keys())
        texts.push((await (await cache.match(request))?.text()) ?? '');
    }
    return texts.filter((text) => text.includes('harbour café')).length;
  });
  expect(kept).toBe(0);

  world.proxy.answerWith(() => null);
  await hurry(page);
  await expect
    .poll(
      () =>
        world.office.query(`SELECT 1 FROM entry WHERE sheet_id = $1 AND path = 'brake1_temp'`, [
          sheet,
        ]),
      { timeout: 60_000 },
    )
    .toHaveLength(1);
  await context.close();
});

test('a newer version waits while a sheet is open, and is there once nothing is being written', async ({
  browser,
}) => {
  const { context, page } = await openPhone(browser, world.base, 'tove');
  await page.getByRole('button', { name: 'Go on with the sheet' }).click();
  await expect(page.getByRole('navigation', { name: 'Sections' })).toBeVisible();
  await page.evaluate(() => Object.assign(globalThis, { sameAsBefore: true }));
  const isSame = () =>
    page.evaluate(() => 'sameAsBefore' in globalThis).catch(() => undefined as boolean | undefined);
  world.proxy.changeWith((path, body) =>
    path === '/sw.js' ? `${body}\n// a newer version of the application` : null,
  );
  const isWaiting = () =>
    page.evaluate(async () => Boolean((await navigator.serviceWorker.getRegistration())?.waiting));
  await page.evaluate(async () => {
    await (await navigator.serviceWorker.getRegistration())?.update();
  });
  await expect.poll(isWaiting, { timeout: 60_000 }).toBe(true);
  const look = () => page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
  await look();
  await page.waitForTimeout(1_500);
  expect(await isWaiting()).toBe(true);
  expect(await isSame()).toBe(true);
  await page.getByRole('button', { name: '‹ Trail' }).click();
  await expect(page.getByRole('heading', { name: 'Your trail' })).toBeVisible();
  await look();
  await expect.poll(isSame, { timeout: 30_000 }).toBe(false);
  await expect(page.getByRole('heading', { name: 'Your trail' })).toBeVisible();
  expect(await isWaiting()).toBe(false);
  await context.close();
});

test('what the phone kept is deleted under the open page: it is said, and comes again', async ({
  browser,
}) => {
  const { context, page } = await openPhone(browser, world.base, 'jory');
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases())
      if (name?.startsWith('ant-trail-')) indexedDB.deleteDatabase(name);
  });
  await expect(page.getByText('What was kept on this phone is gone')).toBeVisible();
  await page.getByRole('button', { name: 'Load the page anew' }).click();
  await expect(page.getByText(/office has all/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Lantern stairs').first()).toBeVisible();
  await context.close();
});

test('an office in trouble, and one that wants less at once, lose nothing and refuse nothing', async ({
  browser,
}) => {
  const { context, page } = await openPhone(browser, world.base, 'rook');
  const bar = page.getByRole('button', { name: 'Go on with the sheet' });
  await bar.click();
  await expect(page.getByRole('navigation', { name: 'Sections' })).toBeVisible();
  const sheet = page.url().split('/').at(-1) ?? '';
  const answers = [
    { status: 503, type: 'application/json', body: '{"error":{"code":"down","message":"down"}}' },
    { status: 413, type: 'text/plain', body: 'too large' },
    { status: 200, type: 'application/json', body: '{"receipts":[]}' },
    { status: 200, type: 'application/json', body: '{' },
  ];
  let given = 0;
  world.proxy.answerWith(({ path }) =>
    path === '/api/push' && given < answers.length ? (answers[given++] ?? null) : null,
  );
  const field = page.locator('[id^="question-"] input').first();
  await field.fill('3');
  await field.blur();
  const path = await field.evaluate(
    (each) => each.closest('[id^="question-"]')?.id.replace('question-', '') ?? '',
  );
  await expect
    .poll(
      async () => {
        await hurry(page);
        return given;
      },
      { timeout: 90_000, intervals: [1_500] },
    )
    .toBe(answers.length);
  await expect
    .poll(
      async () => {
        await hurry(page);
        return world.office.query(`SELECT 1 FROM entry WHERE sheet_id = $1 AND path = $2`, [
          sheet,
          path,
        ]);
      },
      { timeout: 90_000, intervals: [1_500] },
    )
    .not.toHaveLength(0);
  await page.goto(`${world.base}/kept`);
  await expect(page.getByText(/refused/)).toBeHidden();
  await context.close();
});

test('a single question is answered on a phone on its side with the keyboard open', async ({
  browser,
}) => {
  const { context, page } = await openPhone(browser, world.base, 'marn');
  await page.getByRole('list', { name: 'Stops' }).getByRole('button').last().click();
  await begin(page);
  await page.setViewportSize({ width: 740, height: 200 });
  const first = page.locator('[id^="question-"]').first();
  const label = (await first.getAttribute('aria-label')) ?? '';
  await question(page, label).scrollIntoViewIfNeeded();
  const box = await question(page, label).boundingBox();
  expect(box?.height ?? 0).toBeGreaterThan(40);
  // The bar stands below the questions, not over them.
  await expect(page.locator('.field-foot')).toHaveCSS('position', 'static');
  await page.setViewportSize({ width: 740, height: 390 });
  await expect(page.locator('.field-foot')).toHaveCSS('position', 'sticky');
  await expect(page.getByRole('button', { name: /^Next loose end/ })).toBeInViewport();
  await context.close();
});
