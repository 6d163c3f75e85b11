import { filePath, photoPath, rowPath, type AnswerValue } from '../src/log/index.ts';
import type { Question, QuestionKind, TemplateBody } from '../src/sheet/index.ts';
import { newQuestion } from '../src/templates/index.ts';

export const EMPTY: TemplateBody = {
  title: 'T',
  sections: [{ id: 's', title: 'S', questions: [] }],
};
const strokes = [
  [
    [0.1, 0.2],
    [0.3, 0.4],
  ],
] as const;
const media = {
  sha256: 'a'.repeat(64),
  bytes: 9,
  takenAt: '2022-02-22T19:22:22Z',
  comment: 'near',
};

export interface KindCase {
  readonly good: AnswerValue | null;
  readonly bad: AnswerValue;
  /** How the good answer reads, in the read-through, in review and in the report. */
  readonly reads: string;
  /** Its value in an exported table; evidence has none. */
  readonly cell: string | number;
  readonly path?: (key: string) => string;
  readonly unit?: string;
}

/** One line for each kind: a kind that is missing here does not compile. */
export const CASES: Record<QuestionKind, KindCase> = {
  yesNo: { good: 'no', bad: 'maybe', reads: 'No', cell: 'no' },
  performed: { good: 'done', bad: 'yes', reads: 'Performed', cell: 'done' },
  acknowledge: { good: true, bad: false, reads: 'Acknowledged', cell: 'yes' },
  choice: { good: 'bad', bad: 'worse', reads: 'Bad', cell: 'bad' },
  choices: { good: ['good', 'bad'], bad: ['good', 'good'], reads: 'Good, Bad', cell: 'good; bad' },
  number: { good: 12.5, bad: 'x', reads: '12.5', cell: 12.5, unit: '1' },
  instrument: {
    good: { reading: 7, instrument: 'thermometer', serial: '42', takenAt: media.takenAt },
    bad: 'x',
    reads: '7',
    cell: 7,
    unit: '1',
  },
  percentage: { good: 40, bad: 101, reads: '40 %', cell: 40 },
  shares: {
    good: { shares: { first: 40, second: 60 } },
    bad: { shares: { first: 40, second: 50 } },
    reads: 'First 40 %, Second 60 %',
    cell: 'first=40; second=60',
  },
  calculated: { good: null, bad: 1, reads: '2', cell: 2 },
  text: { good: 'words', bad: ' ', reads: 'words', cell: 'words' },
  phone: { good: '+299 55 01 23', bad: 'call me', reads: '+299 55 01 23', cell: '+299 55 01 23' },
  email: {
    good: 'hut@tarnhollow.example',
    bad: 'hut@',
    reads: 'hut@tarnhollow.example',
    cell: 'hut@tarnhollow.example',
  },
  date: { good: '2031-04-05', bad: '2031-02-30', reads: 'day 2031-04-05', cell: '2031-04-05' },
  time: { good: '07:45', bad: '25:00', reads: '07:45', cell: '07:45' },
  moment: {
    good: '2031-04-05T07:45',
    bad: '2031-04-05',
    reads: 'day 2031-04-05, 07:45',
    cell: '2031-04-05T07:45',
  },
  address: { good: { address: 'Quay 3' }, bad: { address: ' ' }, reads: 'Quay 3', cell: 'Quay 3' },
  code: {
    good: { code: 'TH-1', how: 'typed' },
    bad: { code: ' ', how: 'typed' },
    reads: 'TH-1',
    cell: 'TH-1',
  },
  lookup: {
    good: { catalogue: 'products', row: '7', label: 'Oats', fields: { par: 12 } },
    bad: { catalogue: 'devices', row: '7', label: 'Oats', fields: {} },
    reads: 'Oats',
    cell: 'row=7; label=Oats; par=12',
  },
  photo: {
    good: { ...media, type: 'image/jpeg', width: 2, height: 2 },
    bad: 'x',
    reads: '1 photo',
    cell: '',
    path: (key) => photoPath(key, 'p1'),
  },
  video: {
    good: { ...media, type: 'video/webm', name: 'v.webm', seconds: 4 },
    bad: 'x',
    reads: 'near',
    cell: '',
    path: (key) => filePath(key, 'v1'),
  },
  voice: {
    good: { ...media, type: 'audio/webm', name: 'n.webm', comment: '', seconds: 4 },
    bad: 'x',
    reads: 'Voice note, 4 s',
    cell: '',
    path: (key) => filePath(key, 'v1'),
  },
  file: {
    good: { ...media, type: 'application/pdf', name: 'plan.pdf', comment: '' },
    bad: 'x',
    reads: 'plan.pdf',
    cell: '',
    path: (key) => filePath(key, 'v1'),
  },
  signature: {
    good: { name: 'Ada', strokes },
    bad: { name: '', strokes },
    reads: 'Signed by Ada',
    cell: '',
  },
  hold: {
    good: { verdict: 'passed', name: 'Bo', person: '', strokes },
    bad: { verdict: 'refused', name: 'Bo', person: '', strokes },
    reads: 'Passed by Bo',
    cell: 'passed',
  },
  sketch: {
    good: { height: 0.7, shapes: [{ kind: 'line', from: [0, 0], to: [1, 0.5] }] },
    bad: { height: 0.7, shapes: [] },
    reads: 'Sketch, 1 thing drawn',
    cell: '',
  },
  rows: {
    good: { order: 1, name: 'First' },
    bad: { order: 1, name: ' ' },
    reads: '1 row, 1 complete',
    cell: '',
    path: (key) => rowPath(key, 'r1'),
  },
};

/** A question of a kind that can be published as it is. */
export const questionOf = (kind: QuestionKind, label = 'Asked'): Question => {
  const made = newQuestion(kind, EMPTY, label);
  if (made.kind === 'hold') return { ...made, outside: true };
  if (made.kind === 'calculated') return { ...made, formula: '1 + 1' };
  if (made.kind !== 'rows') return made;
  return { ...made, questions: [{ kind: 'text', key: 'inner', label: 'Inner', required: false }] };
};
