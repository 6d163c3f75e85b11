import { expect, test } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const PLOT = {
  type: 'FeatureCollection',
  features: [
    {
      type: 'Feature',
      properties: { name: 'Gorse plot' },
      geometry: {
        type: 'Polygon',
        coordinates: [
          [
            [-41.31, 38.63],
            [-41.29, 38.63],
            [-41.29, 38.65],
            [-41.31, 38.63],
          ],
        ],
      },
    },
  ],
};

test('the island is drawn at the desk; a place is found on it by keys, and a layer of one’s own comes onto it', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.getByRole('link', { name: 'Map', exact: true }).click();
  const map = desk.getByRole('region', { name: 'The map', exact: true });
  await expect(map.locator('canvas')).toBeVisible();
  await desk.getByLabel('Place or client').fill('knot hut');
  const spot = map.getByRole('button', { name: 'Knot hut' });
  await expect(spot).toBeVisible();
  await spot.focus();
  await desk.keyboard.press('Enter');
  await expect(desk.getByRole('button', { name: 'Look at the place' })).toBeVisible();
  await desk.getByRole('button', { name: 'Back to the list' }).click();
  await desk.getByLabel('Place or client').fill('');
  await desk.getByRole('radio', { name: 'Today’s stops' }).click();
  await expect(desk.getByText(/Imke Dorrance, \d\d:\d\d/).first()).toBeVisible();

  await desk.getByRole('button', { name: 'Layers' }).click();
  const dialog = desk.getByRole('dialog', { name: 'Layers of the map' });
  const load = (content: string): Promise<void> =>
    dialog.getByLabel('GeoJSON file').setInputFiles({
      name: 'Plots.geojson',
      mimeType: 'application/geo+json',
      buffer: Buffer.from(content),
    });
  await load('{"type":"FeatureCollection","features":[{"type":"Feature"}]}');
  await expect(dialog.getByRole('alert')).toContainText('This file is no map');
  await load(JSON.stringify(PLOT));
  await dialog.getByLabel('Drawn as').selectOption('plot');
  await dialog.getByRole('button', { name: 'Add the layer' }).click();
  await expect(dialog.getByText('drawn as plots, one shape')).toBeVisible();
  await desk.waitForTimeout(400);
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(dialog).toBeHidden();
  await desk.waitForTimeout(400);

  // A plot of the map becomes a thing of the register, at the place it belongs to.
  await desk.getByRole('radio', { name: 'Plots' }).click();
  await desk
    .getByRole('button', { name: /^Gorse plot/ })
    .first()
    .click();
  await desk.getByRole('button', { name: 'Enter it in the register' }).click();
  await desk.getByRole('dialog').getByRole('button', { name: 'Go on' }).click();
  const thing = desk.getByRole('dialog', { name: 'Add to the register' });
  await expect(thing.getByLabel('What it is called')).toHaveValue('Gorse plot');
  await desk.waitForTimeout(400);
  await thing.getByLabel('Kind of thing').fill('plot');
  await thing.getByRole('button', { name: 'Save' }).click();
  await expect(thing).toBeHidden();
  await desk
    .getByRole('button', { name: /^Gorse plot/ })
    .first()
    .click();
  await desk.getByRole('button', { name: 'Look at the thing' }).click();
  await expect(desk).toHaveURL(/\/places\/.*thing=/);

  await desk.getByRole('link', { name: 'Map', exact: true }).click();
  await desk.getByRole('button', { name: 'Layers' }).click();
  await dialog.getByRole('button', { name: 'Take off Plots' }).click();
  await expect(dialog.getByText('drawn as plots, one shape')).toBeHidden();
});

test('on the phone the map is there with no network: stops in their order, and where one is', async ({
  browser,
}) => {
  const { context, page } = await openPhone(browser, office.url, 'imke');
  await context.grantPermissions(['geolocation']);
  await context.setGeolocation({ latitude: 38.6204, longitude: -41.3018, accuracy: 12 });
  await page.getByRole('link', { name: 'Find' }).click();
  // The map’s own code comes from the phone’s cache once it is there.
  await page.getByRole('button', { name: 'Map' }).click();
  await expect(page.getByRole('region', { name: 'What lies around' })).toBeVisible();
  await context.setOffline(true);
  await page.reload();
  const map = page.getByRole('region', { name: 'What lies around' });
  await expect(map.locator('canvas')).toBeVisible();
  const stop = map.getByRole('button', { name: '5 Fulmar Ridge top station' });
  await expect(stop).toContainText('5');
  await stop.click();
  await expect(page.getByText('Rime falls from the gantry in sun.')).toBeVisible();
  await page.getByRole('button', { name: 'Here', exact: true }).click();
  await expect(page.getByText(/ km from you/)).toBeVisible();
  await page.getByRole('button', { name: 'Look at the stop' }).click();
  await expect(page).toHaveURL(/\/visit\//);
  await context.close();
});

test('the way to a stop is told piece by piece, by the map alone, on foot and from where one is', async ({
  browser,
}) => {
  const { context, page } = await openPhone(browser, office.url, 'imke');
  await context.setGeolocation({ latitude: 38.6204, longitude: -41.3018, accuracy: 12 });
  const [site] = await office.query<{ id: string }>(
    `SELECT id FROM site WHERE name = 'Cliff path north'`,
  );
  await page.goto(`${office.url}/way/${site?.id}`);
  await expect(page.getByRole('region', { name: /^The way to/ })).toBeVisible();
  await context.setOffline(true);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Cliff path north' })).toBeVisible();
  await expect(page.getByRole('region', { name: /^The way to/ }).locator('canvas')).toBeVisible();
  await page.getByRole('button', { name: 'From where I am' }).click();
  await expect(page.getByText('from where you are')).toBeVisible();
  const pieces = page.getByRole('list', { name: 'The pieces of the way' });
  // No road leads there.
  await expect(pieces.getByText(/^Walk: Path from/).first()).toBeVisible();
  await expect(pieces.getByText(/^Drive: Road from/).first()).toBeVisible();
  const hour = async (): Promise<string> =>
    page.getByText(/there at \d\d:\d\d if you set off now/).innerText();
  const driven = await hour();
  await page.getByRole('radio', { name: 'On foot' }).click();
  await expect(pieces.getByText(/^Drive: /)).toHaveCount(0);
  expect(await hour()).not.toBe(driven);
  await page.getByRole('button', { name: '‹ Back' }).click();
  await context.close();
});
