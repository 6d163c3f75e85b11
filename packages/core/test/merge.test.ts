import * as Automerge from '@automerge/automerge';
import fc from 'fast-check';
import { EMPTY_PATH_LOG, mergePath, type Entry, type PathLog } from '../src/log/index.ts';

/** What 2–5 devices do, one after the other: write, or take in all another device has. */
const steps = fc.array(
  fc.record({
    device: fc.nat(4),
    act: fc.oneof(
      fc.record({ kind: fc.constant('write' as const), value: fc.integer() }),
      fc.record({ kind: fc.constant('sync' as const), from: fc.nat(4) }),
    ),
  }),
  { minLength: 1, maxLength: 40 },
);
type Steps = typeof steps extends fc.Arbitrary<infer Value> ? Value : never;

function writeEntry(log: PathLog, device: number, turn: number, value: number): Entry {
  const hex = turn.toString(16).padStart(12, '0');
  return {
    id: `017f22e2-79b0-7000-8000-${hex}`,
    sheet: 's',
    path: 'a',
    kind: 'answer',
    value,
    seen: log.heads.map((entry) => entry.id),
    by: `p${device}`,
    device: `d${device}`,
    at: '2022-02-22T19:22:22Z',
    prev: null,
  };
}

function ours(history: Steps): number[] {
  const logs: PathLog[] = Array.from({ length: 5 }, () => EMPTY_PATH_LOG);
  history.forEach(({ device, act }, turn) => {
    const log = logs[device] ?? EMPTY_PATH_LOG;
    logs[device] =
      act.kind === 'write'
        ? mergePath(log, [writeEntry(log, device, turn, act.value * 1000 + turn)])
        : mergePath(log, logs[act.from]?.entries ?? []);
  });
  const all = logs.reduce((sum, log) => mergePath(sum, log.entries), EMPTY_PATH_LOG);
  return all.heads.map((entry) => Number(entry.value)).sort((a, b) => a - b);
}

type Doc = { a?: number };

function automerges(history: Steps): number[] {
  const docs = Array.from({ length: 5 }, (_, i) =>
    Automerge.init<Doc>({ actor: `0${i}`.repeat(16) }),
  );
  history.forEach(({ device, act }, turn) => {
    const doc = docs[device];
    const other = act.kind === 'sync' ? docs[act.from] : undefined;
    if (!doc) return;
    docs[device] =
      act.kind === 'write'
        ? Automerge.change(doc, (draft) => {
            draft.a = act.value * 1000 + turn;
          })
        : act.from === device || !other
          ? doc
          : Automerge.merge(doc, Automerge.clone(other));
  });
  let all = Automerge.init<Doc>();
  for (const doc of docs) all = Automerge.merge(all, Automerge.clone(doc));
  if (all.a === undefined) return [];
  const conflicts = Automerge.getConflicts(all, 'a');
  const values = conflicts ? Object.values(conflicts).map(Number) : [all.a];
  return values.sort((a, b) => a - b);
}

// The reference for concurrent edits: @automerge/automerge, its conflicts on one key.
test('the heads of a path are Automerge’s conflicting values for the same history', () => {
  fc.assert(
    fc.property(steps, (history) => {
      expect(ours(history)).toEqual(automerges(history));
    }),
    { numRuns: 120 },
  );
});
