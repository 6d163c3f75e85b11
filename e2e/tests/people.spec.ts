import { expect, test, type Page } from '@playwright/test';
import { mustBeAccessible } from '../support/accessible.ts';
import { TestOffice } from '../support/office.ts';
import { find, openDesk } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const total = (desk: Page, count: number | RegExp) =>
  expect(
    desk.getByText(count instanceof RegExp ? count : new RegExp(`^${count} in all$`)),
  ).toBeVisible();

test('somebody new is invited, works, and is retired', async ({ browser }) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.goto(`${office.url}/people`);
  await desk.getByRole('button', { name: 'Add a person' }).click();
  const dialog = desk.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Add and invite by mail' }).click();
  await expect(dialog.getByText('Give a name.')).toBeVisible();
  await dialog.getByLabel('Name', { exact: true }).fill('Ode Farrow');
  await dialog.getByLabel(/^E-mail address/).fill('Ode@Tarnhollow.example');
  await dialog.getByLabel('Trade').fill('ropes');
  await dialog.getByRole('button', { name: 'Add a credential' }).click();
  await dialog.getByLabel('What', { exact: true }).fill('Rope access');
  await dialog.getByLabel('Number').fill('RA-9');
  await dialog.getByLabel('Issued by').fill('Harbour Guild');
  await dialog.getByLabel('Valid to').fill('2019-01-31');
  await mustBeAccessible(desk);
  await dialog.getByRole('button', { name: 'Add and invite by mail' }).click();
  await expect(dialog.getByText(/A letter is on its way to ode@tarnhollow/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Good' }).click();
  await expect(desk.getByText('invited, not here yet')).toBeVisible();
  await expect(
    desk.getByText(/Rope access RA-9, Harbour Guild: expired \d+ days ago/),
  ).toBeVisible();

  await desk.getByText('Sent', { exact: true }).click();
  const letter = desk.getByText(/choose a password at/);
  await expect(letter).toBeVisible();
  const token = /invitation=(\S+)/.exec((await letter.textContent()) ?? '')?.[1];

  const hand = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = await hand.newPage();
  const link = `${office.url}/sign-in?invitation=${token}`;
  await phone.goto(link);
  await expect(phone.getByRole('heading', { name: 'Choose a password' })).toBeVisible();
  await mustBeAccessible(phone);
  await phone.getByLabel('Password', { exact: true }).fill('too short');
  await phone.getByRole('button', { name: 'Choose and sign in' }).click();
  await expect(phone.getByText('At least 12 characters.', { exact: true })).toBeVisible();
  await phone.getByLabel('Password', { exact: true }).fill('four words in a row');
  await phone.getByLabel('The same again').fill('four words in a raw');
  await phone.getByRole('button', { name: 'Choose and sign in' }).click();
  await expect(phone.getByText('The two passwords are not the same.')).toBeVisible();
  await phone.getByLabel('The same again').fill('four words in a row');
  await phone.getByRole('button', { name: 'Choose and sign in' }).click();
  await expect(phone.getByRole('heading', { name: 'Your trail', exact: true })).toBeVisible();

  // The letter opens nothing a second time.
  const other = await (await browser.newContext()).newPage();
  await other.goto(link);
  await other.getByLabel('Password', { exact: true }).fill('another password');
  await other.getByLabel('The same again').fill('another password');
  await other.getByRole('button', { name: 'Choose and sign in' }).click();
  await expect(other.getByText(/was used already, or is too old/)).toBeVisible();

  // Work for them, found by part of their name; what has expired is said.
  await desk.getByText('Day', { exact: true }).click();
  await desk.getByRole('button', { name: 'New job' }).click();
  await find(dialog, 'Place', 'Kittiwake hut');
  await find(dialog, 'Sheet', 'Hut keeping audit');
  await find(dialog, 'Person', 'farr');
  await expect(dialog.getByText(/Rope access/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Make the job' }).click();
  await expect(dialog).toBeHidden();
  await expect(phone.getByText('Kittiwake hut').first()).toBeVisible({ timeout: 90_000 });

  await desk.goto(`${office.url}/people?text=ode`);
  await desk.getByRole('button', { name: 'Ode Farrow' }).click();
  await dialog.getByRole('button', { name: 'Retire', exact: true }).click();
  await dialog.getByRole('button', { name: 'Retire Ode Farrow' }).click();
  await expect(dialog).toBeHidden();
  await total(desk, 0);
  await desk.goto(`${office.url}/jobs?text=kittiwake%20audit&state=draft`);
  await total(desk, 1);
  await phone.reload();
  await expect(phone.getByText('sign in again to send')).toBeVisible();
});

test('a list is narrowed, kept as a view, read to its end and planned from', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.goto(`${office.url}/jobs`);
  await expect(desk.getByRole('row').nth(5)).toBeVisible();
  await mustBeAccessible(desk);

  // Every line can be reached, and few are drawn.
  const count = Number(/\d+/.exec((await desk.getByText(/in all$/).textContent()) ?? '')?.[0]);
  expect(count).toBeGreaterThan(1_000);
  const main = desk.getByRole('main');
  await expect(async () => {
    await main.evaluate((element) => element.scrollTo(0, element.scrollHeight));
    await expect(desk.getByRole('row').last()).toHaveAttribute('aria-rowindex', String(count + 1), {
      timeout: 300,
    });
  }).toPass({ timeout: 60_000 });
  expect(await desk.getByRole('row').count()).toBeLessThan(60);

  await main.evaluate((element) => element.scrollTo(0, 0));
  await desk.getByLabel('State').selectOption('draft');
  await expect(desk).toHaveURL(/state=draft/);
  await desk.getByRole('button', { name: 'More filters' }).click();
  await find(desk, 'Person', 'Nobody yet');
  await expect(desk).toHaveURL(/person=nobody/);
  await desk.getByRole('button', { name: 'Columns' }).click();
  await desk.getByRole('dialog').getByRole('checkbox', { name: 'People' }).click();
  await desk.keyboard.press('Escape');
  await expect(desk.getByRole('columnheader', { name: 'People' })).toBeHidden();
  await desk.getByRole('button', { name: 'Keep this view' }).click();
  await desk.getByLabel('Called').fill('Without anybody');
  await desk.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(desk.getByRole('dialog')).toBeHidden();
  await desk.goto(`${office.url}/jobs`);
  await total(desk, count);
  await desk.getByLabel('View').selectOption('Without anybody');
  await expect(desk).toHaveURL(/person=nobody/);
  await expect(desk.getByRole('columnheader', { name: 'People' })).toBeHidden();

  const table = desk.waitForEvent('download');
  await desk.getByRole('button', { name: 'Save as a table' }).click();
  expect((await table).suggestedFilename()).toBe('jobs.xlsx');

  // By the keyboard alone: the first job is chosen and given to somebody.
  const before = Number(/\d+/.exec((await desk.getByText(/in all$/).textContent()) ?? '')?.[0]);
  const first = desk.getByRole('row').nth(1);
  const place = (await first.getByRole('button').first().textContent()) ?? '';
  await first.getByRole('checkbox').focus();
  await desk.keyboard.press('Space');
  await expect(desk.getByText('1 chosen')).toBeVisible();
  await desk.getByRole('button', { name: 'Plan them …' }).press('Enter');
  const who = desk.getByRole('dialog').getByRole('combobox', { name: 'Person who leads' });
  await who.pressSequentially('tove');
  await desk.keyboard.press('Enter');
  await desk.getByRole('dialog').getByRole('button', { name: 'Keep this plan' }).press('Enter');
  await expect(desk.getByRole('dialog')).toBeHidden();
  // The list follows: whoever has somebody now stands in it no more.
  await total(desk, before - 1);
  await desk.goto(`${office.url}/jobs?text=${encodeURIComponent(`${place} tove`)}&order=-day`);
  await expect(desk.getByRole('row').nth(1)).toContainText('Tove Aske');
});

test('somebody who works for two branches chooses one at sign-in, and changes it without signing out', async ({
  browser,
}) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  const page = await context.newPage();
  await page.goto(`${office.url}/sign-in`);
  await page.getByLabel('E-mail address').fill('brida@tarnhollow.example');
  await page.getByLabel('Password').fill('walk-the-trail');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Which branch are you in now?' })).toBeVisible();
  await page.getByRole('button', { name: 'North landing depot' }).click();
  await expect(page).toHaveURL(/\/day/);
  await page.goto(`${office.url}/trail`);
  await expect(page.getByRole('heading', { name: 'Your trail' })).toBeVisible();
  const placesHere = () =>
    page.evaluate(async () => {
      const [known] = (await indexedDB.databases()).filter(({ name }) =>
        name?.startsWith('ant-trail-'),
      );
      // Opened before the application made it, it would be an empty one.
      if (!known?.name) return [];
      const { name } = known;
      const store = await new Promise<IDBDatabase>((done) => {
        const asked = indexedDB.open(name);
        asked.onsuccess = () => done(asked.result);
      });
      const sites = await new Promise<{ name: string }[]>((done) => {
        const asked = store.transaction('sites').objectStore('sites').getAll();
        asked.onsuccess = () => done(asked.result);
      });
      store.close();
      return sites.map((site) => site.name);
    });
  await expect.poll(placesHere).toContain('Weather station boards');
  expect(await placesHere()).not.toContain('Kittiwake hut');
  await page.getByRole('link', { name: 'Me' }).click();
  await page.getByLabel('The branch you are in').selectOption('Harbour depot');
  await expect.poll(placesHere, { timeout: 60_000 }).toContain('Kittiwake hut');
  await expect.poll(placesHere).not.toContain('Weather station boards');
  await context.close();
});
