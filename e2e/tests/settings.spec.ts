import { expect, test } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

test('how somebody wants it is so on any phone; what is wrong is told with a picture of the screen', async ({
  browser,
}) => {
  const first = await openPhone(browser, office.url, 'tove');
  await first.page.getByRole('link', { name: 'Me' }).click();
  await first.page.getByRole('radio', { name: 'Largest' }).click();
  await first.page.getByRole('radio', { name: 'Left', exact: true }).click();
  const letters = () =>
    first.page.evaluate(() => getComputedStyle(document.documentElement).fontSize);
  await expect.poll(letters).toBe('21.6px');
  await expect
    .poll(() => office.query(`SELECT settings FROM person WHERE email = 'tove@tarnhollow.example'`))
    .toMatchObject([{ settings: { letters: 'largest', hand: 'left' } }]);
  const second = await openPhone(browser, office.url, 'tove');
  await expect
    .poll(() => second.page.evaluate(() => document.documentElement.dataset['hand']))
    .toBe('left');
  await second.context.close();

  const { context, page } = first;
  await page.getByRole('button', { name: /: what changed$/ }).click();
  await expect(
    page.getByRole('dialog', { name: 'What changed' }).getByRole('listitem').first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('button', { name: 'Is my phone ready?' }).click();
  await page.getByRole('button', { name: 'Try them' }).click();
  await expect(page.getByText('Known within 10 m.')).toBeVisible();
  await expect(page.getByText(/under “Site settings”, then “Camera”/)).toBeVisible();
  await expect(page.getByText(/^It answers within/)).toBeVisible({ timeout: 30_000 });
  await context.grantPermissions(['geolocation', 'camera']);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText(/^It opens/)).toBeVisible();
  await page.getByRole('button', { name: '‹ Me' }).click();

  await context.setOffline(true);
  await page.getByRole('button', { name: 'Tell the office what is wrong here' }).click();
  await page.getByRole('link', { name: 'Find' }).click();
  await page.getByRole('button', { name: 'Take its picture' }).click();
  const telling = page.getByRole('dialog', { name: 'Tell the office' });
  await expect(telling.getByRole('img', { name: 'The screen as it was' })).toBeVisible();
  await telling.getByRole('button', { name: 'Tell them' }).click();
  await expect(telling.getByRole('alert')).toContainText('Say what is wrong');
  await telling.getByLabel('What is wrong, or what would help').fill('The list jumps');
  await telling.getByRole('button', { name: 'Tell them' }).click();
  await expect(telling).toBeHidden();
  await context.setOffline(false);

  const desk = await openDesk(browser, office.url, 'edda');
  await desk.getByRole('button', { name: 'Me', exact: true }).click();
  await desk.getByRole('button', { name: 'What people told' }).click();
  await expect(desk.getByText('The list jumps')).toBeVisible({ timeout: 60_000 });
  await expect(desk.getByText(/Tove Aske, .*Find a thing/)).toBeVisible();
  await desk.getByRole('button', { name: 'Look at the screen' }).click();
  const picture = desk.getByRole('img', { name: 'The list jumps' });
  await expect
    .poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth), {
      timeout: 60_000,
    })
    .toBe(390);
});
