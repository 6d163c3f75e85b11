import { setTimeout as sleep } from 'node:timers/promises';
import { openQueue } from '../src/queue/queue.ts';
import { Client } from 'pg';
import { newDatabase } from './support/office.ts';

let url = '';
beforeAll(async () => (url = await newDatabase()));

async function inDatabase(statement: string): Promise<void> {
  const client = new Client({ connectionString: url });
  await client.connect();
  await client.query(statement);
  await client.end();
}

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

/** A task that is under way until it is let go. */
async function taskUnderWay(line: string, onError: (error: Error) => void) {
  const opened = await openQueue(url, [line], onError);
  const id = (await opened.queue.send(line, {})) ?? '';
  const letGo = await new Promise<() => void>((begun) => {
    void opened.queue.work(line, () => new Promise<void>((resolve) => begun(resolve)));
  });
  return { ...opened, id, letGo };
}

test('a task that outlives the closing of its queue ends nothing else, and is not known as done', async () => {
  const { close, id, letGo } = await taskUnderWay('outlives', () => undefined);
  await close();
  letGo();
  await sleep(200);
  const again = await openQueue(url, ['outlives'], () => undefined);
  const state = (await again.queue.getJobById('outlives', id))?.state;
  await again.close();
  expect(state).toBe('retry');
});

test('a database that fails as a task ends is reported, and the office goes on', async () => {
  const errors: string[] = [];
  const { queue, close, id, letGo } = await taskUnderWay('untold', ({ message }) =>
    errors.push(message),
  );
  const rename = (from: string, to: string) =>
    inDatabase(`ALTER TABLE queue.${from} RENAME TO ${to}`);
  await rename('job', 'job_away');
  letGo();
  await sleep(200);
  await rename('job_away', 'job');
  const state = (await queue.getJobById('untold', id))?.state;
  await close();
  expect(errors.join('\n')).toMatch(/queue\.job/);
  expect(state).toBe('active');
});
