import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import type { BrowserContext, Page } from '@playwright/test';
import { openDesk, openPhone, planJob, startSheet } from '../e2e/support/people.ts';
import { FRAME_MS, median, show } from './measure.ts';
import { withOffice } from './office.ts';

const THROTTLE = 4;
const TAPS = 40;
const STARTS = 7;
/** Nobody answers faster; what an answer brings with it is done by then. */
const BETWEEN_TAPS_MS = 500;

const ask = (key: string, more: Partial<Question> = {}): Question => ({
  kind: 'yesNo',
  key,
  label: `Question ${key}`,
  required: true,
  ...(more as object),
});

/** 1,000 questions; 300 have a rule of their own, and 200 are asked before anything is answered. */
const BODY: TemplateBody = {
  title: 'Large',
  sections: [
    ...Array.from({ length: 4 }, (_, s) => ({
      id: `s${s}`,
      title: `Section ${s + 1}`,
      questions: Array.from({ length: 125 }, (_, q) =>
        q < 50 ? ask(`a${s}_${q}`) : ask(`a${s}_${q}`, { visibleWhen: `a${s}_${q % 50} == "no"` }),
      ),
    })),
    ...Array.from({ length: 4 }, (_, s) => ({
      id: `h${s}`,
      title: `Hidden ${s + 1}`,
      visibleWhen: 'a0_0 == "no"',
      questions: Array.from({ length: 125 }, (_, q) => ask(`h${s}_${q}`)),
    })),
  ],
};

/** From pressing each of these to the frame that shows it, in milliseconds, in the page's own time. */
const tapToFrame = (page: Page, selector: string): Promise<number[]> =>
  page.evaluate(
    async ([found, taps, between]) => {
      const times: number[] = [];
      const all = [...document.querySelectorAll<HTMLElement>(found)].slice(0, taps);
      for (const element of all) {
        const from = performance.now();
        element.click();
        await new Promise<void>((resolve) => {
          requestAnimationFrame(() => {
            // The next thing after the frame is drawn, before any other work.
            void scheduler.postTask(resolve, { priority: 'user-blocking' });
          });
        });
        times.push(performance.now() - from);
        await new Promise((resolve) => setTimeout(resolve, between));
      }
      return times;
    },
    [selector, TAPS, BETWEEN_TAPS_MS] as const,
  );

/** From saying “No” to the frame in which the question that it reveals is there, in the third section. */
async function tapToReveal(page: Page): Promise<number[]> {
  await page.getByRole('button', { name: /^Section 3/ }).click();
  await page.getByText('Question a2_0').waitFor();
  return page.evaluate(
    async ([taps, between]) => {
      const times: number[] = [];
      for (let at = 0; at < taps; at++) {
        const no = document.querySelectorAll<HTMLElement>(`#question-a2_${at} [role=radio]`)[1];
        const from = performance.now();
        no?.click();
        while (!document.getElementById(`question-a2_${at + 50}`))
          await new Promise(requestAnimationFrame);
        times.push(performance.now() - from);
        await new Promise((resolve) => setTimeout(resolve, between));
      }
      return times;
    },
    [TAPS, BETWEEN_TAPS_MS] as const,
  );
}

/** Run in the page: marks the frame in which the trail's next step is there to be pressed. */
const NOTE_FIRST_STEP = `(function look() {
  const buttons = [...document.querySelectorAll('button')];
  if (buttons.some((button) => button.textContent.includes('Start the sheet')))
    performance.mark('next step');
  else requestAnimationFrame(look);
})()`;

/**
 * From opening the application with no network on a slow phone until the trail's next step can be
 * pressed, each time in a page of its own, with the service worker's own pieces.
 */
async function benchStart(context: BrowserContext, base: string): Promise<void> {
  await context.setOffline(true);
  const times: number[] = [];
  for (let at = 0; at < STARTS; at++) {
    const page = await context.newPage();
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: THROTTLE });
    await page.addInitScript({ content: NOTE_FIRST_STEP });
    await page.goto(`${base}/trail`, { waitUntil: 'commit' });
    await page.waitForFunction(() => performance.getEntriesByName('next step').length > 0);
    times.push(
      await page.evaluate(() => performance.getEntriesByName('next step')[0]?.startTime ?? 0),
    );
    await page.close();
  }
  await context.setOffline(false);
  show(
    `opening the application with no network, CPU ÷ ${THROTTLE}`,
    median(times),
    `aim 1,500 ms: ${(median(times) / 1500).toFixed(2)} of it; until the next step of the trail can be pressed`,
  );
}

/** A large sheet on a slow phone: opening it, and from a tap to the frame that shows the answer. */
export function benchScreen(): Promise<void> {
  return withOffice(async (browser, base) => {
    const desk = await openDesk(browser, base, 'edda');
    const published = await desk.request.post(`${base}/api/templates`, {
      data: { after: 0, body: BODY },
    });
    if (!published.ok()) throw new Error(await published.text());
    await planJob(desk, base, {
      place: 'Harbour clinic',
      sheet: 'Large',
      person: 'Imke Dorrance',
      start: '06:00',
    });
    await desk.context().close();
    const { page, context } = await openPhone(browser, base, 'imke');
    await startSheet(page, 'Large');
    await page.getByText('Question a0_0').waitFor();
    await page.goto(`${base}/trail`);
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await benchStart(context, base);
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: THROTTLE });
    await page.getByRole('button', { name: 'Start the sheet' }).waitFor();
    const opening = await page.evaluate(async () => {
      const all = [...document.querySelectorAll('button')];
      const from = performance.now();
      all.find((button) => button.textContent?.includes('Start the sheet'))?.click();
      const took: number[] = [];
      for (const words of ['Question a0_5', 'Question a0_49']) {
        while (!document.body.textContent?.includes(words))
          await new Promise(requestAnimationFrame);
        took.push(performance.now() - from);
      }
      return { first: took[0] ?? Number.NaN, last: took[1] ?? Number.NaN };
    });
    show(
      `opening that sheet on a phone, CPU ÷ ${THROTTLE}`,
      opening.first,
      `aim 600 ms; from the trail to a screen full of questions; the last of the section ${opening.last.toFixed(0)} ms`,
    );
    // The second section: its answers reveal questions, as in the first, but no whole sections.
    await page.getByRole('button', { name: /^Section 2/ }).click();
    await page.getByText('Question a1_0').waitFor();
    await page.evaluate(() => {
      for (const [at, button] of document.querySelectorAll('[role=radio]').entries())
        if (at % 3 === 1) button.setAttribute('data-no', '');
      for (let at = 0; at < 40; at++) {
        const bare = document.createElement('button');
        bare.setAttribute('data-bare', '');
        bare.onclick = () => (bare.textContent = 'pressed');
        document.body.append(bare);
      }
    });
    const bare = median(await tapToFrame(page, '[data-bare]'));
    const taps = await tapToFrame(page, '[data-no]');
    show(
      `a tap, to the frame that shows it, CPU ÷ ${THROTTLE}`,
      median(taps),
      `95 % within ${median(taps, 0.95).toFixed(0)} ms; one frame is ${FRAME_MS.toFixed(1)} ms; a bare button on that page ${bare.toFixed(1)} ms`,
    );
    const reveals = await tapToReveal(page);
    show(
      `and to the frame with what it reveals, CPU ÷ ${THROTTLE}`,
      median(reveals),
      `95 % within ${median(reveals, 0.95).toFixed(0)} ms`,
    );
  });
}
