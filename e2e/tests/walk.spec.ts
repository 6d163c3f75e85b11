import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { drawSignature, find, openDesk, openPhone, question } from '../support/people.ts';
import { noisyPhoto } from '../support/pictures.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

/** A place of the test's own: the demo's work differs from day to day. */
const PLACE = 'Cormorant kiosk';

test('a job is planned, done with no network, reviewed, returned, approved and reported', async ({
  browser,
}) => {
  const manager = await openDesk(browser, office.url, 'edda');
  const reviewer = await openDesk(browser, office.url, 'sef');
  const phone = await openPhone(browser, office.url, 'imke');
  let page = phone.page;

  await test.step('the manager adds a place', async () => {
    await manager.getByRole('link', { name: 'Places' }).click();
    await manager.getByRole('button', { name: 'Add a place' }).click();
    const dialog = manager.getByRole('dialog', { name: 'A new place' });
    await dialog.getByLabel('Name', { exact: true }).fill(PLACE);
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(dialog.getByText('From −90 to 90.')).toBeVisible();
    await dialog.getByLabel('Latitude, degrees').fill('38.66');
    await dialog.getByLabel('Longitude, degrees').fill('-41,29');
    await dialog.getByRole('button', { name: 'Add a hazard' }).click();
    await dialog.getByLabel('Hazard 1', { exact: true }).fill('Hot pipe at head height.');
    await dialog.getByRole('button', { name: 'Add a contact' }).click();
    await dialog.getByLabel('Contact 1, name').fill('Orla Finn');
    await dialog.getByLabel('Contact 1, phone').fill('+999 55 7000');
    await dialog.getByLabel('Contact 1, e-mail').fill('kiosk@tarnhollow.example');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(dialog).toBeHidden();
    await expect(manager.getByRole('heading', { level: 1, name: PLACE })).toBeVisible();
    await expect(manager.getByText('Hot pipe at head height.')).toBeVisible();
    await manager.getByRole('link', { name: 'Day', exact: true }).click();
  });

  await test.step('the manager plans it', async () => {
    await manager.getByRole('button', { name: 'New job' }).click();
    const dialog = manager.getByRole('dialog', { name: 'New job' });
    await dialog.getByRole('button', { name: 'Make the job' }).click();
    await expect(dialog.getByText('Choose the place.')).toBeVisible();
    await find(dialog, 'Place', PLACE);
    await expect(dialog.getByText('Hot pipe at head height.')).toBeVisible();
    await find(dialog, 'Sheet', 'Drive room round');
    await expect(dialog.getByLabel(/^Report goes to/)).toHaveValue('kiosk@tarnhollow.example');
    await dialog.getByLabel('Instructions').fill('After the storm, please.');
    await dialog.getByLabel('Start').fill('07:45');
    await find(dialog, 'Person', 'Imke Dorrance');
    await dialog.getByRole('button', { name: 'Make the job' }).click();
    await expect(dialog).toBeHidden();
    await expect(
      manager.getByRole('button', { name: new RegExp(`^${PLACE}.*, 07:45`) }),
    ).toBeVisible();
  });

  await test.step('it is on the phone by itself, and the phone starts cold with no network', async () => {
    await page.goto(`${office.url}/kept`);
    await page.getByRole('button', { name: 'Send now' }).click();
    await page.getByRole('link', { name: 'Trail' }).click();
    await expect(page.getByText(PLACE)).toBeVisible();
    await phone.context.setOffline(true);
    await page.close();
    page = await phone.context.newPage();
    await page.goto(`${office.url}/trail`);
    await expect(page.getByText(PLACE)).toBeVisible();
    await expect(page.getByText('After the storm, please.')).toBeVisible();
    await expect(page.getByText('Hot pipe at head height.')).toBeVisible();
    await expect(page.getByText('no network')).toBeVisible();
  });

  await test.step('the technician sets off and arrives', async () => {
    await page.getByRole('button', { name: 'Set off' }).click();
    await page.getByRole('button', { name: 'I have arrived' }).click();
    const elsewhere = page.getByRole('dialog', { name: 'You seem to be elsewhere' });
    await elsewhere.getByRole('button', { name: 'I have arrived' }).click();
    await expect(elsewhere.getByText(/A word is enough/)).toBeVisible();
    await elsewhere.getByLabel('Why from here?').fill('parked at the harbour');
    await elsewhere.getByRole('button', { name: 'I have arrived' }).click();
    await page.getByRole('button', { name: 'Start the sheet' }).click();
  });

  await test.step('the first half of the sheet', async () => {
    await question(page, 'The drive is locked off and the key is in your pocket')
      .getByRole('checkbox')
      .click();
    await expect(question(page, 'Where does the noise come from?')).toBeHidden();
    await question(page, 'What do you notice in the room?')
      .getByRole('checkbox', { name: 'Unusual noise' })
      .click();
    await question(page, 'Where does the noise come from?')
      .getByRole('textbox')
      .fill('behind the gearbox');
    await page.getByRole('button', { name: 'On to: Brakes' }).click();
    await question(page, 'Brake 1 released fully?').getByRole('radio', { name: 'Yes' }).click();
    await page.getByLabel('Brake 1, disc temperature, in °C').fill('44');
    const brake = question(page, 'Brake 2 released fully?');
    await brake.getByRole('radio', { name: 'No', exact: true }).click();
    await brake.getByRole('textbox', { name: 'Why?' }).fill('squeals when the car docks');
    await brake.locator('input[type=file]').setInputFiles(await noisyPhoto());
    await expect(brake.getByRole('button', { name: /^Photo/ })).toBeVisible();
    await brake.getByRole('button', { name: /Open an action/ }).click();
    const dialog = page.getByRole('dialog', { name: 'Open an action' });
    await expect(dialog.getByLabel('What is to be done')).toHaveValue('Free and grease brake 2');
    await dialog.getByRole('button', { name: 'Open it' }).click();
    await expect(brake.getByText('Action opened: Free and grease brake 2')).toBeVisible();
    const hot = question(page, 'Brake 2, disc temperature');
    await hot.getByRole('textbox').fill('7x');
    await expect(hot.getByText('Write a number, such as 12.5.')).toBeVisible();
    await hot.getByRole('textbox').fill('78,5');
    await expect(hot.getByText(/Above the expected 20 to 65 °C/)).toBeVisible();
    await hot.locator('input[type=file]').setInputFiles(await noisyPhoto());
    await expect(hot.getByRole('button', { name: /^Photo/ })).toBeVisible();
    await hot.getByRole('textbox', { name: 'Why?' }).fill('hot after ten stops');
  });

  await test.step('a reload in the middle of a word loses nothing', async () => {
    await page.reload();
    await page.getByRole('button', { name: /^Brakes/ }).click();
    await expect(
      question(page, 'Brake 2, disc temperature').getByRole('textbox').first(),
    ).toHaveValue('78.5');
    await expect(
      question(page, 'Brake 2 released fully?').getByRole('textbox', { name: 'Why?' }),
    ).toHaveValue('squeals when the car docks');
    await expect(
      question(page, 'Brake 2, disc temperature').getByRole('textbox', { name: 'Why?' }),
    ).toHaveValue('hot after ten stops');
    await expect(
      question(page, 'Brake 2, disc temperature').getByRole('button', { name: /^Photo/ }),
    ).toBeVisible();
  });

  await test.step('loose ends lead to what is missing, and it is finished', async () => {
    await page.getByRole('button', { name: 'Next loose end' }).click();
    await expect(page.getByLabel('Motor bearing, vibration, in mm/s')).toBeFocused();
    await page.getByLabel('Motor bearing, vibration, in mm/s').fill('1.4');
    await page.getByLabel('Haul rope tension, in kN').fill('118');
    await page.getByLabel('Hydraulic pressure, in bar').fill('21');
    await question(page, 'Rope at the splice').getByRole('radio', { name: 'As new' }).click();
    await page.getByRole('button', { name: 'On to: Leaving' }).click();
    await drawSignature(page);
    await page.getByRole('button', { name: 'Finish', exact: true }).click();
    const reading = page.getByRole('dialog', { name: 'Read it through once' });
    await expect(reading.getByText('78.5 °C')).toBeVisible();
    await expect(reading.getByText('3 findings.', { exact: false })).toBeVisible();
    await reading.getByRole('button', { name: 'Finish the sheet' }).click();
    await expect(page.getByText(/finished · \d+ kept here/)).toBeVisible();
    expect(
      await office.query(
        `SELECT 1 FROM entry e JOIN sheet s ON s.id = e.sheet_id JOIN job j ON j.id = s.job_id WHERE j.instructions = 'After the storm, please.'`,
      ),
    ).toEqual([]);
  });

  await reviewer.getByRole('link', { name: 'Review' }).click();
  const queued = reviewer
    .getByRole('navigation', { name: 'Waiting to be read' })
    .getByRole('button', { name: new RegExp(PLACE) });
  await expect(queued).toBeHidden();

  await test.step('with the network back it goes out by itself, and the desk sees it', async () => {
    await phone.context.setOffline(false);
    await expect(page.getByText(/received \d\d:\d\d/).first()).toBeVisible({ timeout: 60_000 });
    await expect(page.getByText('0', { exact: true })).toBeVisible({ timeout: 60_000 });
    await expect(queued).toBeVisible();
    await queued.click();
    await expect(reviewer.getByRole('heading', { name: /Cormorant kiosk/ })).toBeVisible();
    await reviewer.getByRole('button', { name: /^Brake 2, disc temperature/ }).click();
    const evidence = reviewer.getByRole('complementary', { name: 'Evidence' });
    const photo = evidence.getByRole('img').first();
    await expect(photo).toBeVisible();
    await expect
      .poll(() => photo.evaluate((image: HTMLImageElement) => image.naturalWidth))
      .toBeGreaterThan(100);
    await expect(evidence.getByText(/received by the office/)).toBeVisible();
  });

  await test.step('the reviewer corrects a value and returns the sheet', async () => {
    await reviewer.keyboard.press('c');
    const dialog = reviewer.getByRole('dialog', { name: /Correct/ });
    await dialog.getByLabel('The right answer, in °C').fill('77.5');
    await dialog.getByRole('button', { name: 'Correct it' }).click();
    await expect(dialog.getByText('Say why the value is corrected.')).toBeVisible();
    await dialog.getByLabel('Why?').fill('instrument reads one too high');
    await dialog.getByRole('button', { name: 'Correct it' }).click();
    const evidence = reviewer.getByRole('complementary', { name: 'Evidence' });
    await expect(
      evidence.getByText('corrected to 77.5 °C: instrument reads one too high'),
    ).toBeVisible();
    await expect(evidence.getByText('Imke Dorrance: 78.5 °C')).toBeVisible();
    await reviewer.keyboard.press('r');
    await reviewer
      .getByLabel('What should be looked at again?')
      .fill('Is the lower brake free now?');
    await reviewer.getByRole('button', { name: 'Return it' }).click();
    await expect(queued).toBeHidden();
  });

  await test.step('it is on the trail again, is looked at and finished once more', async () => {
    await page.getByRole('link', { name: 'Sending' }).click();
    await page.getByRole('button', { name: 'Send now' }).click();
    await page.getByRole('link', { name: 'Trail' }).click();
    await expect(page.getByText(/Is the lower brake free now/)).toBeVisible();
    await page.getByRole('button', { name: 'Look again' }).click();
    await page.getByRole('button', { name: /^Leaving/ }).click();
    await question(page, 'Anything the next person should know?')
      .getByRole('textbox')
      .fill('Free now.');
    await page.getByRole('button', { name: 'Finish', exact: true }).click();
    await page.getByRole('button', { name: 'Finish the sheet' }).click();
    await expect(page.getByText(/received/).first()).toBeVisible();
  });

  await test.step('it is approved, and its report goes out', async () => {
    await expect(queued).toBeVisible({ timeout: 60_000 });
    await queued.click();
    await expect(reviewer.getByRole('heading', { name: /Cormorant kiosk/ })).toBeVisible();
    await reviewer.getByRole('button', { name: 'Approve' }).click();
    await expect(queued).toBeHidden();
    await reviewer.getByRole('link', { name: 'Sent' }).click();
    await expect(reviewer.getByText('Cormorant kiosk: Drive room round')).toBeVisible({
      timeout: 60_000,
    });
    const link = reviewer.getByRole('link', { name: /Open Cormorant kiosk/ });
    const pdf = await reviewer.request.get(
      new URL((await link.getAttribute('href')) ?? '', office.url).href,
    );
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
    expect((await pdf.body()).length).toBeGreaterThan(100_000);
  });

  await test.step('the action is followed up by two people', async () => {
    const openAction = async (desk: Page): Promise<void> => {
      await desk.getByRole('link', { name: 'Actions' }).click();
      await desk.getByLabel('Action, place or owner').fill('brake 2 cormorant');
      // Lines that are about to be narrowed away are not pressed.
      await expect(desk.getByText('1 in all')).toBeVisible();
      await desk.getByRole('row').filter({ hasText: 'Cormorant kiosk' }).click();
    };
    await openAction(manager);
    await manager.getByRole('button', { name: 'It is done' }).click();
    await expect(
      manager.getByText('A colleague verifies it: whoever did it may not.'),
    ).toBeVisible();
    await expect(manager.getByRole('button', { name: 'Verify' })).toHaveCount(0);
    await openAction(reviewer);
    await reviewer.getByRole('button', { name: 'Verify' }).click();
    await expect(reviewer.getByText('This action is settled.')).toBeVisible();
  });
});
