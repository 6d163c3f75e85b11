import { expect, test, type Page } from '@playwright/test';
import { drawBars, drawQr } from '../support/codes.ts';
import { TestOffice } from '../support/office.ts';
import {
  drawSignature,
  openDesk,
  openPhone,
  passOnOwnPhone,
  planJob,
  question,
  startSheet,
} from '../support/people.ts';
import { noisyPhoto } from '../support/pictures.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());
// Faces left open would go on syncing beside the next test.
test.afterEach(async ({ browser }) => {
  for (const context of browser.contexts()) await context.close();
});

const nothingWider = async (page: Page): Promise<void> => {
  const wider = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  expect(wider).toBeLessThanOrEqual(0);
};

/** A minimal document, as a file from the phone. */
const PDF = Buffer.from('%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF');

test('every kind of evidence is given on a phone, read at the desk and printed', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    place: 'Harbour clinic',
    sheet: 'Refuge survey',
    person: 'Imke Dorrance',
    start: '07:45',
  });
  const { page } = await openPhone(browser, office.url, 'imke');
  await startSheet(page, 'Refuge survey');

  await test.step('words, refused in words while they can’t be right', async () => {
    const address = question(page, 'Address or position');
    await address.getByRole('button', { name: 'Use where I am' }).click();
    await expect(address.getByRole('textbox')).toHaveValue('38.62040, -41.30180');
    await address.getByRole('textbox').fill('Above the quay');
    await address.getByRole('textbox').blur();
    await expect(address.getByText(/position kept, give or take 12 m/)).toBeVisible();
    const mail = question(page, 'E-mail of the warden');
    await mail.getByRole('textbox').fill('pia@');
    await mail.getByRole('textbox').blur();
    await expect(mail.getByRole('alert')).toHaveText(/^Write an e-mail address/);
    await mail.getByRole('textbox').fill('pia@tarnhollow.example');
    await mail.getByRole('textbox').blur();
    await expect(mail.getByRole('alert')).toBeHidden();
    const phone = question(page, 'Telephone of the warden');
    await phone.getByRole('textbox').fill('soon');
    await phone.getByRole('textbox').blur();
    await expect(phone.getByRole('alert')).toHaveText(/^Write a telephone number/);
    await phone.getByRole('textbox').fill('');
    await page.getByLabel('Next visit agreed for, day').fill('2031-04-05');
    await page.getByLabel('Next visit agreed for, time').fill('07:45');
    await question(page, 'Warden came at').getByRole('textbox').fill('10:20');
    await nothingWider(page);
  });

  await page.getByRole('button', { name: 'On to: House' }).click();
  await test.step('a number in the person’s own unit', async () => {
    const floor = question(page, 'Heated floor');
    await floor.getByRole('button', { name: 'Enter in ft² instead' }).click();
    await floor.getByRole('textbox').fill('2000');
    await expect(floor.getByText('That is 185.81 m².')).toBeVisible();
    await question(page, 'Sleeping rooms').getByRole('textbox').fill('3');
    await expect(question(page, 'Ventilation needed').getByText('90 cfm')).toBeVisible();
    await expect(floor.getByRole('button', { name: /^Enter in/ })).toBeHidden();
  });

  await test.step('an answer of one’s own beside the options', async () => {
    const damage = question(page, 'Damage seen');
    await damage.getByRole('checkbox', { name: 'Roof' }).click();
    await damage.getByLabel('Something else').fill('Chimney leans');
    await damage.getByLabel('Something else').blur();
    await damage.locator('input[type=file]').setInputFiles(await noisyPhoto());
    await damage.getByRole('button', { name: /^Photo/ }).click();
    await page.getByRole('checkbox', { name: 'On the report’s cover' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Keep' }).click();
  });

  await test.step('a sketch by hand, straight, with a word and a sign', async () => {
    const sketch = question(page, 'Sketch of the site');
    const paper = sketch.getByRole('img', { name: /draw here/ });
    const draw = async (from: [number, number], to: [number, number]): Promise<void> => {
      await paper.scrollIntoViewIfNeeded();
      const box = await paper.boundingBox();
      if (!box) throw new Error('there is nowhere to draw');
      await page.mouse.move(box.x + from[0], box.y + from[1]);
      await page.mouse.down();
      await page.mouse.move(box.x + to[0], box.y + to[1], { steps: 4 });
      await page.mouse.up();
    };
    await draw([30, 30], [120, 60]);
    for (const tool of ['Line', 'Arrow', 'Ring']) {
      await sketch.getByRole('radio', { name: tool }).click();
      await draw([60, 80], [200, 90]);
    }
    await sketch.getByRole('radio', { name: 'Word' }).click();
    await sketch.getByLabel(/^Word: write it/).fill('steep');
    await draw([100, 120], [100, 120]);
    await sketch.getByRole('radio', { name: 'Sign' }).click();
    await sketch.getByLabel(/^Symbol: choose it/).selectOption({ label: 'Way out' });
    await draw([200, 150], [200, 150]);
    await expect(paper.locator('text')).toHaveCount(2);
    await sketch.getByRole('button', { name: 'Undo' }).click();
    await expect(paper.locator('rect')).toHaveCount(0);
    await draw([200, 150], [200, 150]);
    await nothingWider(page);
  });

  await test.step('recordings and a file', async () => {
    for (const [label, what] of [
      ['Once round the house', 'video'],
      ['Spoken remarks', 'voice note'],
    ] as const) {
      const part = question(page, label);
      await part.getByRole('button', { name: `Record a ${what}` }).click();
      await page.waitForTimeout(1500);
      await part.getByRole('button', { name: 'Stop recording' }).click();
      await expect(part.getByRole('button', { name: /^Remove/ })).toBeVisible();
    }
    const papers = question(page, 'Papers found there');
    await papers
      .locator('input[type=file]')
      .setInputFiles({ name: 'lease.pdf', mimeType: 'application/pdf', buffer: PDF });
    await papers.getByLabel('Comment').fill('signed by the guild');
    await papers.getByLabel('Comment').blur();
  });

  await test.step('a reload loses nothing, and it is finished', async () => {
    await page.reload();
    await page.getByRole('button', { name: /^House/ }).click();
    await expect(question(page, 'Heated floor').getByRole('textbox')).toHaveValue('2000');
    await expect(question(page, 'Damage seen').getByLabel('Something else')).toHaveValue(
      'Chimney leans',
    );
    await expect(question(page, 'Sketch of the site').locator('svg text')).toHaveCount(2);
    await page.getByRole('button', { name: /^Closing/ }).click();
    await drawSignature(page);
    await page.getByRole('button', { name: 'Finish', exact: true }).click();
    const reading = page.getByRole('dialog', { name: 'Read it through once' });
    for (const said of ['2000 ft²', 'Roof, Chimney leans', 'signed by the guild', '90 cfm'])
      await expect(reading.getByText(said)).toBeVisible();
    await reading.getByRole('button', { name: 'Finish the sheet' }).click();
    await page.goto(`${office.url}/kept`);
    await page.getByRole('button', { name: 'Send now' }).click();
    await page.getByRole('link', { name: 'Trail' }).click();
    await expect(page.getByText(/office has all/).first()).toBeVisible();
  });

  await test.step('the reviewer sees it all, and the report prints', async () => {
    await desk.goto(`${office.url}/review`);
    await desk
      .getByRole('button', { name: /Harbour clinic/ })
      .first()
      .click();
    await expect(desk.getByRole('heading', { level: 1 })).toHaveText(/refuge survey/);
    await desk.getByRole('button', { name: 'Show them' }).click();
    const main = desk.getByRole('main');
    for (const said of ['2000 ft²', 'Above the quay', 'pia@tarnhollow.example', '10:20'])
      await expect(main.getByText(said).first()).toBeVisible();
    await main.getByRole('button', { name: /Sketch of the site/ }).click();
    await expect(desk.getByRole('img', { name: 'Sketch: Sketch of the site' })).toBeVisible();
    await main.getByRole('button', { name: /Papers found there/ }).click();
    const link = desk.getByRole('link', { name: 'signed by the guild' });
    const file = await desk.request.get(office.url + (await link.getAttribute('href')));
    expect(file.headers()['content-type']).toContain('application/pdf');
    expect(await file.body()).toEqual(PDF);
    await main.getByRole('button', { name: /Spoken remarks/ }).click();
    const voice = desk.getByRole('link', { name: /^Voice note/ });
    const sound = await desk.request.get(office.url + (await voice.getAttribute('href')));
    expect((await sound.body()).subarray(0, 4).toString('hex')).toBe('1a45dfa3');
  });
});

/** Takes a torque from the simulated wrench; the first time one has to be paired. */
async function takeFromWrench(page: Page, first: boolean): Promise<void> {
  const torque = question(page, 'Torque reached');
  await torque.getByRole('button', { name: 'Take Torque reached from the torque wrench' }).click();
  if (first) {
    const reach = page.getByRole('dialog', { name: 'Within reach: torque wrench' });
    await reach.getByRole('button', { name: /^Torque wrench D/ }).click();
    await expect(reach.getByRole('alert')).toHaveText(/^It does not answer/);
    await reach.getByRole('button', { name: /^Torque wrench B/ }).click();
    await expect(torque.getByRole('alert')).toHaveText(/^The connection was lost/);
    await torque.getByRole('button', { name: /^Take Torque reached/ }).click();
  }
  await expect(torque.getByText(/^From torque wrench WR-4118/)).toBeVisible();
  await expect(torque.getByRole('textbox')).toHaveValue(/^25\d/);
}

test('a joint is led step by step, its code read from a picture, passed by a second person', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    place: 'Harbour clinic',
    sheet: 'Penstock joint tightening',
    person: 'Tove Aske',
    start: '06:00',
  });
  const { page, context } = await openPhone(browser, office.url, 'tove');
  await startSheet(page, 'Penstock joint tightening');
  await context.setOffline(true);
  await page.getByRole('button', { name: /^Tightening/ }).click();
  await expect(page.getByText(/^Make safe comes first: /)).toBeVisible();
  await page.getByRole('button', { name: /^Make safe/ }).click();
  await page.getByRole('checkbox', { name: 'Yes, it is so' }).click();
  const lock = question(page, 'Number on the lock');
  const scanned = async (buffer: Buffer): Promise<void> => {
    await lock.getByRole('button', { name: 'Scan Number on the lock' }).click();
    await page
      .getByLabel('Picture of the code for Number on the lock')
      .setInputFiles({ name: 'lock.png', mimeType: 'image/png', buffer });
  };
  // Drawn by one library (bwip-js, qrcode), read by another (zxing), with no network.
  await scanned(await drawBars('code128', 'LOCK-0416'));
  await expect(lock.getByRole('textbox')).toHaveValue('LOCK-0416');
  await expect(lock.getByText('scanned, Code 128')).toBeVisible();
  await scanned(await drawBars('ean13', '4006381333931'));
  await expect(lock.getByRole('textbox')).toHaveValue('4006381333931');
  await scanned(await drawQr('LOCK-0417'));
  await expect(lock.getByRole('textbox')).toHaveValue('LOCK-0417');
  await expect(lock.getByText('scanned, QR')).toBeVisible();
  await scanned((await noisyPhoto()).buffer);
  await expect(page.getByRole('dialog').getByRole('alert')).toHaveText(/^No code could be read/);
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: 'Performed', exact: true }).click();

  await page.getByRole('button', { name: 'On to: Gap' }).click();
  const gaps = ['1,2', '1.4', '1.3', '1.2'];
  for (const [index, name] of ['Top', 'Right', 'Bottom', 'Left'].entries()) {
    if (index === 0)
      await question(page, 'Gap at four positions').getByRole('button', { name }).click();
    else await page.getByRole('button', { name: `On to ${name}` }).click();
    await question(page, 'Gap')
      .getByRole('textbox')
      .fill(gaps[index] ?? '');
    await question(page, 'Gap').getByRole('textbox').blur();
  }
  await expect(question(page, 'Widest less narrowest').getByText('0.20 mm')).toBeVisible();

  await page.getByRole('button', { name: /^Tightening/ }).click();
  await page.getByRole('button', { name: /^Take 80/ }).click();
  await expect(question(page, 'Target').getByText('256 N·m')).toBeVisible();
  for (let bolt = 1; bolt <= 8; bolt++) {
    if (bolt === 1) await question(page, 'Bolts').getByRole('button', { name: 'Bolt 1' }).click();
    else await page.getByRole('button', { name: `On to Bolt ${bolt}` }).click();
    const torque = question(page, 'Torque reached');
    if (bolt === 2 || bolt === 3) {
      await takeFromWrench(page, bolt === 2);
      continue;
    }
    if (bolt === 8) await torque.getByRole('button', { name: 'Enter in ft·lbf instead' }).click();
    await torque
      .getByRole('textbox')
      .first()
      .fill(bolt === 8 ? '189' : '256');
    await torque.getByRole('textbox').first().blur();
  }
  await expect(page.getByText('That is 256.25 N·m.')).toBeVisible();
  await expect(page.getByText(/Above the expected|Below the expected/)).toBeHidden();

  const hold = question(page, 'Joint passed by a second person');
  await hold.getByLabel('Who passes it').selectOption({ label: 'Imke Dorrance' });
  await passOnOwnPhone(browser, office.url, 'imke', hold);
  await hold.getByRole('button', { name: 'Passed by Imke Dorrance' }).click();
  await expect(hold.getByText('Passed by Imke Dorrance')).toBeVisible();
  await page.getByRole('button', { name: 'On to: Record' }).click();
  await drawSignature(page);
  await expect(page.getByRole('button', { name: 'Finish', exact: true })).toBeVisible();
});

test('boards with circuits: the next loose end opens its row, rows are copied, blanks closed out', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    place: 'School house boards',
    sheet: 'Electrical certificate',
    person: 'Jory Hollin',
    start: '06:00',
  });
  const { page } = await openPhone(browser, office.url, 'jory');
  await startSheet(page, 'Electrical certificate', 'School house boards');
  await question(page, 'Earthing').getByRole('radio', { name: /^TN-S/ }).click();
  const supply = question(page, 'Earth loop impedance of the supply, Ze').getByRole('textbox');
  await supply.fill('0.9');
  await expect(page.getByText(/Above the expected 0 to 0\.8 Ω/)).toBeVisible();
  await supply.fill('0.3');
  await question(page, 'Voltage at the supply').getByRole('textbox').fill('231');
  await question(page, 'Voltage at the supply').getByRole('textbox').blur();

  await page.getByRole('button', { name: /^Boards and circuits/ }).click();
  await page.getByRole('button', { name: 'One below the other' }).click();
  const add = async (each: string, many: string): Promise<void> => {
    await page.getByRole('button', { name: `Add ${each}` }).click();
    const dialog = page.getByRole('dialog', { name: `Add ${each}` });
    await dialog.getByLabel('How many').fill(many);
    await dialog.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(dialog).toBeHidden();
  };
  await add('board', '1');
  await page.getByRole('button', { name: 'Next loose end' }).click();
  await expect(question(page, 'Where it hangs').getByRole('textbox')).toBeFocused();
  await question(page, 'Where it hangs').getByRole('textbox').fill('Stair cellar');
  await question(page, 'Earth loop at the board').getByRole('textbox').fill('0.32');
  await question(page, 'Earth loop at the board').getByRole('textbox').blur();
  await add('circuit', '3');
  await page.getByRole('button', { name: 'Next loose end' }).click();
  const use = question(page, 'Use').getByRole('radio', { name: 'Spare' });
  await expect(use).toBeVisible();
  await use.click();
  await page.getByRole('button', { name: 'On to Circuit 2' }).click();
  await page.getByRole('button', { name: 'As in Circuit 1' }).click();
  await expect(use).toBeChecked();
  await expect(
    question(page, 'Circuits').getByRole('button', { name: /^finished Circuit 2/ }),
  ).toBeVisible();

  await page
    .getByRole('button', { name: /^Close out \d+ blanks/ })
    .last()
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'Close out', exact: true }).click();
  await page.getByRole('button', { name: /^Declaration/ }).click();
  await question(page, 'Next inspection by').getByRole('textbox').fill('2031-04-05');
  await drawSignature(page);
  await expect(page.getByRole('button', { name: 'Finish', exact: true })).toBeVisible();
});
