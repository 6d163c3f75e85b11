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
  await page
    .getByLabel('E-mail address')
    .fill(who.includes('@') ? who : `${who}@tarnhollow.example`);
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

export interface PhoneOptions {
  /** Whether what comes next comes by itself, as on a phone that nobody changed. */
  readonly straightOn?: boolean;
}

/**
 * A phone in the hand of somebody, near the harbour, ready to work with no network. Its pages stand
 * still unless asked, so that a test says each step.
 */
export async function openPhone(
  browser: Browser,
  base: string,
  who: string,
  { straightOn = false }: PhoneOptions = {},
): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    permissions: ['geolocation'],
    geolocation: { latitude: 38.6204, longitude: -41.3018, accuracy: 12 },
  });
  await wanting(context, { goingOn: straightOn ? 'by itself' : 'by hand' });
  const page = await context.newPage();
  await signIn(page, base, who);
  if (who.includes('@')) {
    // Whoever works at the desk as well comes there first.
    await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
    await page.goto(`${base}/trail`);
  }
  await expect(page.getByRole('heading', { name: 'Your trail', exact: true })).toBeVisible();
  await expect(page.getByText(/office has all/)).toBeVisible();
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  return { context, page };
}

/** Signs in the box with the mouse; in that of one question where there are several. */
export async function drawSignature(page: Page, within: Page | Locator = page): Promise<void> {
  // A consent is not that of whoever holds the phone.
  const who = within.getByRole('textbox', { name: 'Who signs' });
  if ((await who.inputValue()) === '') await who.fill('Ansa Fell');
  const pad = within.getByRole('img', { name: /sign here/ });
  await pad.scrollIntoViewIfNeeded();
  const box = await pad.boundingBox();
  if (!box) throw new Error('there is nowhere to sign');
  await page.mouse.move(box.x + 40, box.y + 60);
  await page.mouse.down();
  for (let i = 1; i <= 12; i++)
    await page.mouse.move(box.x + 40 + i * 18, box.y + 60 + Math.sin(i) * 30);
  await page.mouse.up();
  await within.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(within.getByText(/^Signed by/)).toBeVisible();
}

/** Somebody passes a colleague's hold point with their own phone, which has no network just then. */
export async function passOnOwnPhone(
  browser: Browser,
  base: string,
  who: string,
  hold: Locator,
): Promise<void> {
  const asked = await hold.getByText(/^[0-9A-Z]{5} [0-9A-Z]{5}$/).innerText();
  const { context, page } = await openPhone(browser, base, who);
  await context.setOffline(true);
  await page.getByRole('link', { name: 'Me' }).click();
  await page.getByRole('textbox', { name: 'The code on their phone' }).fill(asked);
  await page.getByRole('radio', { name: 'I pass it' }).click();
  const given = await page.getByText(/^P[0-9A-Z]{4} [0-9A-Z]{5}$/).innerText();
  await hold.getByRole('textbox', { name: 'The code their phone gives back' }).fill(given);
  await context.close();
}

/** Whoever signs in here first has just said that they want it so; what they change later stays. */
export const wanting = (
  context: BrowserContext,
  settings: Readonly<Record<string, string>>,
): Promise<unknown> =>
  context.addInitScript(
    (kept) => {
      if (localStorage.getItem('wanted') === kept) return;
      localStorage.setItem('wanted', kept);
      localStorage.setItem('ant-trail.settings', kept);
    },
    JSON.stringify({ values: settings, unsent: settings }),
  );

/** The part of the sheet that belongs to one question. */
export const question = (page: Page, label: string): Locator =>
  page.getByRole('region', { name: label, exact: true });

/** Answers by one of a few; pressed again where the page was just coming to the next question by itself. */
export async function answer(page: Page, label: string, words: string): Promise<void> {
  const option = question(page, label).getByRole('radio', { name: words });
  await option.click();
  await expect(async () => {
    // The page has gone on by itself: only what was taken makes it do so.
    if ((await option.count()) === 0) return;
    const isTaken = await option.isChecked({ timeout: 1_000 });
    if (!isTaken) await option.click({ timeout: 1_000 });
    expect(isTaken).toBe(true);
  }).toPass({ timeout: 20_000 });
}

export interface PlannedJob {
  readonly place: string;
  /** Title of the template, as the dialog offers it. */
  readonly sheet: string;
  readonly person: string;
  readonly start: string;
  /** Who is to read what comes back. */
  readonly reader?: string;
}

/** The manager makes a job for today. */
export async function planJob(desk: Page, base: string, job: PlannedJob): Promise<void> {
  await desk.goto(`${base}/day?new=job`);
  const dialog = desk.getByRole('dialog', { name: 'New job' });
  await find(dialog, 'Place', job.place);
  await find(dialog, 'Sheet', job.sheet);
  await dialog.getByLabel('Start').fill(job.start);
  await find(dialog, 'Person', job.person);
  if (job.reader) {
    await dialog.getByRole('button', { name: 'Who reads it' }).click();
    await find(dialog, 'Who reads what comes back', job.reader);
  }
  await dialog.getByRole('button', { name: 'Make the job' }).click();
  await expect(dialog).toBeHidden();
}

/** Sets off for the stop with this sheet, at a place where more than one has it, arrives wherever that is, and starts it. */
export async function startSheet(page: Page, title: string, place = ''): Promise<void> {
  await expect(page.getByText(place || title).first()).toBeVisible();
  // The next stop is open on the trail already; any other is opened first.
  const stop = page.getByRole('button', { name: new RegExp(place ? `^${place}` : title) });
  if (await stop.count()) {
    await stop.first().click();
    // On the trail the next stop has a way to set off as well: it must not be that one.
    await expect(page.getByRole('heading', { name: 'Getting in' })).toBeVisible();
  }
  await page.getByRole('button', { name: 'Set off' }).click();
  await page.getByRole('button', { name: 'I have arrived' }).click();
  const why = page.getByLabel('Why from here?');
  const start = page.getByRole('button', { name: 'Start the sheet' });
  await expect(why.or(start)).toBeVisible();
  if (await why.isVisible()) {
    await why.fill('working from the harbour');
    await page.getByRole('dialog').getByRole('button', { name: 'I have arrived' }).click();
  }
  await start.click();
}

/** Chooses out of a field that looks while one writes; what is offered may still come in meanwhile. */
export async function find(within: Page | Locator, label: string, name: string): Promise<void> {
  const field = within.getByRole('combobox', { name: label, exact: true });
  const offered = within.getByRole('listbox', { name: label, exact: true });
  await expect(async () => {
    // What stands there already would be no change, and nothing would be offered.
    await field.fill('');
    await field.fill(name);
    await offered.getByRole('option', { name }).first().click({ timeout: 10_000 });
    // Chosen: the list is closed. A hand that has just pressed something else is not taken for this one.
    await expect(field).toHaveAttribute('aria-expanded', 'false', { timeout: 500 });
  }).toPass({ timeout: 40_000 });
}

/** Opens a stop of the trail, whether it is the next one or lies further on. */
export async function openStop(page: Page, place: string): Promise<void> {
  const stop = page.getByRole('button', { name: new RegExp(`^${place}`) });
  const next = page.getByRole('heading', { name: place });
  await expect(stop.or(next).first()).toBeVisible();
  if (await stop.count()) await stop.first().click();
  else await page.getByRole('button', { name: 'More' }).click();
  await expect(page.getByRole('heading', { name: 'Getting in' })).toBeVisible();
}

/** Writes an answer, and leaves it. */
export async function write(page: Page, label: string, value: string): Promise<void> {
  const box = question(page, label).getByRole('textbox').first();
  await box.fill(value);
  await box.blur();
}

export const goToSection = (page: Page, section: string): Promise<void> =>
  page.getByRole('button', { name: new RegExp(`^${section}`) }).click();

export async function finishSheet(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Finish', exact: true }).click();
  await page.getByRole('button', { name: 'Finish the sheet' }).click();
}

/** Adds so many devices to an inspection of alarm systems, called by their numbers; filled in as one that is there. */
export async function addDevices(page: Page, many: string, like?: string): Promise<void> {
  await page.getByRole('button', { name: 'Add device' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add device' });
  await dialog.getByLabel('How many').fill(many);
  await dialog.getByLabel('Called').fill('Device ###');
  if (like) await dialog.getByLabel('Filled in as').selectOption({ label: like });
  await dialog.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(dialog).toBeHidden({ timeout: 60_000 });
}
