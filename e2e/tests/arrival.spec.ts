import { expect, test, type Page } from '@playwright/test';
import { codesOn } from '../../apps/server/test/support/codes-on-paper.ts';
import { showLabel } from '../support/labels.ts';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, planJob } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const PLACE = 'Knot hut';
const WORDS = 'Alarm 4711, key safe behind the gutter';

/** Everything this phone keeps, as one text. */
const everythingKept = (page: Page): Promise<string> =>
  page.evaluate(async () => {
    const texts: string[] = [JSON.stringify(localStorage), JSON.stringify(sessionStorage)];
    for (const { name } of await indexedDB.databases()) {
      const store = await new Promise<IDBDatabase>((done, failed) => {
        const asked = indexedDB.open(name ?? '');
        asked.onsuccess = () => done(asked.result);
        asked.onerror = () => failed(new Error('a store can’t be opened'));
      });
      for (const table of store.objectStoreNames) {
        const rows = await new Promise<unknown[]>((done) => {
          const asked = store.transaction(table).objectStore(table).getAll();
          asked.onsuccess = () => done(asked.result);
        });
        texts.push(JSON.stringify(rows));
      }
      store.close();
    }
    return texts.join('\n');
  });

test('what is only for whoever is there opens at the place, and nowhere before or after', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  let code = '';

  await test.step('the office seals it, and prints the code of the place', async () => {
    await desk.goto(`${office.url}/places?text=knot`);
    await desk.getByRole('button', { name: new RegExp(PLACE) }).click();
    const panel = desk.getByRole('region', { name: 'For whoever is there' });
    await panel.getByRole('button', { name: 'Write it' }).click();
    await desk.getByLabel('What only they should know').fill(WORDS);
    await desk.getByRole('button', { name: 'Seal it' }).click();
    await expect(panel.getByText(/^Alarm code, key safe and the like: sealed/)).toBeVisible();
    await expect(panel.getByText(WORDS)).toBeHidden();
    // The button lies where “Seal it” was: a second press at once would be the same press.
    await desk.waitForTimeout(400);
    const download = desk.waitForEvent('download');
    await panel.getByRole('button', { name: 'Print the place’s code' }).click();
    const stream = await (await download).createReadStream();
    const bytes = Buffer.concat(await stream.toArray());
    const [found] = await codesOn(new Uint8Array(bytes), 150);
    code = found?.code ?? '';
    expect(code).toMatch(/^urn:uuid:.*\?=k=/);
  });

  for (const [start, sheet] of [
    ['06:00', 'Hut safety check'],
    ['06:50', 'Hut keeping audit'],
  ] as const)
    await planJob(desk, office.url, { place: PLACE, sheet, person: 'Imke Dorrance', start });
  const visits = await office.query<{ id: string }>(
    `SELECT v.id FROM visit v JOIN job j ON j.id = v.job_id JOIN site s ON s.id = j.site_id
     WHERE s.name = $1 AND j.title IN ('Hut safety check', 'Hut keeping audit')
       AND v.start IN (360, 410) ORDER BY v.start`,
    [PLACE],
  );
  const [early, late] = visits.slice(-2).map(({ id }) => `${office.url}/visit/${id}`);
  const { context, page } = await openPhone(browser, office.url, 'imke');
  await page.goto(early ?? '');
  await expect(page.getByText('Sealed until you are there.', { exact: false })).toBeVisible();
  await context.setOffline(true);

  await test.step('with no network nothing on the phone tells it, and only the code opens it', async () => {
    const kept = await everythingKept(page);
    expect(kept.includes('"words":{"iv":')).toBe(true);
    expect(/behind the gutter/.exec(kept)).toBeNull();
    await page.getByRole('button', { name: 'No code there?' }).click();
    await page.getByLabel(/^Or say why/).fill('The sheet is torn off');
    await page.getByRole('button', { name: 'Open it by that' }).click();
    await expect(page.getByText(/With no network only the place’s code opens it/)).toBeVisible();
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Leave it' }).click();
    await page.getByRole('button', { name: 'Scan the place’s code' }).click();
    await showLabel(page, 'urn:uuid:5b1c5e0e-6c3f-4b57-9a0e-2f1f5f1e7a11');
    await expect(page.getByText(/This is no code of a place/)).toBeVisible();
    await showLabel(page, code);
    await expect(page.getByText(WORDS)).toBeVisible();
    expect(/behind the gutter/.exec(await everythingKept(page))).toBeNull();
  });

  await test.step('a page that is loaded anew has to be shown the code again', async () => {
    await page.reload();
    await expect(page.getByText('Sealed until you are there.', { exact: false })).toBeVisible();
    await page.getByRole('button', { name: 'Scan the place’s code' }).click();
    await showLabel(page, code);
    await expect(page.getByText(WORDS)).toBeVisible();
  });

  await test.step('whoever turns back, or leaves, has nothing of it any more', async () => {
    await page.getByRole('button', { name: 'Set off' }).click();
    await page.getByRole('button', { name: 'Turn back' }).click();
    const dialog = page.getByRole('dialog', { name: /^Turn back/ });
    await dialog.getByRole('textbox').fill('The path is closed');
    await dialog.getByRole('button', { name: 'Turn back' }).click();
    await expect(dialog).toBeHidden();
    await expect(page.getByText(WORDS)).toBeHidden();
    await expect(page.getByRole('button', { name: 'Scan the place’s code' })).toBeHidden();
  });

  await test.step('whoever tries again may open it again', async () => {
    // The trail has gone on to the next stop; the one turned back from is a tap away.
    await page.getByRole('button', { name: /turned back$/ }).click();
    await expect(page.getByText(/^Turned back here/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Scan the place’s code' })).toBeHidden();
    await page.getByRole('button', { name: 'Set off' }).click();
    await expect(page.getByRole('button', { name: 'Scan the place’s code' })).toBeVisible();
  });

  await test.step('the office sees who opened it, and at once what was opened without proof', async () => {
    await context.setOffline(false);
    await expect
      .poll(
        () =>
          office
            .query(`SELECT how FROM arrival_opening WHERE how = 'code'`)
            .then((rows) => rows.length),
        { timeout: 60_000 },
      )
      .toBe(2);
    await page.goto(late ?? '');
    await page.getByRole('button', { name: 'No code there?' }).click();
    await page.getByLabel(/^Or say why/).fill('The sheet is torn off');
    await page.getByRole('button', { name: 'Open it by that' }).click();
    await expect(page.getByText(WORDS)).toBeVisible();
    await desk.getByRole('link', { name: 'Day', exact: true }).click();
    const openings = desk.getByRole('region', { name: 'Opened without proof' });
    await expect(openings.getByText(/“The sheet is torn off”/)).toBeVisible();
    await openings.getByRole('button', { name: `Look at ${PLACE}` }).click();
    const panel = desk.getByRole('region', { name: 'For whoever is there' });
    await expect(panel.getByText(/^Imke Dorrance opened it by the place’s code/)).toHaveCount(2);
  });
});
