import { expect, test } from '@playwright/test';
import { openPhone, question } from '../support/people.ts';
import { openProxied, type ProxiedOffice } from '../support/proxied-office.ts';
import { noisyPhoto } from '../support/pictures.ts';

let world: ProxiedOffice;
test.beforeAll(async () => {
  world = await openProxied();
});
test.afterAll(() => world.close());

/** How long after a push was wholly passed on the server is killed: before, within and after its commit. */
const MOMENTS_MS = [0, 4, 12, 30, 80];

test('the server is killed in the middle of pushes and of an upload: everything arrives once', async ({
  browser,
}) => {
  const { page } = await openPhone(browser, world.base, 'imke');
  await page.getByRole('button', { name: 'Set off' }).click();
  await page.getByRole('button', { name: 'I have arrived' }).click();
  await page.getByLabel('Why from here?').fill('on the way');
  await page.getByRole('dialog').getByRole('button', { name: 'I have arrived' }).click();
  await page.getByRole('button', { name: 'Start the sheet' }).click();
  await page.getByRole('button', { name: /^Brakes/ }).click();
  const sheet = page.url().split('/').at(-1) ?? '';
  const before = (await entries()).length;

  async function entries(): Promise<{ body: { value: unknown; path: string } }[]> {
    return world.office.query(`SELECT body FROM entry WHERE sheet_id = $1 ORDER BY id`, [sheet]);
  }
  const values = async (): Promise<unknown[]> =>
    (await entries())
      .filter(({ body }) => body.path === 'brake1_temp')
      .map(({ body }) => body.value);

  for (const [index, moment] of MOMENTS_MS.entries())
    await test.step(`killed ${moment} ms after a push`, async () => {
      let killed = false;
      world.proxy.breakWhen(({ method, path, cut }) => {
        if (method !== 'POST' || path !== '/api/push' || killed) return null;
        killed = true;
        setTimeout(() => {
          world.office.kill();
          cut();
        }, moment);
        return null;
      });
      await page.getByLabel('Brake 1, disc temperature, in °C').fill(String(30 + index));
      await expect.poll(() => killed, { timeout: 30_000 }).toBe(true);
      await page.waitForTimeout(moment + 200);
      await world.office.start();
      await page.evaluate(() => dispatchEvent(new Event('online')));
      await expect.poll(values, { timeout: 90_000 }).toContain(30 + index);
    });
  world.proxy.breakWhen(() => null);
  expect(await values()).toEqual(MOMENTS_MS.map((_, index) => 30 + index));
  expect(await entries()).toHaveLength(before + MOMENTS_MS.length);

  await test.step('killed in the middle of a photo', async () => {
    const offsets: number[] = [];
    world.proxy.breakWhen(({ method, path, offset }) => {
      if (method !== 'PATCH' || !path.startsWith('/uploads')) return null;
      offsets.push(offset);
      if (offsets.length !== 2) return null;
      setTimeout(() => world.office.kill(), 5);
      return 40_000;
    });
    const brake = question(page, 'Brake 2 released fully?');
    await brake.getByRole('radio', { name: 'No', exact: true }).click();
    await brake.locator('input[type=file]').setInputFiles(await noisyPhoto());
    await expect.poll(() => offsets.length, { timeout: 60_000 }).toBeGreaterThanOrEqual(2);
    await page.waitForTimeout(300);
    const media = () =>
      world.office.query<{ sha256: string }>(
        `SELECT sha256 FROM media WHERE received_at > now() - interval '10 minutes' AND sha256 IN (SELECT body->'value'->>'sha256' FROM entry WHERE sheet_id = $1)`,
        [sheet],
      );
    await world.office.start();
    await page.evaluate(() => dispatchEvent(new Event('online')));
    await expect.poll(async () => (await media()).length, { timeout: 90_000 }).toBe(1);
    // It went on where it had stopped: only the first piece ever began at the beginning.
    expect(offsets.filter((offset) => offset === 0)).toHaveLength(1);
    expect(offsets.length).toBeGreaterThanOrEqual(3);
  });

  await page.getByRole('button', { name: '‹ Trail' }).click();
  await expect(page.getByText(/office has all/)).toBeVisible({ timeout: 60_000 });
});
