import fc from 'fast-check';
import { photoPath, reasonPath, STAGE_PATH, type Entry } from '../src/log/index.ts';
import { fold, OpenSheet, summarise } from '../src/sheet/index.ts';
import { entryOn, histories, PLAN, write } from './support.ts';

const seeded = (entries: readonly Entry[], seed: number): Entry[] =>
  [...entries]
    .map((entry, index) => ({ entry, at: Math.sin(seed * 99 + index * 7.3) }))
    .sort((a, b) => a.at - b.at)
    .map(({ entry }) => entry);

describe('the fold is the same', () => {
  test('for every order, repetition and batching of the same entries', () => {
    fc.assert(
      fc.property(histories, fc.nat(), fc.integer({ min: 1, max: 7 }), (entries, seed, size) => {
        const whole = fold(PLAN, entries);
        const mixed = seeded([...entries, ...entries.slice(0, 5)], seed);
        const open = new OpenSheet(PLAN);
        for (let i = 0; i < mixed.length; i += size) open.add(mixed.slice(i, i + size));
        expect(open.state).toEqual(whole);
      }),
      { numRuns: 150 },
    );
  });

  test('kept up entry by entry, at every step, as folded anew', () => {
    fc.assert(
      fc.property(histories, (entries) => {
        const open = new OpenSheet(PLAN);
        entries.forEach((entry, index) => {
          expect(open.add([entry])).toEqual(fold(PLAN, entries.slice(0, index + 1)));
        });
      }),
      { numRuns: 60 },
    );
  });

  test('and what it gave before never changes', () => {
    const open = new OpenSheet(PLAN);
    write(open, 'temp', 30);
    const before = open.state;
    const copy = structuredClone(before);
    write(open, 'temp', 90);
    expect(before).toEqual(copy);
    expect(open.state).not.toBe(before);
  });
});

describe('a sheet', () => {
  let open: OpenSheet;
  beforeEach(() => {
    open = new OpenSheet(PLAN);
  });
  const question = (key: string) =>
    open.state.sections.flatMap((s) => s.questions).find((q) => q.question.key === key);
  const missing = () => open.state.looseEnds.map((end) => `${end.key}: ${end.missing}`);

  test('begins with every required question as a loose end', () => {
    expect(open.state.stage).toBe('untouched');
    expect(missing()).toEqual(['free: answer', 'temp: answer', 'look: answer']);
  });

  test('asks for a reason and a photo on “no”, and makes a finding of it', () => {
    write(open, 'free', 'no');
    expect(missing()).toEqual(['free: reason', 'free: photo', 'temp: answer', 'look: answer']);
    write(open, reasonPath('free'), 'stiff');
    write(open, photoPath('free', 'p1'), {
      sha256: 'a'.repeat(64),
      type: 'image/jpeg',
      bytes: 3,
      width: 1,
      height: 1,
      takenAt: '2022-02-22T19:22:22Z',
      comment: '',
    });
    expect(missing()).toEqual(['temp: answer', 'look: answer']);
    expect(open.state.findings).toEqual([
      { key: 'free', severity: 3, words: 'Free? No', proposedAction: 'Free it' },
    ]);
    write(open, photoPath('free', 'p1'), null);
    expect(missing()).toContain('free: photo');
  });

  test.each([
    [19.9, 'below'],
    [20, undefined],
    [65, undefined],
    [65.1, 'above'],
  ])('judges a reading of %d as %s its range', (value, verdict) => {
    write(open, 'temp', value);
    expect(question('temp')?.alert?.verdict).toBe(verdict);
  });

  test('reveals a question by a condition, and one that depends on its answer', () => {
    expect(question('why_bad')).toBeUndefined();
    write(open, 'look', 'bad');
    expect(question('why_bad')?.visible).toBe(true);
    write(open, 'why_bad', 'rust');
    expect(question('deeper')?.visible).toBe(true);
    write(open, 'look', 'good');
    expect(question('why_bad')).toBeUndefined();
    expect(question('deeper')).toBeUndefined();
    write(open, 'temp', 80);
    expect(question('why_bad')?.answer?.value).toBe('rust');
  });

  test('keeps a disagreement until somebody who has seen both settles it', () => {
    const mine = entryOn(open, 'temp', 'answer', 30, { device: 1 });
    const theirs = entryOn(open, 'temp', 'answer', 50, { device: 2 });
    open.add([mine, theirs]);
    expect(open.state.disagreements).toEqual(['temp']);
    expect(question('temp')?.disagreement.map((entry) => entry.value)).toEqual([30, 50]);
    open.add([entryOn(open, 'temp', 'correct', 40, { reason: 'measured again' })]);
    expect(open.state.disagreements).toEqual([]);
    expect(question('temp')?.answer?.value).toBe(40);
    expect(question('temp')?.history).toHaveLength(3);
  });

  test('does not call it a disagreement when both say the same', () => {
    open.add([
      entryOn(open, 'temp', 'answer', 30, { device: 1 }),
      entryOn(open, 'temp', 'answer', 30, { device: 2 }),
    ]);
    expect(open.state.disagreements).toEqual([]);
  });

  test('is finished, returned with a word, finished again and approved', () => {
    write(open, 'temp', 30);
    open.add([entryOn(open, STAGE_PATH, 'finish', null)]);
    expect(open.state.stage).toBe('finished');
    open.add([entryOn(open, STAGE_PATH, 'return', null, { reason: 'photo please' })]);
    expect(open.state.stage).toBe('returned');
    expect(open.state.stageEntry?.reason).toBe('photo please');
    open.add([entryOn(open, STAGE_PATH, 'finish', null)]);
    open.add([entryOn(open, STAGE_PATH, 'approve', null)]);
    expect(open.state.stage).toBe('approved');
  });

  test('is returned when one returned it and another approved it unseen', () => {
    open.add([entryOn(open, STAGE_PATH, 'finish', null)]);
    open.add([
      entryOn(open, STAGE_PATH, 'approve', null, { device: 1 }),
      entryOn(open, STAGE_PATH, 'return', null, { device: 2, reason: 'no' }),
    ]);
    expect(open.state.stage).toBe('returned');
  });

  test('tells what was changed after it was finished', () => {
    write(open, 'temp', 30);
    open.add([entryOn(open, STAGE_PATH, 'finish', null)]);
    write(open, 'temp', 31);
    expect(open.state.editedAfterFinish).toEqual(['temp']);
  });

  test('keeps entries about questions it does not ask', () => {
    write(open, 'gone_question', 'x');
    expect(open.state.strays).toHaveLength(1);
  });

  test('is summarised for the office', () => {
    write(open, 'look', 'bad');
    write(open, 'temp', 90);
    const summary = summarise(open.state);
    expect(summary).toMatchObject({ stage: 'under way', alerts: 1, worst: 4, asked: 5 });
    expect(summary.findings.map((finding) => finding.severity)).toEqual([4, 2]);
  });
});
