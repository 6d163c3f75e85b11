import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, planJob, question } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

/** The aim of the hut safety check with all in order, from the trail until it is finished. */
const MOST_TAPS = 13;

test('with all in order the hut safety check takes few taps: what comes next comes to the thumb', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    ...{ place: 'Kittiwake hut', sheet: 'Hut safety check', person: 'Marn Quill' },
    start: '05:30',
  });
  const { context, page } = await openPhone(browser, office.url, 'marn', { straightOn: true });
  // At the hut itself: nobody is asked why they begin from here.
  const [hut] = await office.query<{ lat: number; lon: number }>(
    `SELECT lat, lon FROM site WHERE name = 'Kittiwake hut'`,
  );
  if (!hut) throw new Error('the hut is not there');
  await context.setGeolocation({ latitude: hut.lat, longitude: hut.lon, accuracy: 8 });
  await context.setOffline(true);
  let taps = 0;
  const tap = async (where: ReturnType<Page['getByRole']>): Promise<void> => {
    taps++;
    await expect(where).toBeInViewport({ ratio: 0.6 });
    // A moment to see what stands there now.
    await page.waitForTimeout(800);
    await where.click();
  };
  const yes = (label: string) => question(page, label).getByRole('radio', { name: 'Yes' });
  const heightOf = async (label: string): Promise<number> =>
    (await question(page, label).boundingBox())?.y ?? Number.NaN;

  await tap(page.getByRole('button', { name: 'Set off' }));
  await tap(page.getByRole('button', { name: 'I have arrived' }));
  const first = yes('Both ways out free?');
  await expect(first).toBeVisible();
  const stood = await heightOf('Both ways out free?');
  await tap(first);
  // The next question stands where the first one stood.
  await expect.poll(() => heightOf('Smoke alarm sounds?')).toBeLessThan(stood + 5);
  await tap(yes('Smoke alarm sounds?'));
  const reading = (label: string) => question(page, label).getByRole('textbox').first();
  await tap(reading('Extinguisher pressure'));
  await page.keyboard.type('14.8');
  await page.keyboard.press('Enter');
  await expect(reading('Carbon monoxide beside the stove')).toBeFocused();
  await page.keyboard.type('3');
  await page.keyboard.press('Enter');
  await expect(reading('Gas left in the store')).toBeFocused();
  await page.keyboard.type('11');
  await page.keyboard.press('Enter');
  // The section is complete: the next one comes, and is read out.
  await expect(page.getByRole('heading', { name: /^House, 0 of/ })).toBeFocused();
  await tap(question(page, 'Roof and shutters').getByRole('radio', { name: 'Tight' }));
  await tap(yes('Drinking water runs clear?'));
  await tap(yes('First-aid box complete?'));
  await expect(yes('First-aid box complete?')).toBeChecked();
  await tap(page.getByRole('button', { name: /^Next loose end/ }));
  const pad = page.getByRole('img', { name: /sign here/ });
  await expect(pad).toBeInViewport({ ratio: 0.9 });
  const box = await pad.boundingBox();
  if (!box) throw new Error('there is nowhere to sign');
  taps++;
  await page.mouse.move(box.x + 40, box.y + 60);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(box.x + 40 + i * 22, box.y + 60 + (i % 3) * 9);
  await page.mouse.up();
  await tap(page.getByRole('button', { name: 'Sign', exact: true }));
  const through = page.getByRole('dialog', { name: 'Read it through once' });
  await expect(through.getByText('Both ways out free?')).toBeVisible();
  await tap(through.getByRole('button', { name: 'Finish the sheet' }));
  await expect(page.getByRole('heading', { name: 'Your trail' })).toBeVisible();
  expect(taps).toBeLessThanOrEqual(MOST_TAPS);
  console.log(`the hut safety check took ${taps} taps`);
  await context.close();
});

test('what is amiss keeps the page where it is, and so does whoever turned it off', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    ...{ place: 'Eider hut', sheet: 'Hut safety check', person: 'Imke Dorrance' },
    start: '05:30',
  });
  const { context, page } = await openPhone(browser, office.url, 'imke', { straightOn: true });
  await page.getByRole('button', { name: 'Set off' }).click();
  await page.getByRole('button', { name: 'I have arrived' }).click();
  await page.getByLabel('Why from here?').fill('at the quay');
  await page.getByRole('dialog').getByRole('button', { name: 'I have arrived' }).click();
  const main = page.locator('#main');
  const scrolled = () => main.evaluate((each) => each.scrollTop);
  const answer = (label: string, word: string) =>
    question(page, label).getByRole('radio', { name: word, exact: true });
  await answer('Both ways out free?', 'No').click();
  await page.waitForTimeout(1_200);
  expect(await scrolled()).toBe(0);
  // By keys nothing moves by itself.
  await answer('Both ways out free?', 'Yes').focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(1_200);
  expect(await scrolled()).toBe(0);
  // Somebody who moves on alone is not pulled elsewhere.
  // The wheel turns in the page's own time: a busy machine must not make it come too late.
  await page.evaluate(() => {
    const turn = () => dispatchEvent(new WheelEvent('wheel', { deltaY: 40 }));
    addEventListener('click', () => setTimeout(turn, 150), { once: true, capture: true });
  });
  await answer('Smoke alarm sounds?', 'Yes').click();
  await page.waitForTimeout(1_200);
  expect(await scrolled()).toBeLessThan(60);

  // On its side the phone moves the page as a whole.
  await page.getByRole('button', { name: /^House/ }).click();
  await page.setViewportSize({ width: 700, height: 420 });
  await answer('Roof and shutters', 'Tight').click();
  await expect
    .poll(() => page.locator('.field-page').evaluate((each) => each.scrollTop))
    .toBeGreaterThan(100);
  await page.setViewportSize({ width: 390, height: 844 });

  await page.goto(`${office.url}/self`);
  await page.getByRole('radio', { name: 'By hand' }).click();
  await page.goBack();
  await page.getByRole('button', { name: /^House/ }).click();
  await main.evaluate((each) => each.scrollTo({ top: 0 }));
  await answer('Drinking water runs clear?', 'Yes').scrollIntoViewIfNeeded();
  const before = await scrolled();
  await answer('Drinking water runs clear?', 'Yes').click();
  await page.waitForTimeout(1_200);
  expect(await scrolled()).toBe(before);
  await context.close();
});
