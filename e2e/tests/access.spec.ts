import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { signIn } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

async function mustBeAccessible(page: Page, view: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).withTags(RULES).analyze();
  const found = violations.map(
    ({ id, nodes }) => `${view}: ${id} ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
  );
  expect(found).toEqual([]);
}

for (const theme of ['light', 'dark', 'sunlight'] as const) {
  test(`axe finds nothing on the desk, ${theme}`, async ({ browser }) => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addInitScript((name) => localStorage.setItem('ant-trail.theme', name), theme);
    const page = await context.newPage();
    await page.goto(`${office.url}/sign-in`);
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await mustBeAccessible(page, 'sign-in');
    await signIn(page, office.url, 'edda');
    await expect(page.getByRole('button', { name: /Gannet Head, upper/ }).first()).toBeVisible();
    await mustBeAccessible(page, 'day');
    await page.getByRole('button', { name: 'New job' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await mustBeAccessible(page, 'new job');
    const views: [string, string][] = [
      ['/review', ' · '],
      ['/actions', 'Actions'],
      ['/jobs', 'Jobs'],
      ['/places', 'Places'],
      ['/people', 'People'],
      ['/sent', 'Sent'],
    ];
    for (const [at, heading] of views) {
      await page.goto(office.url + at);
      await expect(
        page.getByRole('heading', { level: 1, name: new RegExp(heading) }),
      ).toBeVisible();
      await page.waitForTimeout(500);
      await mustBeAccessible(page, at);
    }
    await context.close();
  });

  test(`axe finds nothing in the field, ${theme}`, async ({ browser }) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    await context.addInitScript((name) => localStorage.setItem('ant-trail.theme', name), theme);
    const page = await context.newPage();
    await signIn(page, office.url, 'tove');
    await expect(page.getByText(/office has all/)).toBeVisible();
    await mustBeAccessible(page, 'trail');
    await page.getByRole('button', { name: 'More' }).click();
    await expect(page.getByRole('heading', { name: 'Getting in' })).toBeVisible();
    await mustBeAccessible(page, 'visit');
    await page.getByRole('button', { name: 'Go on with the sheet' }).click();
    for (const section of [/^Looking/, /^Measuring/, /^Leaving/]) {
      await page.getByRole('button', { name: section }).click();
      await page.waitForTimeout(300);
      await mustBeAccessible(page, `sheet ${section}`);
    }
    for (const [at, heading] of [
      ['/kept', 'Sending'],
      ['/self', 'Tove Aske'],
    ] as const) {
      await page.goto(office.url + at);
      await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
      await mustBeAccessible(page, at);
    }
    await context.close();
  });
}

test('neither face scrolls sideways on its own screen', async ({ browser }) => {
  for (const [who, width, height, places] of [
    ['imke', 390, 844, ['/trail', '/kept', '/self']],
    ['edda', 1280, 800, ['/day', '/review', '/actions', '/jobs', '/places', '/people', '/sent']],
    ['edda', 390, 844, ['/actions', '/places', '/people']],
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
