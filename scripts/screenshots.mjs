#!/usr/bin/env node
import { chmodSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureChromium, ensurePackages } from './house/packages.mjs';
import { ROOT } from './house/places.mjs';
import { run, say } from './house/say.mjs';

const OUT = path.join(ROOT, 'docs/screenshots');
const PHONE = { width: 390, height: 844 };
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
    await context.addInitScript((name) => localStorage.setItem('ant-trail.theme', name), theme);
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
  await manager.getByRole('button', { name: 'New job' }).click();
  await manager
    .getByLabel('Place', { exact: true })
    .selectOption({ label: 'Gannet Head, upper cableway station' });
  await manager.getByLabel('Sheet').selectOption({ label: 'Drive room round (version 6)' });
  await shot(manager, 'desk-new-job');
  for (const place of ['review', 'actions', 'jobs', 'places']) {
    await manager.goto(`${base}/${place}`);
    await manager.waitForTimeout(1500);
    await shot(manager, `desk-${place}`);
  }
  const night = await open('sef', DESK, 'dark');
  await night.goto(`${base}/review`);
  await night.waitForTimeout(1500);
  await shot(night, 'desk-review-dark');

  const phone = await open('imke', PHONE);
  await shot(phone, 'field-trail');
  await phone.getByRole('button', { name: 'More' }).click();
  await shot(phone, 'field-visit');
  await phone.getByRole('button', { name: '‹ Trail' }).click();
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
  await phone.getByRole('button', { name: 'Back to the trail' }).click();
  await phone.getByRole('link', { name: /Sending/ }).click();
  await phone.getByRole('button', { name: 'Send now' }).click();
  await phone.waitForTimeout(500);
  await shot(phone, 'field-sending');
  for (const theme of ['dark', 'sunlight']) {
    const page = await open('tove', PHONE, theme);
    await page.getByRole('button', { name: 'Go on with the sheet' }).click();
    await shot(page, `field-sheet-${theme}`);
  }

  await browser.close();
  await stopServer(server);
  await cluster.stop();
  rmSync(dir, { recursive: true, force: true });
});
