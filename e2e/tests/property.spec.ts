import { expect, test, type Page } from '@playwright/test';
import { mustBeAccessible } from '../support/accessible.ts';
import { TestOffice } from '../support/office.ts';
import { noisyPhoto } from '../support/pictures.ts';
import {
  drawSignature,
  finishSheet,
  goToSection,
  openDesk,
  openPhone,
  planJob,
  question,
  startSheet,
  write,
} from '../support/people.ts';
import { reportOf } from '../support/report.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const SHEET = 'Property report';
const PLACE = 'Shag Rock hut';

const choose = (page: Page, label: string, words: string) =>
  question(page, label).getByRole('radio', { name: words, exact: true }).click();

/** One area after the other; what was not wholly seen says why, with a picture. */
async function goThroughAreas(page: Page): Promise<void> {
  const areas = ['Roof', 'Loft', 'Outside walls', 'Cellar', 'Rooms', 'Bath'];
  for (const area of areas) {
    const row = page.getByRole('list', { name: 'Areas' }).getByRole('button', { name: area });
    await row.first().click();
    await choose(page, 'How much was seen', area === 'Cellar' ? 'Not at all' : 'All of it');
    if (area === 'Cellar') {
      const limit = question(page, 'What kept you from it');
      await limit.getByRole('textbox').first().fill('Locked');
      await limit
        .getByRole('list', { name: 'Rows found' })
        .getByRole('button', { name: 'Locked' })
        .click();
      const picture = question(page, 'Picture of what was in the way');
      await picture.locator('input[type=file]').setInputFiles(await noisyPhoto());
      await expect(picture.getByRole('button', { name: /^Photo/ })).toBeVisible();
    } else await choose(page, 'Anything amiss?', 'No');
    await row.first().click();
  }
}

test('a house is inspected with no network: what was not seen, a wet wall, what is to be put right, and the report says the same', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    ...{ place: PLACE, sheet: SHEET, person: 'Tove Aske', start: '16:50' },
  });
  const { context, page } = await openPhone(browser, office.url, 'tove');
  await expect(page.getByText(SHEET).first()).toBeVisible();
  await context.setOffline(true);
  await startSheet(page, SHEET, PLACE);
  await choose(page, 'Who asked for it', 'Buyer');
  await question(page, 'Address or position').getByRole('textbox').first().fill('Rock lane 2');
  await goToSection(page, 'What was seen');
  await goThroughAreas(page);

  await test.step('a wall is read point by point, and its picture grows', async () => {
    await goToSection(page, 'Moisture');
    await page.getByRole('button', { name: 'The first wall' }).click();
    const wall = page.getByRole('dialog', { name: /Wall 1$/ });
    await expect(wall.getByText(/picture of the wall begins/)).toBeVisible();
    await wall.getByRole('radio', { name: 'Stone, brick, plaster' }).click();
    await wall.getByRole('button', { name: 'Lay out where to read' }).click();
    const laying = page.getByRole('dialog', { name: 'Where to read' });
    await laying.getByLabel('Readings across').fill('0');
    await laying.getByRole('button', { name: 'Lay out', exact: true }).click();
    await expect(laying.getByRole('alert')).toHaveText(/1 or more/);
    await laying.getByLabel('Readings across').fill('2');
    await laying.getByLabel('Readings up').fill('2');
    await laying.getByRole('button', { name: 'Lay out', exact: true }).click();
    await expect(laying).toBeHidden();
    // Beyond all there can be: said at the field, and the place stays the same.
    const first = wall.getByLabel('1 across, 1 up, %');
    await first.fill('140');
    await first.press('Enter');
    await expect(wall.getByRole('alert')).toHaveText(/between 0 and 100/);
    for (const [name, wet] of [
      ['1 across, 1 up', '6.5'],
      ['2 across, 1 up', '4'],
      ['1 across, 2 up', '2'],
      ['2 across, 2 up', '1,5'],
    ] as const) {
      const field = wall.getByLabel(`${name}, %`);
      await field.fill(wet);
      await field.press('Enter');
    }
    await expect(wall.getByRole('list', { name: 'Readings' })).toContainText('wet6.5 %');
    await mustBeAccessible(page, 'dialog');
    await wall.getByRole('button', { name: '‹ Sheet' }).click();
    await expect(page.getByText('4 of 4 read, 1 wet, up to 6.5 %')).toBeVisible();
  });

  await test.step('what is to be put right is marked on the sketch', async () => {
    await goToSection(page, 'To put right');
    await page.getByRole('button', { name: 'Add condition' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Add', exact: true }).click();
    // Not taken for the second tap on what closed the dialog.
    await page.waitForTimeout(700);
    const row = page.getByRole('button', { name: /Condition 1/ }).first();
    await row.click();
    await write(page, 'What is to be put right', 'The gutter hangs loose');
    await write(page, 'Where', 'Outside wall to the sea');
    await choose(page, 'How soon', 'At once');
    await row.click();
    const paper = question(page, 'Sketch of the place').getByRole('img', { name: /draw here/ });
    await paper.scrollIntoViewIfNeeded();
    const box = await paper.boundingBox();
    if (!box) throw new Error('there is nowhere to draw');
    await page.mouse.move(box.x + 30, box.y + 30);
    await page.mouse.down();
    await page.mouse.move(box.x + 200, box.y + 120, { steps: 4 });
    await page.mouse.up();
    await page.getByRole('button', { name: /^Mark 1, Condition 1/ }).click();
    await page
      .getByRole('img', { name: 'Sketch with what is to be put right' })
      .click({ position: { x: 120, y: 90 } });
    await expect(page.getByRole('button', { name: /^Mark 1, Condition 1, marked/ })).toBeVisible();
    await mustBeAccessible(page, 'main');
  });

  await page.reload();
  await goToSection(page, 'Closing');
  await expect(question(page, 'To be inspected again in, months').getByText('6')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Yes, it is so' }).click();
  await drawSignature(page);
  await finishSheet(page);
  await context.setOffline(false);

  await expect(async () => {
    await desk.goto(`${office.url}/review`);
    await desk
      .getByRole('button', { name: new RegExp(`^${PLACE}`) })
      .first()
      .click({ timeout: 2_000 });
    const title = desk.getByRole('heading', { name: `${PLACE} · property report` });
    await expect(title).toBeVisible({ timeout: 4_000 });
  }).toPass({ timeout: 90_000 });
  // One to put right, at once; one wet reading; one area not seen.
  await expect(desk.getByRole('group', { name: 'Reckoned' }).getByText('1')).toHaveCount(4);
  const text = await reportOf(desk, office.url);
  for (const words of [
    ...['To put right', 'The gutter hangs loose', 'at once', 'Moisture of the walls', '6.5'],
    ...['What was not seen', 'Cellar', 'nobody had the key', 'Rock lane 2'],
  ])
    expect(text).toContain(words);
  await context.close();
});
