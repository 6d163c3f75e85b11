import { expect, test } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, planJob } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

test('somebody finds a closed door, with no network: the office hears why, plans another visit, and a note waits there', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    place: 'Lantern stairs',
    sheet: 'Refuge survey',
    person: 'Marn Quill',
    start: '05:30',
  });
  const { context, page } = await openPhone(browser, office.url, 'marn');
  await expect(page.getByRole('heading', { name: 'Lantern stairs' })).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Set off' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Leave a note' }).click();
  const note = page.getByRole('dialog', { name: 'Leave a note' });
  await note.getByLabel('What should the next one know?').fill('The warden is there from noon.');
  await note.getByRole('button', { name: 'Leave it there' }).click();
  await expect(page.getByText('The warden is there from noon.')).toBeVisible();

  await page.getByRole('button', { name: 'Turn back' }).click();
  const back = page.getByRole('dialog', { name: 'Turn back' });
  await back.getByRole('button', { name: 'Turn back' }).click();
  await expect(back.getByText(/Say why/)).toBeVisible();
  await back.getByRole('radio', { name: 'Locked' }).click();
  await back.getByLabel('More about it').fill('no warden, no key');
  await back.getByRole('button', { name: 'Turn back' }).click();
  // The dialog closes once it is kept, not before.
  await expect(back).toBeHidden();
  // Another stop is the next one now; the reload shows that all of it was kept here.
  await page.reload();
  await expect(page.getByText('Refuge survey · turned back')).toBeVisible();
  await context.setOffline(false);

  const waiting = desk.getByRole('complementary', { name: 'To be planned' });
  const told = waiting.getByRole('button', { name: /^Lantern stairs/ });
  await expect(told).toContainText('Locked: no warden, no key', { timeout: 60_000 });
  await told.click();
  const dialog = desk.getByRole('dialog', { name: 'Lantern stairs' });
  await expect(dialog.getByText(/turned back/).first()).toBeVisible();
  await dialog.getByLabel('Start').fill('15:30');
  await dialog.getByRole('button', { name: 'Plan another visit' }).click();
  await expect(dialog).toBeHidden();
  await expect(told).toBeHidden();

  // The phone has both: what was, and what is to come, with the note.
  await expect(page.getByText(/Lantern stairs/)).toHaveCount(2, { timeout: 60_000 });
  await desk.goto(`${office.url}/places?text=lantern`);
  await desk.getByRole('button', { name: /^Lantern stairs/ }).click();
  await expect(desk.getByText('The warden is there from noon.')).toBeVisible();
  await desk.getByRole('button', { name: /^Withdraw: The warden/ }).click();
  await expect(desk.getByText('Nobody left a note.')).toBeVisible();
  await context.close();
});
