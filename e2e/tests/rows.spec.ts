import { expect, test } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, planJob, question, startSheet } from '../support/people.ts';

// A trace copies the whole page at every step: with hundreds of rows that, not the page, is slow.
test.use({ trace: 'off' });

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

test('five hundred rows are added by a pattern and stay at hand', async ({ browser }) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    place: 'Harbour clinic',
    sheet: 'Alarm panel inspection',
    person: 'Rook Solvane',
    start: '06:00',
  });
  const { page } = await openPhone(browser, office.url, 'rook');
  await startSheet(page, 'Alarm panel inspection');
  await page.getByRole('button', { name: /^Devices/ }).click();
  await page.getByRole('button', { name: 'One below the other' }).click();
  const devices = question(page, 'Devices');
  await devices.getByRole('button', { name: 'Add device' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add device' });
  await dialog.getByLabel('How many').fill('500');
  await dialog.getByLabel('Called').fill('Device');
  await dialog.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(dialog.getByRole('alert')).toHaveText(/^Put # where the number stands/);
  await dialog.getByLabel('Called').fill('Device ###');
  await dialog.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(dialog).toBeHidden({ timeout: 60_000 });
  await expect(devices.getByRole('listitem')).toHaveCount(500);
  await expect(devices.getByRole('button', { name: 'Add device' })).toBeDisabled();
  await devices.getByRole('button', { name: /Device 250/ }).click();
  await devices.getByRole('radio', { name: 'Smoke detector' }).click();
  await devices.getByRole('radio', { name: 'Performed', exact: true }).click();
  await question(page, 'Clean?').getByRole('radio', { name: 'No', exact: true }).click();
  await expect(page.getByText('Blow it out from the side, never wet.')).toBeVisible();
  await expect(question(page, 'Cleaned now?')).toBeVisible();
  await devices.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByText('Device 250 was removed.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await devices.getByRole('button', { name: /Device 250/ }).click();
  await expect(devices.getByRole('radio', { name: 'Smoke detector' })).toBeChecked();
});
