import type { Locator, Page } from '@playwright/test';
import {
  addDevices,
  goToSection,
  openDesk,
  openPhone,
  planJob,
  startSheet,
} from '../e2e/support/people.ts';
import { FRAME_MS, median, show } from './measure.ts';
import { withOffice } from './office.ts';

const THROTTLE = 4;
const DEVICES = 200;
/** As a thumb moves a list: so many pixels in each frame. */
const STEP = 24;

/** How long each frame takes while something is scrolled to its end and back. */
const framesOf = (list: Locator): Promise<number[]> =>
  list.evaluate(async (element, step) => {
    const times: number[] = [];
    let before = await new Promise<number>(requestAnimationFrame);
    for (const sign of [1, -1])
      for (let at = 0; at < (element.scrollHeight - element.clientHeight) / step; at++) {
        element.scrollTop += sign * step;
        const now = await new Promise<number>(requestAnimationFrame);
        times.push(now - before);
        before = now;
      }
    return times;
  }, STEP);

/** The same number of plain lines of text in a box of the same size: what this machine can do. */
const bareList = async (page: Page): Promise<Locator> => {
  await page.evaluate((many) => {
    const box = document.createElement('div');
    box.id = 'bare';
    Object.assign(box.style, { height: '460px', overflowY: 'auto', background: 'white' });
    for (let at = 0; at < many; at++) {
      const line = document.createElement('div');
      line.style.height = '58px';
      line.textContent = `Device ${at}`;
      box.append(line);
    }
    document.querySelector('[aria-label="Devices at a glance"]')?.after(box);
  }, DEVICES);
  return page.locator('#bare');
};

/** Two hundred devices on a slow phone: how smoothly their list moves, and how long it takes that all pass. */
export function benchDevices(): Promise<void> {
  return withOffice(async (browser, base) => {
    const desk = await openDesk(browser, base, 'edda');
    await planJob(desk, base, {
      place: 'Harbour clinic',
      sheet: 'Alarm panel inspection',
      person: 'Imke Dorrance',
      start: '06:00',
    });
    await desk.context().close();
    const { page, context } = await openPhone(browser, base, 'imke');
    await startSheet(page, 'Alarm panel inspection', 'Harbour clinic');
    await goToSection(page, 'Devices');
    await addDevices(page, String(DEVICES));
    const list = page.getByRole('list', { name: 'Devices at a glance' });
    await list.getByText('Device 200').waitFor();
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: THROTTLE });
    const frames = await framesOf(list);
    const bare = await framesOf(await bareList(page));
    const late = frames.filter((time) => time > 1.5 * FRAME_MS).length;
    show(
      `a frame while ${DEVICES} devices are scrolled, CPU ÷ ${THROTTLE}`,
      median(frames),
      `one frame is ${FRAME_MS.toFixed(1)} ms; ${late} of ${frames.length} took longer than one and a half; 95 % within ${median(frames, 0.95).toFixed(1)} ms, of plain lines within ${median(bare, 0.95).toFixed(1)} ms`,
    );
    const took = await page.evaluate(async (all) => {
      const from = performance.now();
      [...document.querySelectorAll('button')]
        .find((button) => button.textContent === all)
        ?.click();
      while (!document.body.textContent?.includes('devices passed.'))
        await new Promise(requestAnimationFrame);
      return performance.now() - from;
    }, `All ${DEVICES} passed`);
    show(
      `all ${DEVICES} pass, to the frame that says so, CPU ÷ ${THROTTLE}`,
      took,
      'kept on the phone by then',
    );
  });
}
