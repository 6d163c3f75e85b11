import * as Automerge from '@automerge/automerge';
import { timeOrderedId, type Entry } from '@ant-trail/core/log';
import { fold, OpenSheet, planSheet, prepareForAny, type Question } from '@ant-trail/core/sheet';
import { FRAME_MS, medianMs, show } from './measure.ts';

await prepareForAny();

const QUESTIONS = 500;
const ENTRIES = 5_000;
/** One frame at 60 a second: what an answer may take before a person can see it. */

const PLAN = planSheet({
  title: 'Large',
  sections: Array.from({ length: 20 }, (_, s) => ({
    id: `s${s}`,
    title: `Section ${s}`,
    questions: Array.from({ length: QUESTIONS / 20 }, (_, q): Question => {
      const n = s * (QUESTIONS / 20) + q;
      return {
        kind: 'number',
        key: `q${n}`,
        label: `Question ${n}`,
        unit: 'Cel',
        required: true,
        expected: { low: 20, high: 65 },
        ...(n % 5 === 4 ? { visibleWhen: `q${n - 1} > 30` } : {}),
      };
    }),
  })),
});

export function largeLog(sheet: string, by: string, count = ENTRIES): Entry[] {
  const heads = new Map<string, string>();
  return Array.from({ length: count }, (_, i) => {
    const path = `q${(i * 7) % QUESTIONS}`;
    const at = 1_700_000_000_000 + i * 1000;
    const head = heads.get(path);
    const entry: Entry = {
      id: timeOrderedId(at, crypto.getRandomValues(new Uint8Array(16))),
      sheet,
      path,
      kind: 'answer',
      value: 20 + ((i * 13) % 60),
      unit: 'Cel',
      seen: head ? [head] : [],
      by,
      device: '11111111-1111-4111-8111-111111111111',
      at: new Date(at).toISOString(),
      prev: null,
    };
    heads.set(path, entry.id);
    return entry;
  });
}

export async function benchSheet(): Promise<void> {
  const log = largeLog('s', 'p');
  const full = await medianMs(() => fold(PLAN, log));
  const open = new OpenSheet(PLAN);
  open.add(log);
  const more = largeLog('s', 'p', 400).map((entry) => ({
    ...entry,
    id: timeOrderedId(Date.now(), crypto.getRandomValues(new Uint8Array(16))),
    seen: open.headsOf(entry.path),
  }));
  let next = 0;
  const one = await medianMs(() => open.add([more[next++ % more.length] as Entry]), 201, 20);

  // The peer keeps the same history of the same answers in a mergeable document.
  let doc = Automerge.init<Record<string, number>>();
  for (const { path, value } of log)
    doc = Automerge.change(doc, (draft) => {
      draft[path] = Number(value);
    });
  const saved = Automerge.save(doc);
  const peerFull = await medianMs(() => Automerge.load(saved), 7, 1);
  let turn = 0;
  const peerOne = await medianMs(
    () => {
      doc = Automerge.change(doc, (draft) => {
        draft[`q${turn++ % QUESTIONS}`] = turn;
      });
    },
    101,
    10,
  );
  show(
    `fold, ${QUESTIONS} questions, ${ENTRIES} entries, whole`,
    full,
    `Automerge loads the same history in ${peerFull.toFixed(1)} ms: ${(peerFull / full).toFixed(1)} × our time, and computes nothing of the sheet`,
  );
  show(
    'fold, one more entry',
    one,
    `Automerge applies one change in ${(peerOne * 1000).toFixed(0)} µs; limit one frame, ${FRAME_MS.toFixed(1)} ms: ${(FRAME_MS / one).toFixed(0)} × below it`,
  );
}
