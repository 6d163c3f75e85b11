#!/usr/bin/env node
import { chmodSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureChromium, ensurePackages } from './house/packages.mjs';
import { ROOT } from './house/places.mjs';
import { run, say } from './house/say.mjs';

const OUT = path.join(ROOT, 'docs/screenshots');
const PHONE = { width: 390, height: 844 };
const TABLET = { width: 1180, height: 820 };
const DESK = { width: 1280, height: 800 };

/** Takes the pictures of docs/screenshots from a fresh demo. */
await run(async () => {
  await ensurePackages();
  await ensureChromium();
  const { chromium } = await import('@playwright/test');
  const { buildClient } = await import('./house/build-client.mjs');
  const { buildServer } = await import('./house/build-server.mjs');
  const { freePort, openCluster } = await import('./house/cluster.mjs');
  const { prepareDatabase, startServer, stopServer } = await import('./house/serve.mjs');
  await buildServer();
  await buildClient();
  const dir = mkdtempSync(path.join(tmpdir(), 'ant-trail-shots-'));
  chmodSync(dir, 0o755);
  const cluster = await openCluster(dir, { fast: true });
  await prepareDatabase(cluster);
  const port = await freePort();
  const server = await startServer(cluster, { port });
  const base = `http://localhost:${port}`;
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  mkdirSync(OUT, { recursive: true });
  for (const old of readdirSync(OUT)) rmSync(path.join(OUT, old));

  const open = async (who, viewport, theme = 'light') => {
    const context = await browser.newContext({
      viewport,
      permissions: ['geolocation'],
      geolocation: { latitude: 38.65727, longitude: -41.27414, accuracy: 9 },
    });
    await context.addInitScript((name) => {
      // Each picture is of what was gone to.
      const settings = { theme: name, goingOn: 'by hand' };
      localStorage.setItem(
        'ant-trail.settings',
        JSON.stringify({ values: settings, unsent: settings }),
      );
    }, theme);
    const page = await context.newPage();
    await page.goto(`${base}/sign-in`);
    await page.getByLabel('E-mail address').fill(`${who}@tarnhollow.example`);
    await page.getByLabel('Password').fill('walk-the-trail');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('navigation', { name: 'Places' }).waitFor();
    await page.waitForTimeout(2500);
    return page;
  };
  const shot = async (page, name) => {
    await page.waitForTimeout(700);
    await page.screenshot({ path: path.join(OUT, `${name}.png`) });
    say(`${name}.png`);
  };

  const manager = await open('edda', DESK);
  await shot(manager, 'desk-day');
  // Of the day after, whose hours are all still to come.
  await manager.getByRole('button', { name: 'After ›' }).click();
  await manager.waitForTimeout(800);
  // On Sundays nobody works.
  if (await manager.getByRole('heading', { name: /^Sunday/ }).isVisible())
    await manager.getByRole('button', { name: 'After ›' }).click();
  await manager.getByRole('button', { name: 'Look for a better order' }).click();
  await manager.getByText('less on the way').waitFor();
  await manager.waitForTimeout(6000);
  const enough = manager.getByRole('button', { name: 'That will do' });
  if (await enough.isVisible()) await enough.click();
  await shot(manager, 'desk-order');
  for (const place of ['review', 'hours', 'records', 'map?what=today']) {
    await manager.goto(`${base}/${place}`);
    await manager.waitForTimeout(2500);
    await shot(manager, `desk-${place.replace(/\?.*/, '')}`);
  }
  await manager.goto(`${base}/places?text=turbine`);
  await manager.getByRole('button', { name: /^Power house, turbine 2/ }).click();
  await manager.getByRole('treeitem', { name: /^Turbine set/ }).click();
  await manager.getByRole('heading', { level: 1, name: 'Turbine set' }).waitFor();
  await manager.waitForTimeout(1500);
  await shot(manager, 'desk-story');
  await manager.goto(`${base}/templates`);
  await manager.getByRole('button', { name: /^Penstock joint tightening/ }).click();
  await manager.getByRole('button', { name: /^Torque reached/ }).click();
  await shot(manager, 'desk-builder');
  await manager.goto(`${base}/rounds`);
  await manager.getByRole('button', { name: /^Drinking water/ }).click();
  await manager.getByRole('list', { name: 'Planned already' }).waitFor();
  await shot(manager, 'desk-round');
  const phone = await open('imke', PHONE);
  await shot(phone, 'field-trail');
  await phone.getByRole('button', { name: 'Way', exact: true }).click();
  await phone.getByRole('list', { name: 'The pieces of the way' }).waitFor();
  await phone.waitForTimeout(1500);
  await shot(phone, 'field-way');
  await phone.getByRole('button', { name: '‹ Back' }).click();
  await phone.getByRole('button', { name: 'Set off' }).click();
  await phone.getByRole('button', { name: 'I have arrived' }).click();
  await phone.getByRole('button', { name: 'Start the sheet' }).click();
  await phone.getByRole('button', { name: /^Brakes/ }).click();
  await phone.getByRole('radiogroup', { name: 'Brake 2 released fully?' }).getByText('Yes').click();
  await phone.getByLabel('Brake 2, disc temperature, in °C').fill('78.5');
  await phone.getByText(/Above the expected/).waitFor();
  await phone.locator('#question-brake2_released').evaluate((part) => part.scrollIntoView());
  await shot(phone, 'field-sheet');
  await phone.context().setOffline(true);
  await phone.getByLabel('Brake 1, disc temperature, in °C').fill('44');
  await phone.waitForTimeout(1800);
  await phone.getByRole('button', { name: '‹ Trail' }).click();
  await phone.getByRole('link', { name: /Sending/ }).click();
  await phone.getByRole('button', { name: 'Send now' }).click();
  await phone.waitForTimeout(500);
  await shot(phone, 'field-sending');
  const night = await open('rook', PHONE, 'dark');
  await night.getByRole('button', { name: /^Eider hut/ }).click();
  await night.getByRole('button', { name: 'Go on with the sheet' }).click();
  await night.getByRole('button', { name: /^Shell/ }).click();
  await night.getByRole('button', { name: /^Take (it|all [0-9]+) up$/ }).click();
  await night.getByText('What the programme wants is reached.').waitFor();
  await night.getByRole('heading', { name: 'Where the heat goes' }).scrollIntoViewIfNeeded();
  await shot(night, 'field-heat-dark');
  const sunny = await open('marn', PHONE, 'sunlight');
  await sunny.goto(`${base}/around`);
  await sunny.getByRole('button', { name: /Kittiwake hut/ }).click();
  await shot(sunny, 'field-map-sunlight');

  const tablet = await open('tove', TABLET);
  await tablet.getByRole('button', { name: 'Go on with the sheet' }).click();
  await shot(tablet, 'field-tablet');

  const tester = await open('jory', PHONE);
  // Yesterday's certificate was left half way through.
  await tester.goto(`${base}/trail`);
  await tester.getByRole('button', { name: /^Rescue store boards/ }).click();
  await tester.getByRole('button', { name: 'Go on with the sheet' }).click();
  await tester.getByRole('button', { name: /^Boards and circuits/ }).click();
  await tester.getByRole('button', { name: 'Open Board 1' }).click();
  await tester.getByRole('list', { name: 'Ways' }).getByRole('button', { name: /^5/ }).click();
  await tester
    .getByRole('list', { name: /^Values of/ })
    .getByRole('button', { name: /^Loop Zs/ })
    .click();
  for (const key of ['.', '6'])
    await tester.getByRole('button', { name: key, exact: true }).click();
  await shot(tester, 'field-ways');
  await tester.goto(`${base}/trail`);
  await tester.getByRole('button', { name: /^Old mill boards/ }).click();
  await tester.getByRole('button', { name: 'Go on with the sheet' }).click();
  await tester.getByRole('button', { name: /^Devices/ }).click();
  await tester.getByRole('radio', { name: 'All', exact: true }).click();
  await shot(tester, 'field-devices');
  const inspector = await open('rook', PHONE);
  await inspector.getByRole('button', { name: /^Razorbill hut/ }).click();
  await inspector.getByRole('button', { name: 'Go on with the sheet' }).click();
  await inspector.getByRole('button', { name: /^Moisture/ }).click();
  await inspector.getByRole('button', { name: 'Open Living room, to the sea' }).click();
  await inspector
    .getByRole('list', { name: 'Readings' })
    .getByRole('button', { name: /not read/ })
    .first()
    .click();
  await shot(inspector, 'field-wall');

  await browser.close();
  await stopServer(server);
  await cluster.stop();
  rmSync(dir, { recursive: true, force: true });
});
