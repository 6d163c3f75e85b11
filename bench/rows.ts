import { Compiler, isAffordable, STEP_BUDGET, worstCost } from '@ant-trail/core/logic';
import { timeOrderedId, type AnswerValue, type Entry } from '@ant-trail/core/log';
import { OpenSheet, planSheet, prepareForAny, type Question } from '@ant-trail/core/sheet';
import { medianMs, show } from './measure.ts';

await prepareForAny();

let turn = 0;
const entry = (path: string, value: AnswerValue, seen: readonly string[] = []): Entry => ({
  id: timeOrderedId(1_700_000_000_000 + ++turn, new Uint8Array(16)),
  sheet: 's',
  path,
  kind: 'answer',
  value,
  ...(typeof value === 'number' ? { unit: '1' } : {}),
  seen,
  by: 'p',
  device: 'd',
  at: '2031-01-01T00:00:00Z',
  prev: null,
});
const base = (key: string) => ({ key, label: key, required: true });
const number = (key: string): Question => ({
  ...base(key),
  kind: 'number',
  unit: '1',
  expected: { low: 0, high: 50 },
});
const formula = (key: string, text: string): Question => ({
  ...base(key),
  kind: 'calculated',
  required: false,
  unit: '1',
  formula: text,
});
const rows = (key: string, ...questions: Question[]): Question => ({
  ...base(key),
  kind: 'rows',
  required: false,
  each: 'row',
  questions,
});
const planOf = (...questions: Question[]) =>
  planSheet({ title: 'T', sections: [{ id: 's', title: 'S', questions }] });

/** One answer in sheets of many rows, each with sums over them; and the dearest rule that may be published. */
export async function benchRows(): Promise<void> {
  const boards = planOf(
    rows(
      'boards',
      rows('circuits', number('load'), number('rating'), formula('use', 'load / rating')),
      formula('total', 'sum(circuits, "load")'),
    ),
    formula('all', 'sum(boards, "total")'),
  );
  const circuits = new OpenSheet(boards);
  const given: Entry[] = [];
  for (let b = 0; b < 50; b++) {
    given.push(entry(`boards/b${b}`, { order: b, name: `B${b}` }));
    for (let c = 0; c < 100; c++) {
      const at = `boards/b${b}/circuits/c${c}`;
      given.push(entry(at, { order: c, name: `C${c}` }));
      given.push(entry(`${at}/load`, c % 40), entry(`${at}/rating`, 16));
    }
  }
  circuits.add(given);
  const answer = (open: OpenSheet, path: string): void => {
    open.add([entry(path, turn % 40, open.headsOf(path))]);
  };
  show(
    'one answer in 50 boards with 100 circuits each',
    await medianMs(() => answer(circuits, `boards/b${turn % 50}/circuits/c${turn % 100}/load`), 61),
    'aim: under 1 ms',
  );

  const times: number[] = [];
  for (const many of [10_000, 20_000]) {
    const bolts = planOf(
      rows('bolts', number('torque'), number('gap')),
      formula('all', 'sum(bolts, "torque")'),
    );
    const all = Array.from({ length: many }, (_, i) => [
      entry(`bolts/c${i}`, { order: i, name: `C${i}` }),
      entry(`bolts/c${i}/torque`, i % 40),
    ]).flat();
    times.push(await medianMs(() => new OpenSheet(bolts).add(all), 3, 1));
    if (many < 20_000) continue;
    const open = new OpenSheet(bolts);
    open.add(all);
    show(
      'one answer in 20,000 rows',
      await medianMs(() => answer(open, `bolts/c${(turn * 7) % many}/torque`), 61),
      'aim: under 5 ms',
    );
  }
  const [half = 0, whole = 0] = times;
  show(
    'whole fold of 20,000 rows',
    whole,
    `${(whole / half).toFixed(1)} × that of 10,000; linear is 2`,
  );

  const compiler = new Compiler([['rows', 'list<map<string, dyn>>']], []);
  const list = (size: number): string => `[${Array.from({ length: size }, (_, i) => i).join(',')}]`;
  const sizes = Array.from({ length: 190 }, (_, i) => i + 10);
  const programs = sizes.map((size) =>
    compiler.compile(`${list(size)}.all(x, ${list(size)}.all(y, x + y >= 0))`, 'yes or no'),
  );
  const dearest = programs.findLast(({ ast }) => isAffordable(ast, () => 1)) ?? programs[0];
  if (!dearest) return;
  const cost = worstCost(dearest.ast, () => 1);
  show(
    'the dearest rule of lists within lists',
    await medianMs(() => dearest.run({})),
    `${Math.round(cost / 1000)},000 of ${STEP_BUDGET / 1000},000 steps`,
  );
  const endless = compiler.compile(
    `${list(150)}.all(x, ${list(150)}.all(y, ${list(150)}.all(z, true)))`,
    'yes or no',
  );
  show(
    'a rule that would go on, until it is stopped',
    await medianMs(() => endless.run({}), 5, 1),
    'limit: its budget of steps; refused at publishing',
  );
}
