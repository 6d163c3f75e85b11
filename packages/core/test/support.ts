import fc from 'fast-check';
import {
  answerPath,
  photoPath,
  reasonPath,
  STAGE_PATH,
  type AnswerValue,
  type Entry,
  type EntryKind,
} from '../src/log/index.ts';
import { OpenSheet, planSheet, type SheetPlan, type TemplateBody } from '../src/sheet/index.ts';

export const TEMPLATE: TemplateBody = {
  title: 'Check',
  sections: [
    {
      id: 'one',
      title: 'One',
      questions: [
        {
          kind: 'yesNo',
          key: 'free',
          label: 'Free?',
          required: true,
          whenAmiss: { reason: true, photo: true, severity: 3, action: 'Free it' },
        },
        {
          kind: 'number',
          key: 'temp',
          label: 'Temperature',
          unit: 'Cel',
          expected: { low: 20, high: 65 },
          required: true,
        },
        {
          kind: 'choice',
          key: 'look',
          label: 'Look',
          required: true,
          options: [
            { key: 'good', label: 'Good', severity: 0 },
            { key: 'bad', label: 'Bad', severity: 4 },
          ],
        },
      ],
    },
    {
      id: 'two',
      title: 'Two',
      questions: [
        {
          kind: 'text',
          key: 'why_bad',
          label: 'Why bad?',
          required: true,
          visibleWhen: 'look == "bad" || temp > 65',
        },
        {
          kind: 'text',
          key: 'deeper',
          label: 'Deeper?',
          required: true,
          visibleWhen: 'why_bad != ""',
        },
        { kind: 'photo', key: 'view', label: 'View', required: false },
      ],
    },
  ],
};

export const PLAN: SheetPlan = planSheet(TEMPLATE);

let turn = 0;

/** An entry as a device with this log before it would write it. */
export function entryOn(
  open: OpenSheet,
  path: string,
  kind: EntryKind,
  value: AnswerValue | null,
  more: { device?: number; reason?: string } = {},
): Entry {
  turn++;
  const device = more.device ?? 0;
  return {
    id: `017f22e2-79b0-7000-8000-${turn.toString(16).padStart(12, '0')}`,
    sheet: 's',
    path,
    kind,
    value,
    ...(path === 'temp' ? { unit: 'Cel' } : {}),
    ...(more.reason === undefined ? {} : { reason: more.reason }),
    seen: open.headsOf(path),
    by: `person-${device}`,
    device: `device-${device}`,
    at: new Date(1_700_000_000_000 + turn * 1000).toISOString(),
    prev: null,
  };
}

/** Writes straight into an open sheet. */
export function write(
  open: OpenSheet,
  path: string,
  value: AnswerValue | null,
  kind: EntryKind = value === null ? 'clear' : 'answer',
): void {
  open.add([entryOn(open, path, kind, value)]);
}

const photo = (n: number): AnswerValue => ({
  sha256: String(n % 10).repeat(64),
  type: 'image/jpeg',
  bytes: 10,
  width: 1,
  height: 1,
  takenAt: '2022-02-22T19:22:22Z',
  comment: '',
});

const writing = fc.oneof(
  fc.tuple(fc.constant(answerPath('free')), fc.constantFrom('yes', 'no', 'na')),
  fc.tuple(fc.constant(answerPath('temp')), fc.integer({ min: 0, max: 100 })),
  fc.tuple(fc.constant(answerPath('look')), fc.constantFrom('good', 'bad')),
  fc.tuple(fc.constantFrom('why_bad', 'deeper'), fc.constantFrom('a', 'b')),
  fc.tuple(fc.constant(reasonPath('free')), fc.constantFrom('stiff', 'rusty')),
  fc.tuple(
    fc.nat(2).map((n) => photoPath('view', `p${n}`)),
    fc.nat(3).map(photo),
  ),
  fc.tuple(fc.constantFrom('free', 'temp', 'look', 'why_bad'), fc.constant(null)),
  fc.tuple(fc.constant('unknown_question'), fc.constant('x')),
  fc.tuple(
    fc.constantFrom('free', 'look'),
    fc.constantFrom(null, 'yes', 'good'),
    fc.constant('prepare' as const),
  ),
  fc.tuple(fc.constant(STAGE_PATH), fc.constantFrom('finish', 'return', 'approve')),
);

/** Random histories on 2 to 5 devices that now and then take in what another has. */
export const histories: fc.Arbitrary<Entry[]> = fc
  .tuple(
    fc.integer({ min: 2, max: 5 }),
    fc.array(
      fc.tuple(
        fc.nat(4),
        fc.oneof(
          { weight: 3, arbitrary: writing.map((what) => ({ what })) },
          { weight: 1, arbitrary: fc.nat(4).map((from) => ({ from })) },
        ),
      ),
      { maxLength: 45 },
    ),
  )
  .map(([count, steps]) => {
    const devices = Array.from({ length: count }, () => ({
      open: new OpenSheet(PLAN),
      entries: [] as Entry[],
    }));
    const all: Entry[] = [];
    for (const [n, step] of steps) {
      const device = devices[n % count];
      if (!device) continue;
      if ('from' in step) {
        const other = devices[step.from % count];
        device.open.add(other?.entries ?? []);
        device.entries.push(...(other?.entries ?? []).filter((e) => !device.entries.includes(e)));
        continue;
      }
      const [path, value, kind] = step.what;
      const moves = path === STAGE_PATH;
      const entry = entryOn(
        device.open,
        path,
        moves ? (value as EntryKind) : (kind ?? (value === null ? 'clear' : 'answer')),
        moves ? null : value,
        { device: n % count, ...(moves ? { reason: 'look again' } : {}) },
      );
      device.open.add([entry]);
      device.entries.push(entry);
      all.push(entry);
    }
    return all;
  });
