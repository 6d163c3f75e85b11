import { AxeBuilder } from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { find, openDesk } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

test('finished sheets are found by what they say, looked at on the map, kept as a view, and sent', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.getByRole('link', { name: 'Records' }).click();
  await find(desk, 'Sheet', 'Drive room round');
  const lines = desk.getByRole('row');
  const inAll = desk.getByText(/^\d+ in all$/);
  await expect(lines.nth(3)).toBeVisible();
  const all = Number.parseInt((await inAll.textContent()) ?? '', 10);
  await find(desk, 'Only where a question says', 'Brake 1, disc temperature');
  await desk.getByLabel('From, °C').fill('40');
  await desk.getByRole('button', { name: 'Narrow' }).click();
  await expect(
    desk.getByRole('button', { name: /Brake 1, disc temperature from 40 °C/ }),
  ).toBeVisible();
  await expect
    .poll(async () => Number.parseInt((await inAll.textContent()) ?? '', 10))
    .toBeLessThan(all);
  // What is chosen stands above; the next one is chosen anew.
  await expect(desk.getByRole('combobox', { name: 'Only where a question says' })).toHaveValue('');
  const { violations } = await new AxeBuilder({ page: desk }).analyze();
  expect(violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html ?? ''}`)).toEqual([]);

  // The address says it all: a reload shows the same.
  await desk.reload();
  await expect(
    desk.getByRole('button', { name: /Brake 1, disc temperature from 40 °C/ }),
  ).toBeVisible();
  await desk.getByRole('radio', { name: 'Map' }).click();
  const map = desk.getByRole('region', { name: 'Where they lie' });
  await expect(map.locator('canvas')).toBeVisible();
  await expect(map.locator('.map-leaf').first()).toHaveText(/^\d+$/);
  await map.locator('.map-marker').first().press('Enter');
  await desk.getByRole('button', { name: /^List them/ }).click();
  await expect(desk).toHaveURL(/site=/);
  await expect(lines.nth(1)).toBeVisible();

  await desk.getByRole('button', { name: 'Keep this view' }).click();
  await desk.getByLabel('Called').fill('Warm gearboxes');
  await desk.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(desk.getByLabel('View', { exact: true })).toHaveValue('Warm gearboxes');

  await lines.nth(1).getByRole('checkbox').click();
  await desk.getByRole('button', { name: 'Send the reports' }).click();
  const dialog = desk.getByRole('dialog', { name: 'Send one report' });
  await dialog.getByLabel(/^To/).fill('clerk');
  await dialog.getByRole('button', { name: 'Send' }).click();
  await expect(dialog.getByText('This is not an e-mail address.')).toBeVisible();
  await dialog.getByLabel(/^To/).fill('clerk@assembly.example');
  await dialog.getByRole('button', { name: 'Send' }).click();
  await expect(dialog).toBeHidden({ timeout: 60_000 });
  await desk.getByRole('link', { name: 'Sent' }).click();
  await expect(desk.getByText('clerk@assembly.example').first()).toBeVisible();
});
