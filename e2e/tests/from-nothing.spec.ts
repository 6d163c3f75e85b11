import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { showLabel } from '../support/labels.ts';
import { answer, drawSignature, find, openDesk, openPhone } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const NELL = 'nell@selkieholm.example';
const AILA = 'aila@selkieholm.example';
const PASSWORD = 'walk-the-trail';

const THINGS = 500;
/** Every so many lines something can't be taken in. */
const BAD_EVERY = 16;

const PEOPLE = 'Name;E-mail;Role;Trade\nAila Storm;aila@selkieholm.example;technician;fitter\n';
const CLIENTS = 'Client;Contact;Phone\nHarbour board;Odd Tern;+999 55 4100\n';
const PLACES = [
  'Name;Client;Lat;Lon;Hazards;Contact;E-mail',
  'East pier;Harbour board;38,6204;-41,3018;Slippery at low water;Odd Tern;odd@selkieholm.example',
  'Fish hall;Harbour board;38.6215;-41.3005;;;',
].join('\n');

/** Lanterns and bollards along the pier; every now and then a line that nobody can take in. */
function thingsFile(): { csv: string; bad: number[] } {
  const bad: number[] = [];
  const lines = Array.from({ length: THINGS }, (_, index) => {
    const line = index + 2;
    const isBad = index % BAD_EVERY === BAD_EVERY - 1 && bad.length < 30;
    if (isBad) bad.push(line);
    const place = isBad ? 'West pier' : index % 2 === 0 ? 'East pier' : 'Fish hall';
    return `Lantern ${index + 1};lantern;${place};Row ${1 + (index % 5)}`;
  });
  return { csv: ['Thing;Type;Site;Area', ...lines].join('\n'), bad };
}

async function importFile(desk: Page, title: string, csv: string): Promise<void> {
  await desk.getByRole('button', { name: 'Import', exact: true }).click();
  const dialog = desk.getByRole('dialog', { name: title });
  await dialog.getByLabel('Choose the file').setInputFiles({
    ...{ name: 'file.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) },
  });
  await dialog.getByRole('button', { name: 'Look what would come in' }).click();
}

test('an organisation that has nothing comes to its first report', async ({ browser }) => {
  const desk = await openDesk(browser, office.url, NELL);
  const steps = desk.getByRole('region', { name: 'First steps' });

  await test.step('a sheet of its trade is taken over', async () => {
    await expect(steps.getByText('0 of 7')).toBeVisible();
    await steps.getByRole('button', { name: 'Choose a sheet' }).click();
    const ready = desk.getByRole('dialog', { name: 'Ready templates' });
    await ready.getByRole('button', { name: 'Take over Path and refuge inspection' }).click();
    await expect(ready.getByText('you have it')).toBeVisible();
    await ready.getByRole('button', { name: 'Close' }).click();
    await expect(desk.getByRole('button', { name: /^Path and refuge inspection/ })).toBeVisible();
    // Two presses at one place within a moment are one.
    await desk.waitForTimeout(400);
  });

  await test.step('people, clients and places come in from files', async () => {
    await desk.getByRole('link', { name: 'People' }).click();
    await importFile(desk, 'Import people', PEOPLE);
    await desk.getByRole('button', { name: 'Import 1 person' }).click();
    await expect(desk.getByText(/They can sign in once you have invited them/)).toBeVisible();
    await desk.getByRole('button', { name: 'Done' }).click();
    await expect(desk.getByText('Aila Storm')).toBeVisible();
    await desk.getByRole('checkbox', { name: /Aila Storm/ }).click();
    await desk.getByRole('button', { name: 'Invite 1' }).click();
    await expect(desk.getByRole('button', { name: 'Invite 1' })).toBeHidden();

    await desk.getByRole('link', { name: 'Places' }).click();
    await desk.getByRole('button', { name: 'Clients' }).click();
    await importFile(desk, 'Import clients', CLIENTS);
    await desk.getByRole('button', { name: 'Import 1 client' }).click();
    await desk.getByRole('button', { name: 'Done' }).click();
    await expect(desk.getByText('Odd Tern')).toBeVisible();

    await desk.getByRole('button', { name: 'Places', exact: true }).click();
    await importFile(desk, 'Import places', PLACES);
    await expect(desk.getByText('Line 2 becomes: East pier, Harbour board')).toBeVisible();
    await desk.getByRole('button', { name: 'Import 2 places' }).click();
    await desk.getByRole('button', { name: 'Done' }).click();
    await expect(desk.getByText('Slippery at low water')).toBeVisible();
  });

  await test.step('500 things come in; what can’t is named by its line', async () => {
    const { csv, bad } = thingsFile();
    await desk.getByRole('button', { name: 'All things' }).click();
    await importFile(desk, 'Import things', csv);
    const dialog = desk.getByRole('dialog', { name: 'Import things' });
    await expect(dialog.getByText(`, ${bad.length} lines can’t:`)).toBeVisible();
    const refused = dialog.getByRole('list', { name: 'Refused lines' }).getByRole('listitem');
    await expect(refused).toHaveCount(bad.length);
    await expect(refused.first()).toHaveText(
      `Line ${bad[0]}: There is no place called “West pier”.`,
    );
    const all = dialog.getByRole('button', { name: /^Import \d+ things$/ });
    await expect(all).toBeDisabled();
    await dialog.getByRole('checkbox', { name: /^Import without these lines/ }).click();
    await all.click();
    await expect(dialog.getByText(`${THINGS - bad.length} things are in`)).toBeVisible();
    await dialog.getByRole('button', { name: 'Done' }).click();
    // Five rows at each of two places are areas of their own.
    await expect(desk.getByText(`${THINGS - bad.length + 10} in all`)).toBeVisible();
  });

  await test.step('labels are printed', async () => {
    await desk.getByRole('button', { name: 'Loose labels' }).click();
    const dialog = desk.getByRole('dialog', { name: 'Loose labels' });
    await dialog.getByLabel('How many').fill('6');
    const download = desk.waitForEvent('download');
    await dialog.getByRole('button', { name: 'Make the PDF' }).click();
    expect((await download).suggestedFilename()).toBe('Labels.pdf');
    await expect(dialog).toBeHidden();
  });
  const labels = await office.query<{ id: string; number: string }>(
    `SELECT t.id, t.number FROM tag t JOIN organisation o ON o.id = t.org_id
     WHERE o.name = 'Selkie Holm Works' ORDER BY t.id`,
  );
  expect(labels).toHaveLength(6);

  await test.step('the first job is made', async () => {
    await desk.getByRole('link', { name: 'Day', exact: true }).click();
    await expect(steps.getByText('5 of 7')).toBeVisible();
    await steps.getByRole('button', { name: 'Make a job' }).click();
    const dialog = desk.getByRole('dialog', { name: 'New job' });
    await find(dialog, 'Place', 'East pier');
    await find(dialog, 'Sheet', 'Path and refuge');
    await dialog.getByLabel('Start').fill('06:00');
    await find(dialog, 'Person', 'Aila Storm');
    await dialog.getByRole('button', { name: 'Make the job' }).click();
    await expect(dialog).toBeHidden();
  });

  await test.step('she chooses her password by the letter she got', async () => {
    const [letter] = await office.query<{ raw: string }>(
      `SELECT convert_from(raw, 'UTF8') AS raw FROM mail_message m
       JOIN organisation o ON o.id = m.org_id WHERE o.name = 'Selkie Holm Works'`,
    );
    const text = (letter?.raw ?? '').replace(/=\r?\n/g, '').replaceAll('=3D', '=');
    const [, token = ''] = /invitation=([\w-]+)/.exec(text) ?? [];
    const door = await (await browser.newContext()).newPage();
    await door.goto(`${office.url}/sign-in?invitation=${token}`);
    await door.getByLabel('Password', { exact: true }).fill(PASSWORD);
    await door.getByLabel('The same again').fill(PASSWORD);
    await door.getByRole('button', { name: 'Choose and sign in' }).click();
    await expect(door.getByRole('heading', { name: 'Your trail', exact: true })).toBeVisible();
    await door.context().close();
  });

  const { context, page } = await openPhone(browser, office.url, AILA);
  await context.setOffline(true);

  await test.step('three labels are put on things with no network, one after the other', async () => {
    await page.getByRole('link', { name: 'Find' }).click();
    await expect(page.getByText(/things at your branch’s places are on this phone/)).toBeVisible();
    await page.getByRole('button', { name: 'Put labels on things' }).click();
    await find(page, 'Where are you?', 'East pier');
    await expect(page.getByText(/^0 of \d+ have a label/)).toBeVisible();
    await page.getByRole('button', { name: 'Scan a label' }).click();
    for (const [index, name] of ['Lantern 1', 'Lantern 3', 'Lantern 5'].entries()) {
      await showLabel(page, `urn:uuid:${labels[index]?.id}`);
      await expect(page.getByText(/in your hand: tap the thing it is on/)).toBeVisible();
      await page
        .getByRole('list', { name: 'Things here' })
        .getByRole('button', { name: new RegExp(`^${name}\\b`) })
        .first()
        .click();
      // The next one, without another tap.
      await expect(page.getByRole('dialog', { name: /^Scan/ })).toBeVisible();
    }
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await expect(page.getByText(/^3 of \d+ have a label/)).toBeVisible();
  });

  await test.step('a label that was found on something else asks first', async () => {
    await page.getByRole('button', { name: 'Scan a label' }).click();
    await page.getByRole('button', { name: 'Type its number' }).click();
    await page.getByLabel('Its number, eight digits').fill('1234 5678');
    await page.getByRole('button', { name: 'Take it' }).click();
    await expect(page.getByText(/one of these is not right/)).toBeVisible();
    await page.getByLabel('Its number, eight digits').fill(labels[0]?.number ?? '');
    await page.getByRole('button', { name: 'Take it' }).click();
    const things = page.getByRole('list', { name: 'Things here' });
    await things.getByRole('button', { name: /^Lantern 7\b/ }).click();
    const doubt = page.getByRole('dialog', { name: 'Is that right?' });
    await expect(doubt.getByText(/is on Lantern 1, East pier, as far as is known/)).toBeVisible();
    await doubt.getByRole('button', { name: 'Leave it as it was' }).click();
    // Another way of looking: a label leads to its thing.
    await page.getByRole('button', { name: '‹ Find' }).click();
    await page.getByRole('button', { name: 'Scan a label' }).click();
    await showLabel(page, `urn:uuid:${labels[1]?.id}`);
    await expect(page.getByRole('heading', { name: 'Lantern 3' })).toBeVisible();
    await expect(page.getByText('Slippery at low water')).toBeVisible();
  });

  await test.step('a label that is on nothing can be put on or reported', async () => {
    await page.getByRole('button', { name: '‹ Find' }).click();
    await page.getByRole('button', { name: 'Scan a label' }).click();
    await showLabel(page, `urn:uuid:${labels[4]?.id}`);
    await page.getByRole('button', { name: 'Report it' }).click();
    await find(page.getByRole('dialog'), 'Where did you find it?', 'Fish hall');
    await page.getByRole('button', { name: 'Report it' }).click();
    await expect(page.getByRole('dialog')).toBeHidden();
  });

  await test.step('the sheet is done, and comes in with the labels', async () => {
    await page.getByRole('link', { name: 'Trail' }).click();
    await page.getByRole('button', { name: 'Set off' }).click();
    await page.getByRole('button', { name: 'I have arrived' }).click();
    await page.getByRole('button', { name: 'Start the sheet' }).click();
    await answer(page, 'Surface', 'Sound');
    await page.getByLabel('Narrowest place, in m').fill('1.2');
    await page.getByLabel('Anchor held at, in kN').fill('12');
    await answer(page, 'Signs readable?', 'Yes');
    await page.getByRole('button', { name: 'On to: Shelter and rescue' }).click();
    for (const label of ['Emergency telephone answers?', 'Stretcher in its place?'])
      await answer(page, label, 'Yes');
    await page.getByRole('button', { name: 'On to: Leaving' }).click();
    await drawSignature(page);
    await page.getByRole('button', { name: 'Finish', exact: true }).click();
    await page.getByRole('button', { name: 'Finish the sheet' }).click();
    await context.setOffline(false);
    await expect
      .poll(
        () =>
          office.query(
            `SELECT a.name FROM tag t JOIN asset a ON a.id = t.asset_id AND a.org_id = t.org_id
             WHERE t.id = ANY($1) ORDER BY a.name`,
            [labels.map(({ id }) => id)],
          ),
        { timeout: 60_000 },
      )
      .toEqual([{ name: 'Lantern 1' }, { name: 'Lantern 3' }, { name: 'Lantern 5' }]);
  });

  await test.step('it is read and approved, and the first report is there', async () => {
    await desk.getByRole('link', { name: 'Review' }).click();
    const queued = desk
      .getByRole('navigation', { name: 'Waiting to be read' })
      .getByRole('button', { name: /East pier/ });
    await queued.click();
    await expect(desk.getByRole('heading', { name: /East pier/ })).toBeVisible();
    await desk.getByRole('button', { name: 'Approve' }).click();
    await expect(queued).toBeHidden();
    await desk.getByRole('link', { name: 'Sent' }).click();
    const link = desk.getByRole('link', { name: /Open East pier/ });
    await expect(link).toBeVisible({ timeout: 60_000 });
    await desk.getByRole('link', { name: 'Day', exact: true }).click();
    await expect(steps).toBeHidden();
  });
});
