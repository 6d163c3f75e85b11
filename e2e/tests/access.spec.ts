import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { AS_SEEN } from '../support/accessible.ts';
import { TestOffice } from '../support/office.ts';
import { signIn, wanting } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

type Theme = 'light' | 'dark' | 'sunlight';
const EVERY_RULE = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** Every rule in the light theme; the other themes differ in their colours alone. */
async function mustBeAccessible(page: Page, view: string, theme: Theme): Promise<void> {
  const axe = new AxeBuilder({ page });
  // Where a spot of the map lies is what it says: its place is essential (WCAG 2.2, 2.5.8).
  const rules = view.startsWith('map')
    ? { ...AS_SEEN, 'target-size': { enabled: false } }
    : AS_SEEN;
  const { violations } = await (
    theme === 'light'
      ? axe.options({ runOnly: EVERY_RULE, rules })
      : axe.withRules(['color-contrast'])
  ).analyze();
  const found = violations.map(
    ({ id, nodes }) => `${view}: ${id} ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
  );
  expect(found).toEqual([]);
}

async function openIn(browser: Browser, theme: Theme, width: number, height: number) {
  const context = await browser.newContext({ viewport: { width, height } });
  await wanting(context, { theme });
  const page = await context.newPage();
  return { context, page, check: (view: string) => mustBeAccessible(page, view, theme) };
}

/** Goes to a place by the desk's own navigation. */
async function goTo(page: Page, place: string): Promise<void> {
  await page.getByRole('navigation', { name: 'Places' }).getByText(place, { exact: true }).click();
}

test('axe finds nothing on the desk', async ({ browser }) => {
  const { context, page, check } = await openIn(browser, 'light', 1280, 800);
  await page.goto(`${office.url}/sign-in`);
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await check('sign-in');
  await signIn(page, office.url, 'edda');
  await expect(page.getByRole('button', { name: /Gannet Head, upper/ }).first()).toBeVisible();
  await check('day');
  for (const view of ['Week', 'Month', 'Day']) {
    await page.getByRole('radio', { name: view }).click();
    if (view === 'Day') continue;
    await expect(page.getByRole('table', { name: `The ${view.toLowerCase()}` })).toBeVisible();
    await expect(page.getByRole('cell').nth(20)).toBeVisible();
    await check(view);
  }
  await page.getByRole('button', { name: 'New job' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check('new job');
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /, \d\d:\d\d, / })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check('visit dialog');
  await page.keyboard.press('Escape');
  for (const [place, ready] of [
    ['Review', /^Approve/],
    ['Actions', 'row'],
    ['Jobs', 'row'],
    ['Places', /Gannet Head/],
    ['Map', /^Knot hut/],
    ['Templates', /^Alarm panel/],
    ['Catalogues', /^Spare parts/],
    ['People', 'row'],
    ['Hours', 'row'],
    ['Documents', /^Disc brakes/],
    ['Sent', null],
  ] as const) {
    await goTo(page, place);
    if (ready === 'row') await expect(page.getByRole('row').nth(2)).toBeVisible();
    else if (ready) await expect(page.getByRole('button', { name: ready }).first()).toBeVisible();
    else await expect(page.getByRole('heading', { level: 1, name: place })).toBeVisible();
    await check(place === 'Map' ? 'map' : place);
  }
  await page.goto(`${office.url}/messages`);
  await page.getByRole('button', { name: /^Rook Solvane/ }).click();
  await expect(page.getByRole('region', { name: 'With Rook Solvane' })).toBeVisible();
  await check('messages');
  await goTo(page, 'Places');
  await page.getByLabel('Name, client, address or hazard').fill('kittiwake');
  await page.getByRole('button', { name: /^Kittiwake hut/ }).click();
  await expect(page.getByRole('treeitem', { name: /^Smoke detector, hall/ })).toBeVisible();
  await check('place with its register');
  await page.getByRole('treeitem', { name: /^Smoke detector, hall/ }).click();
  await expect(page.getByText('Entered in the register')).toBeVisible();
  await check('story of a thing');
  await page.getByRole('button', { name: 'Add a thing' }).click();
  await check('adding a thing');
  await page.keyboard.press('Escape');
  await goTo(page, 'Places');
  await page.getByRole('button', { name: 'All things' }).click();
  await expect(page.getByRole('row').nth(2)).toBeVisible();
  await check('things');
  await page.getByRole('button', { name: 'Loose labels' }).click();
  await check('labels');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Kinds of thing' }).click();
  await page.getByRole('button', { name: 'Change pump' }).click();
  await check('a kind of thing');
  await page.keyboard.press('Escape');
  await goTo(page, 'Map');
  await page.getByRole('radio', { name: 'Today’s stops' }).click();
  await expect(page.getByText(/Imke Dorrance, /).first()).toBeVisible();
  await check('map of today');
  await page.getByRole('button', { name: 'Layers' }).click();
  await check('layers of the map');
  await page.keyboard.press('Escape');
  await goTo(page, 'People');
  await page.getByRole('button', { name: 'Branches' }).click();
  await check('branches');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Marn Quill' }).click();
  await expect(page.getByRole('dialog', { name: 'Marn Quill' })).toBeVisible();
  await check('a person');
  await page.keyboard.press('Escape');
  await goTo(page, 'Documents');
  await page.getByRole('button', { name: /^Disc brakes/ }).click();
  await expect(page.getByText(/^Version 2, counts since/)).toBeVisible();
  await check('a document');
  await page.getByRole('button', { name: 'Look at it: version 2' }).click();
  await expect(page.getByRole('document')).toBeVisible();
  await check('a document, looked at');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Me', exact: true }).click();
  await check('what is one’s own');
  await page.getByRole('button', { name: 'What people told' }).click();
  await expect(page.getByText(/Nobody told anything yet/)).toBeVisible();
  await check('what people told');
  await goTo(page, 'Places');
  await page.getByRole('button', { name: 'Own fields' }).click();
  await check('own fields');
  await page.keyboard.press('Escape');
  await goTo(page, 'Catalogues');
  await page.getByRole('button', { name: /^Spare parts/ }).click();
  await expect(page.getByRole('textbox', { name: 'Look a row up' })).toBeVisible();
  await check('catalogue');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Import a catalogue' }).click();
  await page.getByLabel('Choose the file').setInputFiles({
    name: 'tools.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Code;Tool\nT1;Hammer\nT1;Saw\n'),
  });
  await expect(page.getByText('Line 3: “T1” stands on line 2 already.')).toBeVisible();
  await check('import');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await goTo(page, 'Templates');
  await page.getByRole('button', { name: /^Penstock joint tightening/ }).click();
  await expect(page.getByRole('heading', { name: 'The whole sheet' })).toBeVisible();
  await check('builder, the sheet');
  await page.getByRole('radio', { name: 'Known' }).click();
  await page.getByRole('button', { name: /^Torque reached/ }).click();
  await expect(page.getByRole('status', { name: 'Why' })).toBeVisible();
  await check('builder, a question');
  await goTo(page, 'Review');
  await expect(page.getByRole('button', { name: /^Approve/ })).toBeEnabled();
  for (const [key, dialog] of [
    ['c', /^Correct/],
    ['o', /^Open an action/],
    ['r', /^Return/],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole('dialog', { name: dialog })).toBeVisible();
    await check(`review, ${key}`);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  await context.close();
});

test('axe finds nothing in the field', async ({ browser }) => {
  const { context, page, check } = await openIn(browser, 'light', 390, 844);
  await signIn(page, office.url, 'tove');
  await expect(page.getByText(/office has all/)).toBeVisible();
  await check('trail');
  await page.getByRole('button', { name: 'More' }).click();
  await expect(page.getByRole('heading', { name: 'Getting in' })).toBeVisible();
  await check('visit');
  await page.getByRole('button', { name: 'Go on with the sheet' }).click();
  for (const section of [/^Looking/, /^Measuring/, /^Leaving/]) {
    const here = page.getByRole('button', { name: section });
    await here.click();
    await expect(here).toHaveAttribute('aria-current', 'step');
    await check(`sheet ${section}`);
  }
  for (const [at, heading] of [
    ['/kept', 'Sending'],
    ['/self', 'Tove Aske'],
    ['/my-hours', 'Your hours'],
    ['/my-messages', 'Messages'],
    ['/around', 'Map'],
    ['/documents-here', 'Documents'],
    ['/ready', 'Is my phone ready?'],
  ] as const) {
    await page.goto(office.url + at);
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
    if (at === '/around') await expect(page.locator('.map-stop').first()).toBeVisible();
    await check(at === '/around' ? 'map in the field' : at);
  }
  const [knot] = await office.query<{ id: string }>(`SELECT id FROM site WHERE name = 'Knot hut'`);
  await page.goto(`${office.url}/way/${knot?.id}`);
  await expect(page.getByRole('heading', { level: 1, name: 'Knot hut' })).toBeVisible();
  await context.grantPermissions(['geolocation']);
  await context.setGeolocation({ latitude: 38.6204, longitude: -41.3018, accuracy: 12 });
  await page.getByRole('button', { name: 'From where I am' }).click();
  await expect(page.getByRole('list', { name: 'The pieces of the way' })).toBeVisible();
  await check('map with a way');
  // On a tablet, with more than one thing side by side.
  await page.setViewportSize({ width: 1180, height: 820 });
  await page.goto(`${office.url}/trail`);
  await expect(page.getByRole('heading', { name: 'Getting in' })).toBeVisible();
  await check('trail on a tablet');
  await page.getByRole('button', { name: 'Go on with the sheet' }).click();
  await expect(page.getByRole('complementary')).toBeVisible();
  await check('sheet on a tablet');
  await context.close();
});

// The palettes are checked colour by colour; here is that the views use them as they are meant.
for (const theme of ['dark', 'sunlight'] as const) {
  test(`what is read most can be read, ${theme}`, async ({ browser }) => {
    const desk = await openIn(browser, theme, 1280, 800);
    await signIn(desk.page, office.url, 'edda');
    await expect(
      desk.page.getByRole('button', { name: /Gannet Head, upper/ }).first(),
    ).toBeVisible();
    await desk.check('day');
    await goTo(desk.page, 'Review');
    await expect(desk.page.getByRole('button', { name: /^Approve/ })).toBeEnabled();
    await desk.check('review');
    await goTo(desk.page, 'Templates');
    await desk.page.getByRole('button', { name: /^Penstock joint tightening/ }).click();
    await desk.page.getByRole('button', { name: /^Torque reached/ }).click();
    await expect(desk.page.getByRole('status', { name: 'Why' })).toBeVisible();
    await desk.check('builder');
    await desk.context.close();
    const field = await openIn(browser, theme, 390, 844);
    await signIn(field.page, office.url, 'tove');
    await expect(field.page.getByText(/office has all/)).toBeVisible();
    await field.check('trail');
    await field.page.getByRole('button', { name: 'Go on with the sheet' }).click();
    await expect(field.page.getByRole('navigation', { name: 'Sections' })).toBeVisible();
    await field.check('sheet');
    await field.context.close();
  });
}

test('names lie close in the day chart, and each still opens its own stop', async ({ browser }) => {
  const { context, page } = await openIn(browser, 'light', 1280, 800);
  await signIn(page, office.url, 'edda');
  await expect(page.getByRole('button', { name: /Gannet Head, upper/ }).first()).toBeVisible();
  const stops = page.getByRole('button', { name: /, \d\d:\d\d, / });
  for (const stop of (await stops.all()).slice(0, 12)) {
    const name = (await stop.getAttribute('aria-label'))?.split(/,| · /)[0] ?? '';
    await stop.click();
    await expect(page.getByRole('dialog', { name })).toBeVisible();
    await page.keyboard.press('Escape');
  }
  await context.close();
});

test('neither face scrolls sideways on its own screen', async ({ browser }) => {
  for (const [who, width, height, places] of [
    ['imke', 390, 844, ['/trail', '/kept', '/self']],
    [
      'edda',
      1280,
      800,
      ['/day', '/review', '/actions', '/jobs', '/places', '/templates', '/catalogues', '/sent'],
    ],
    ['edda', 390, 844, ['/actions', '/places', '/people', '/catalogues']],
  ] as const) {
    const context = await browser.newContext({ viewport: { width, height } });
    const page = await context.newPage();
    await signIn(page, office.url, who);
    await expect(page.getByRole('heading', { level: 1 }).first()).not.toHaveText('Sign in');
    for (const at of places) {
      await page.goto(office.url + at);
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
      const wider = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      expect(`${at} at ${width}: ${Math.max(0, wider)}`).toBe(`${at} at ${width}: 0`);
    }
    await context.close();
  }
});
