import { chromium, expect, test } from '@playwright/test';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { drawQr, filmOf } from '../support/codes.ts';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, planJob, question, startSheet } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

test('a code held before the camera is taken by itself', async ({ browser }) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    place: 'Harbour clinic',
    sheet: 'Provision locker refill',
    person: 'Imke Dorrance',
    start: '06:00',
  });
  const dir = await mkdtemp(path.join(tmpdir(), 'ant-trail-film-'));
  const film = path.join(dir, 'code.y4m');
  await writeFile(film, await filmOf(await drawQr('BAG-2207')));
  const { launchOptions } = test.info().project.use;
  const camera = await chromium.launch({
    ...launchOptions,
    args: [...(launchOptions?.args ?? []), `--use-file-for-fake-video-capture=${film}`],
  });
  try {
    const { page } = await openPhone(camera, office.url, 'imke');
    await startSheet(page, 'Provision locker refill');
    await page.getByRole('button', { name: /^Honesty box/ }).click();
    const bag = question(page, 'Number of the cash bag');
    await bag.getByRole('button', { name: 'Scan Number of the cash bag' }).click();
    await expect(page.getByRole('dialog')).toBeHidden({ timeout: 30_000 });
    await expect(bag.getByRole('textbox')).toHaveValue('BAG-2207');
    await expect(bag.getByText('scanned, QR')).toBeVisible();

    await test.step('a product is looked up among all of them, and brings what is known of it', async () => {
      await page.getByRole('button', { name: /^Shelves/ }).click();
      await question(page, 'Shelves')
        .getByRole('button', { name: /Shelf 1/ })
        .click();
      const product = question(page, 'What lies there');
      await product.getByRole('textbox').fill('choc dark');
      await product.getByRole('button', { name: /^Chocolate, dark/ }).click();
      await expect(product.getByText(/PR-126 · Group sweet · fits 30 · belongs 20/)).toBeVisible();
      await page.getByRole('button', { name: 'Take 30 for How many fit' }).click();
      await expect(question(page, 'How many fit').getByRole('textbox')).toHaveValue('30');
      await product.getByRole('button', { name: 'Change What lies there' }).click();
      await product.getByRole('textbox').fill('seal jerky');
      await expect(product.getByText('Nothing in Provisions is called that.')).toBeVisible();
      await product.getByRole('button', { name: 'Keep “seal jerky” as written' }).click();
      await expect(product.getByText('written by hand, not in the catalogue')).toBeVisible();
    });
  } finally {
    await camera.close();
    await rm(dir, { recursive: true });
  }
});
