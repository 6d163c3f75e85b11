import { expect, test } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

test('a field of one’s own is defined, written, narrowed by, shown as a column, and read on the phone', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.getByRole('link', { name: 'Places', exact: true }).click();
  await desk.getByRole('button', { name: 'Own fields' }).click();
  const defining = desk.getByRole('dialog', { name: 'What is known of each place' });
  await defining.getByLabel('One more').fill('Depth of the well');
  await defining.getByLabel('Answered by').selectOption({ label: 'A number with its unit' });
  await defining.getByLabel('Unit, such as kW').fill('m');
  await defining.getByRole('button', { name: 'Add it' }).click();
  await defining.getByRole('button', { name: 'Save' }).click();
  await expect(defining).toBeHidden();

  await desk.getByLabel('Name, client, address or hazard').fill('gannet head, upper');
  await expect(desk.getByText('1 in all')).toBeVisible();
  await desk.getByRole('button', { name: /^Gannet Head, upper/ }).click();
  await expect(desk.getByText('Depth of the well')).toBeVisible();
  await desk.getByRole('button', { name: 'Change the place' }).click();
  const place = desk.getByRole('dialog', { name: /^Gannet Head, upper/ });
  await place.getByLabel('Depth of the well').fill('deep');
  await place.getByRole('button', { name: 'Save' }).click();
  await expect(place.getByRole('alert').first()).toBeVisible();
  await place.getByLabel('Depth of the well').fill('7.5');
  await place.getByRole('button', { name: 'Save' }).click();
  await expect(place).toBeHidden();
  await expect(desk.getByText('7.5 m')).toBeVisible();

  await desk.getByRole('button', { name: '‹ Places' }).click();
  await desk.getByLabel('Name, client, address or hazard').fill('');
  await desk.getByRole('button', { name: 'More filters' }).click();
  const field = desk.getByRole('combobox', { name: 'Only where an own field says' });
  await field.fill('depth');
  await desk.getByRole('option', { name: 'Depth of the well' }).click();
  await desk.getByLabel('From, m').fill('7');
  await desk.getByRole('button', { name: 'Narrow' }).click();
  await expect(desk.getByText('1 in all')).toBeVisible();
  await desk.getByRole('button', { name: 'Columns' }).click();
  await desk.getByRole('dialog').getByText('Depth of the well').click();
  await desk.keyboard.press('Escape');
  await expect(desk.getByRole('row').filter({ hasText: 'Gannet Head' })).toContainText('7.5 m');

  const { context, page } = await openPhone(browser, office.url, 'imke');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'More' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /^Gannet Head, upper/ })).toBeVisible();
  await expect(page.getByText('Depth of the well')).toBeVisible();
  await expect(page.getByText('7.5 m')).toBeVisible();
  await expect(page.getByText(/^TA \d\d-/)).toBeVisible();
});
