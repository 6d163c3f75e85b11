import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openPhone, planJob, openDesk, question, signIn, startSheet } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const PASSWORD = 'walk-the-trail';
const SHEET = 'Refuge survey';

async function signInAgain(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Sign in again' }).click();
  const dialog = page.getByRole('dialog', { name: `Sign in as ${name}` });
  await dialog.getByLabel('Password').fill('not this one');
  await dialog.getByLabel('Password').press('Enter');
  await expect(dialog.getByText(/do not go together/)).toBeVisible();
  await dialog.getByLabel('Password').fill(PASSWORD);
  await dialog.getByRole('button', { name: 'Sign in' }).click();
  await expect(dialog).toBeHidden();
}

test('a session that ends in the middle of a sheet is said there, and taken up again there', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    ...{ place: 'Lantern stairs', sheet: SHEET, person: 'Marn Quill' },
    start: '05:30',
  });
  const { context, page } = await openPhone(browser, office.url, 'marn');
  await startSheet(page, SHEET);
  const mail = question(page, 'E-mail of the warden').getByRole('textbox');
  const phone = question(page, 'Telephone of the warden').getByRole('textbox');
  await office.query(`DELETE FROM session`);
  await mail.fill('warden@refuge.example');
  await phone.fill('+299 55 0');
  await expect(page.getByText(/signed out at the office/)).toBeVisible({ timeout: 40_000 });
  const at = page.url();
  await signInAgain(page, 'Marn Quill');
  await expect(page.getByText(/signed out at the office/)).toBeHidden();
  expect(page.url()).toBe(at);
  await expect(phone).toHaveValue('+299 55 0');
  await expect(mail).toHaveValue('warden@refuge.example');
  await page.goto(`${office.url}/kept`);
  await expect(page.getByText('The office has everything')).toBeVisible({ timeout: 40_000 });

  // The desk says it, too, and comes back where it was.
  await desk.goto(`${office.url}/places?text=lantern`);
  await office.query(`DELETE FROM session`);
  await desk.getByRole('textbox').first().fill('kittiwake');
  await expect(desk.getByText(/signed out at the office/)).toBeVisible();
  await signInAgain(desk, 'Edda Varne');
  await expect(desk.getByText(/signed out at the office/)).toBeHidden();

  // Signing out needs no network where nothing waits.
  await page.goto(`${office.url}/self`);
  await signInAgain(page, 'Marn Quill');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  const ended = page.waitForResponse(/sign-out/);
  await context.setOffline(false);
  expect((await ended).status()).toBe(204);
  expect((await context.request.get(`${office.url}/api/me`)).status()).toBe(401);
  await context.close();
});

test('two people in two windows of one browser: nothing is sent under another name, or lost', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    ...{ place: 'Kittiwake hut', sheet: SHEET, person: 'Jory Hollin' },
    start: '05:30',
  });
  const { context, page: first } = await openPhone(browser, office.url, 'jory');
  await startSheet(first, SHEET);
  await context.setOffline(true);
  const mail = question(first, 'E-mail of the warden').getByRole('textbox');
  await mail.fill('jory@refuge.example');
  await mail.press('Tab');
  await context.setOffline(false);
  const second = await context.newPage();
  await signIn(second, office.url, 'tove');
  await expect(second.getByRole('heading', { name: 'Your trail', exact: true })).toBeVisible();
  await expect(first.getByText(/Somebody else signed in/)).toBeVisible();
  await first.goto(`${office.url}/trail`);
  // Whoever opens the window anew is who signed in last.
  await expect(first.getByRole('heading', { name: 'Your trail', exact: true })).toBeVisible();
  const third = await context.newPage();
  await signIn(third, office.url, 'jory');
  await expect(second.getByText(/Somebody else signed in/)).toBeVisible();
  await third.getByRole('link', { name: 'Sending' }).click();
  await expect(third.getByText('The office has everything')).toBeVisible({ timeout: 40_000 });
  await expect(third.getByText(/refused/)).toBeHidden();
  const arrived = await office.query<{ name: string }>(
    `SELECT p.name FROM entry e JOIN person p ON p.id::text = e.body->>'by'
     WHERE e.body->>'value' = 'jory@refuge.example'`,
  );
  expect(arrived).toEqual([{ name: 'Jory Hollin' }]);
  await context.close();
});
