import { expect, test } from '@playwright/test';
import { WALLS } from '../../packages/core/test/support/walls-kit/template.ts';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, planJob, startSheet } from '../support/people.ts';
import { readReckoned, reportOf } from '../support/report.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

test('a trade kit works from the template to the PDF, on a phone with no network too', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  const published = await desk.request.post(`${office.url}/api/templates`, {
    data: { after: 0, body: WALLS },
    headers: { origin: office.url },
  });
  expect(published.status()).toBe(200);
  // In the builder it is the sheet's kit, and its results are offered to rules.
  await desk.goto(`${office.url}/templates`);
  await desk.getByRole('button', { name: /^Walls of a hut/ }).click();
  await expect(desk.getByRole('combobox', { name: 'Trade kit' })).toHaveValue('walls');
  await expect(desk.getByText(/Heat through the walls \(wallLoss\)/)).toBeVisible();
  await planJob(desk, office.url, {
    start: '16:00',
    place: 'Kittiwake hut',
    sheet: 'Walls of a hut',
    person: 'Marn Quill',
  });

  const { context, page: phone } = await openPhone(browser, office.url, 'marn');
  await expect(phone.getByText('Walls of a hut').first()).toBeVisible({ timeout: 60_000 });
  // The kit was never asked for before; with no network it is there all the same.
  await context.setOffline(true);
  await startSheet(phone, 'Walls of a hut');
  const part = phone.getByRole('group', { name: 'Walls' });
  await expect(part.getByText('No wall yet')).toBeVisible();
  await part.getByRole('button', { name: 'Reckon with frost' }).click();
  await phone.getByRole('textbox', { name: /^Inside/ }).fill('20');
  await phone.getByRole('button', { name: /^Envelope/ }).click();
  await phone.getByRole('button', { name: 'Add wall' }).click();
  await phone.getByRole('dialog').getByRole('button', { name: 'Add', exact: true }).click();
  await phone.getByRole('button', { name: /Wall 1/ }).click();
  await phone.getByRole('textbox', { name: /^Area/ }).fill('40');
  await phone.getByRole('textbox', { name: /^U-value/ }).fill('1.5');
  await phone.keyboard.press('Tab');
  const reckoned = phone.getByRole('group', { name: 'Reckoned' });
  // By hand: 40 m² × 1.5 W/(m²·K) × 25 K.
  await expect(reckoned.getByText('1500 W')).toBeVisible();
  await phone.getByRole('button', { name: /^Air/ }).click();
  await expect(part.getByText('Now 1500 W go out')).toBeVisible();
  await phone.getByRole('textbox', { name: /^Why so much/ }).fill('No plaster on it');
  await phone.keyboard.press('Tab');
  await phone.getByRole('button', { name: 'Finish' }).click();
  await phone
    .getByRole('button', { name: /^Finish/ })
    .last()
    .click();
  await context.setOffline(false);

  await readReckoned(desk, office.url, 'Kittiwake hut', '1500 W');
  const text = await reportOf(desk, office.url);
  expect(text).toContain('1500 W');
  // The kit’s own part of the report.
  expect(text).toContain('Begin with wall 1.');
});
