import { expect, test, type Page } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { TestOffice } from '../support/office.ts';
import { signIn } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

/** An empty application on this stack loads this much for its first route, gzipped. */
const EMPTY_APPLICATION_KB = 424;

async function scriptsOf(
  page: Page,
  who: string,
  ready: RegExp,
): Promise<{ kB: number; text: string }> {
  const bodies: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    if (response.url().includes('/_expo/') && !response.fromServiceWorker())
      bodies.push(response.body());
  });
  await signIn(page, office.url, who);
  await expect(page.getByText(ready).first()).toBeVisible();
  const all = await Promise.all(bodies);
  return {
    kB: Math.round(all.reduce((sum, body) => sum + gzipSync(body, { level: 9 }).length, 0) / 1000),
    text: all.map((body) => body.toString()).join('\n'),
  };
}

test('each face loads its own code only, and the field stays within a quarter of an empty application', async ({
  browser,
}) => {
  const options = { serviceWorkers: 'block' as const };
  const field = await scriptsOf(
    await (await browser.newContext(options)).newPage(),
    'imke',
    /Your trail/,
  );
  const desk = await scriptsOf(
    await (await browser.newContext(options)).newPage(),
    'edda',
    /Without a person/,
  );
  console.log(`first screen, gzipped: field ${field.kB} kB, desk ${desk.kB} kB`);
  expect(field.text).toContain('Nothing on your trail');
  expect(field.text).not.toContain('Return with a note');
  expect(field.text).not.toContain('Without a person');
  expect(desk.text).toContain('Return with a note');
  expect(desk.text).not.toContain('Nothing on your trail');
  expect(desk.text).not.toContain('Read it through once');
  // Trade kits come with the first sheet that needs them.
  for (const first of [field.text, desk.text]) {
    expect(first).not.toContain('Highest earth loop impedance');
    expect(first).not.toContain('Reckon with frost');
  }
  expect(field.kB).toBeLessThanOrEqual(EMPTY_APPLICATION_KB * 1.25);
});
