import {
  expect,
  type Browser,
  type BrowserContext,
  type Locator,
  type Page,
} from '@playwright/test';

const PASSWORD = 'walk-the-trail';

export async function signIn(page: Page, base: string, who: string): Promise<void> {
  await page.goto(`${base}/sign-in`);
  await page.getByLabel('E-mail address').fill(`${who}@tarnhollow.example`);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

export async function openDesk(browser: Browser, base: string, who: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await signIn(page, base, who);
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  return page;
}

/** A phone in the hand of somebody, near the harbour, ready to work with no network. */
export async function openPhone(
  browser: Browser,
  base: string,
  who: string,
): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    permissions: ['geolocation'],
    geolocation: { latitude: 38.6204, longitude: -41.3018, accuracy: 12 },
  });
  const page = await context.newPage();
  await signIn(page, base, who);
  await expect(page.getByRole('heading', { name: 'Your trail', exact: true })).toBeVisible();
  await expect(page.getByText(/office has all/)).toBeVisible();
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  return { context, page };
}

/** Signs in the box with the mouse. */
export async function drawSignature(page: Page): Promise<void> {
  const pad = page.getByRole('img', { name: /sign here/ });
  await pad.scrollIntoViewIfNeeded();
  const box = await pad.boundingBox();
  if (!box) throw new Error('there is nowhere to sign');
  await page.mouse.move(box.x + 40, box.y + 60);
  await page.mouse.down();
  for (let i = 1; i <= 12; i++)
    await page.mouse.move(box.x + 40 + i * 18, box.y + 60 + Math.sin(i) * 30);
  await page.mouse.up();
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByText(/^Signed by/)).toBeVisible();
}

/** The part of the sheet that belongs to one question. */
export const question = (page: Page, label: string): Locator =>
  page.getByRole('region', { name: label, exact: true });
