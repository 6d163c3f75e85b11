import { setTimeout as sleep } from 'node:timers/promises';
import { Turns } from '../src/turns/turns.ts';

test('one who asks for much waits in their own line, and holds up nobody else', async () => {
  const turns = new Turns({ atOnce: 3, each: 2, waiting: 100 });
  const order: string[] = [];
  const work = (who: string, ms: number) =>
    turns.take(who, async () => {
      order.push(who);
      await sleep(ms);
    });
  const greedy = Array.from({ length: 20 }, () => work('greedy', 20));
  await sleep(5);
  const modest = [work('modest', 1), work('modest', 1)];
  await Promise.all(modest);
  expect(order.filter((who) => who === 'modest')).toHaveLength(2);
  // Two of three places are the most one may have: the other's work never waited for them.
  expect(order.indexOf('modest')).toBe(2);
  await Promise.all(greedy);
  expect(order).toHaveLength(22);
});

test('no more go on at once than there are places, and each gets its turn', async () => {
  const turns = new Turns({ atOnce: 2, each: 2, waiting: 100 });
  let running = 0;
  let most = 0;
  const done: string[] = [];
  await Promise.all(
    ['a', 'a', 'a', 'a', 'b', 'b', 'c'].map((who) =>
      turns.take(who, async () => {
        most = Math.max(most, ++running);
        await sleep(3);
        running--;
        done.push(who);
      }),
    ),
  );
  expect(most).toBe(2);
  // Round and round: c, who came last, is not last.
  expect(done.indexOf('c')).toBeLessThan(done.lastIndexOf('a'));
});

test('a line that is too long is closed, in words; a failure gives its place back', async () => {
  const turns = new Turns({ atOnce: 1, each: 1, waiting: 2 });
  const first = turns.take('a', () => sleep(20));
  const waiting = [turns.take('a', () => sleep(1)), turns.take('a', () => sleep(1))];
  await expect(turns.take('a', () => sleep(1))).rejects.toMatchObject({ status: 429 });
  await Promise.all([first, ...waiting]);
  await expect(turns.take('a', () => Promise.reject(new Error('broke')))).rejects.toThrow('broke');
  await turns.take('a', () => sleep(1));
});
