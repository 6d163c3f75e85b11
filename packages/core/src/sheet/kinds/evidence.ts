import {
  filePath,
  photoPath,
  type AnswerValue,
  type FileValue,
  type HoldValue,
  type PhotoValue,
  type SignatureValue,
  type SketchValue,
} from '../../log/index.ts';
import type {
  FileQuestion,
  HoldQuestion,
  PhotoQuestion,
  SignatureQuestion,
  SketchQuestion,
  VideoQuestion,
  VoiceQuestion,
} from '../template.ts';
import { SAMPLE, type KindRules, type SampleAt } from './rules.ts';

const has = <Value extends AnswerValue>(value: unknown, field: string): value is Value =>
  typeof value === 'object' && value !== null && field in value;

export const isPhoto = (value: unknown): value is PhotoValue =>
  has<PhotoValue>(value, 'sha256') && 'width' in value;
export const isFile = (value: unknown): value is FileValue =>
  has<FileValue>(value, 'sha256') && 'name' in value;
export const isHold = (value: unknown): value is HoldValue => has<HoldValue>(value, 'verdict');
export const isSignature = (value: unknown): value is SignatureValue =>
  has<SignatureValue>(value, 'strokes') && !isHold(value);
export const isSketch = (value: unknown): value is SketchValue => has<SketchValue>(value, 'shapes');

const evidence = {
  celType: null,
  mayCloseOut: true,
  carries: false,
} as const;

/** A picture or recording that stands for a real one while a template is tried. */
const MEDIA = {
  sha256: '0'.repeat(64),
  bytes: 1,
  takenAt: '2000-01-01T00:00:00Z',
  comment: '',
} as const;

const STROKES = [
  [
    [0.1, 0.2],
    [0.5, 0.1],
    [0.9, 0.2],
  ],
] as const;

export const photo: KindRules<PhotoQuestion> = {
  ...evidence,
  sample: (_, { path }) => ({
    path: photoPath(path, SAMPLE),
    value: { ...MEDIA, type: 'image/jpeg', width: 4, height: 3 },
  }),
  keeps: 'photos',
  problem: () => 'Photos are added to this question one by one.',
  say: (_, value) => (isPhoto(value) ? value.comment || 'Photo' : 'Photo'),
};

/** The longest recording, in seconds, where the template sets none. */
export const LONGEST_RECORDING = { video: 30, voice: 180 } as const;

const recording = (what: string, type: string) => ({
  keeps: 'files' as const,
  sample: (_: unknown, { path }: SampleAt) => ({
    path: filePath(path, SAMPLE),
    value: { ...MEDIA, type, name: what },
  }),
  problem: () => `Add the ${what.toLowerCase()} to this question one by one.`,
  say: (_: unknown, value: AnswerValue) =>
    isFile(value) ? value.comment || sayFile(what, value) : what,
});

const sayFile = (what: string, { name, seconds }: FileValue): string =>
  seconds === undefined ? name : `${what}, ${Math.round(seconds)} s`;

export const video: KindRules<VideoQuestion> = {
  ...evidence,
  ...recording('Video', 'video/webm'),
};

export const voice: KindRules<VoiceQuestion> = {
  ...evidence,
  ...recording('Voice note', 'audio/webm'),
};

export const file: KindRules<FileQuestion> = {
  ...evidence,
  ...recording('File', 'application/pdf'),
};

export const signature: KindRules<SignatureQuestion> = {
  ...evidence,
  keeps: 'value',
  mayCloseOut: false,
  alwaysSeen: true,
  ofOneVisit: true,
  neverCorrected: true,
  sample: (_, { path }) => ({ path, value: { name: 'Somebody', strokes: STROKES } }),
  problem: (_, value) =>
    isSignature(value) &&
    value.name.trim() !== '' &&
    (value.typed === true) !== value.strokes.length > 0
      ? null
      : 'A signature needs a name, and is drawn or given by typing it.',
  say: (_, value) => {
    if (!isSignature(value)) return 'Signed';
    return `Signed by ${value.name}${value.typed ? ', by typing the name' : ''}`;
  },
};

export const hold: KindRules<HoldQuestion> = {
  ...evidence,
  celType: 'string',
  keeps: 'value',
  mayCloseOut: false,
  judged: true,
  alwaysSeen: true,
  ofOneVisit: true,
  neverCorrected: true,
  sample: (_, { path }) => ({
    path,
    value: {
      verdict: 'passed',
      name: 'A second person',
      person: SAMPLE,
      strokes: [],
      proof: SAMPLE,
    },
  }),
  problem: (_, value) => {
    if (!isHold(value) || value.name.trim() === '') return 'Say who passes it.';
    if (value.person === '' && value.strokes.length === 0)
      return 'Somebody from outside signs with their own name.';
    return value.verdict === 'refused' && !value.note?.trim() ? 'Say why it is refused.' : null;
  },
  say: (_, value) => {
    if (!isHold(value)) return '';
    const note = value.note ? `: ${value.note}` : '';
    const how = value.proof === undefined ? '' : ', by a code from their own phone';
    return `${value.verdict === 'passed' ? 'Passed' : 'Refused'} by ${value.name}${how}${note}`;
  },
  expose: (_, value) => (isHold(value) ? value.verdict : ''),
  severity: (question, value) =>
    isHold(value) && value.verdict === 'refused' ? (question.whenAmiss?.severity ?? 3) : 0,
};

export const sketch: KindRules<SketchQuestion> = {
  ...evidence,
  carries: true,
  keeps: 'value',
  alwaysSeen: true,
  sample: (_, { path }) => ({
    path,
    value: { height: 0.75, shapes: [{ kind: 'circle', at: [0.5, 0.4], radius: 0.2 }] },
  }),
  problem: ({ symbols = [] }, value) => {
    if (!isSketch(value) || (value.shapes.length === 0 && !value.under))
      return 'Draw something first.';
    const known = value.shapes.every(
      (shape) => shape.kind !== 'symbol' || symbols.some(({ key }) => key === shape.symbol),
    );
    return known ? null : 'The sketch has a symbol that this question does not offer.';
  },
  say: (_, value) => {
    const count = isSketch(value) ? value.shapes.length : 0;
    return `Sketch, ${count} ${count === 1 ? 'thing' : 'things'} drawn`;
  },
};
