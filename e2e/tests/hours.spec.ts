import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

async function accessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
}

test('a day is said on the phone with no network, put right, approved at the desk, and known as changed since', async ({
  browser,
}) => {
  await office.query(`DELETE FROM clock_entry`);
  await office.query(`DELETE FROM hours_approval`);
  const { context, page } = await openPhone(browser, office.url, 'imke');
  const day = page.getByRole('region', { name: 'Your working day' });

  await test.step('begun, paused and gone on with no network; a reload in between', async () => {
    await expect(day.getByText('has not begun')).toBeVisible();
    await context.setOffline(true);
    await day.getByRole('button', { name: 'Begin the day' }).click();
    await expect(day.getByText(/^At work since/)).toBeVisible();
    await accessible(page);
    await day.getByRole('button', { name: 'Break' }).click();
    await page.reload();
    await expect(day.getByText(/^On a break since/)).toBeVisible();
    await page.waitForTimeout(400);
    await day.getByRole('button', { name: 'Go on' }).click();
    await expect(day.getByRole('button', { name: 'Break' })).toBeVisible();
    await page.waitForTimeout(400);
    await day.getByRole('button', { name: 'End the day' }).click();
    await expect(day.getByText(/^Your day is over/)).toBeVisible();
  });

  await test.step('put right with a reason, and never without', async () => {
    await day.getByRole('button', { name: 'Your hours' }).click();
    const today = page.getByRole('main').getByRole('region').first();
    await expect(today.getByText('break over')).toBeVisible();
    await accessible(page);
    await today.getByRole('button', { name: /day begun/ }).click();
    const dialog = page.getByRole('dialog', { name: 'Put it right' });
    await dialog.getByLabel('When').fill('00:10');
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(dialog.getByText('Say why')).toBeVisible();
    await dialog.getByRole('radio', { name: 'Pressed too late' }).click();
    await page.waitForTimeout(400);
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(dialog).toHaveCount(0);
    await expect(today.getByText('00:10')).toBeVisible();
    await expect(today.getByText('Pressed too late')).toBeVisible();
  });

  const desk = await openDesk(browser, office.url, 'edda');
  await desk.goto(`${office.url}/hours`);
  const mine = desk.getByRole('row').filter({ hasText: 'Imke Dorrance' });

  await test.step('the desk has it as soon as there is a network', async () => {
    await expect(mine).toBeVisible();
    await expect(mine.getByText('00:10', { exact: false })).toHaveCount(0);
    await context.setOffline(false);
    await expect(mine.getByText(/^00:10–/)).toBeVisible({ timeout: 20_000 });
    await expect(mine.getByText('put right')).toBeVisible();
    await accessible(desk);
  });

  await test.step('a week is approved, and known as changed when the phone says more', async () => {
    await mine.getByRole('button', { name: /^Approve: Imke Dorrance/ }).click();
    await expect(mine.getByText(/^approved by Edda/)).toBeVisible();
    await page.getByRole('button', { name: 'Add something to today' }).click();
    const dialog = page.getByRole('dialog', { name: 'Add something' });
    await dialog.getByRole('radio', { name: 'day begun' }).click();
    await dialog.getByLabel('When').fill('00:05');
    await dialog.getByRole('radio', { name: 'Forgot to press' }).click();
    await page.waitForTimeout(400);
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(mine.getByText(/^changed since/)).toBeVisible({ timeout: 20_000 });
    // Begun twice: one of the two can’t be, and both tell it.
    await expect(mine.getByText(/can’t be/)).toBeVisible();
    await expect(page.getByText(/that can’t be/)).toBeVisible();
  });

  await test.step('the desk strikes it out, and the phone is told', async () => {
    await mine.getByRole('button', { name: /can’t be/ }).click();
    const dialog = desk.getByRole('dialog', { name: /^Imke Dorrance/ });
    await dialog.getByRole('button', { name: 'Put right: day begun 00:05' }).click();
    await dialog.getByLabel('Why').fill('Said twice');
    await dialog.getByRole('button', { name: 'Strike it out' }).click();
    await expect(dialog.getByText('struck out (“Said twice”)')).toBeVisible();
    await accessible(desk);
    await desk.keyboard.press('Escape');
    await expect(mine.getByText(/can’t be/)).toHaveCount(0);
    await page.reload();
    await expect(page.getByText(/that can’t be/)).toHaveCount(0);
    const file = desk.waitForEvent('download');
    await desk.getByRole('button', { name: 'As CSV' }).click();
    expect((await file).suggestedFilename()).toMatch(/^hours \d{4}-\d{2}-\d{2}\.csv$/);
  });
});
