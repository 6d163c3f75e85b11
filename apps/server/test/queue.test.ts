import { setTimeout as sleep } from 'node:timers/promises';
import { openQueue } from '../src/queue/queue.ts';
import { newDatabase } from './support/office.ts';

let url = '';
beforeAll(async () => (url = await newDatabase()));

const LINES = ['one', 'two', 'three', 'four', 'five', 'six'];
const timers = (): number =>
  process.getActiveResourcesInfo().filter((each) => each === 'Timeout').length;

test('a queue that closes while its workers wait for the database leaves nothing behind', async () => {
  const before = timers();
  for (let round = 0; round < 25; round++) {
    const { queue, close } = await openQueue(url, LINES, () => undefined);
    for (const line of LINES) await queue.work(line, () => Promise.resolve());
    await sleep(round * 20);
    await close();
  }
  // The queue looks once a second whether its workers have stopped.
  await sleep(2_500);
  expect(timers()).toBeLessThanOrEqual(before);
});

test('what is under way when a queue closes is done and known as done', async () => {
  const { queue, close } = await openQueue(url, ['slow'], () => undefined);
  let ended = false;
  const begun = new Promise<void>((resolve) => {
    void queue.work('slow', async () => {
      resolve();
      await sleep(300);
      ended = true;
    });
  });
  const id = await queue.send('slow', {});
  await begun;
  await close();
  expect(ended).toBe(true);
  const again = await openQueue(url, ['slow'], () => undefined);
  expect((await again.queue.getJobById('slow', id ?? ''))?.state).toBe('completed');
  await again.close();
});
