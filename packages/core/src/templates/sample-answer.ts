import { filePath, photoPath, rowPath, type AnswerValue, type FileValue } from '../log/index.ts';
import type { QuestionState } from '../sheet/index.ts';

export interface SampleAnswer {
  readonly path: string;
  readonly value: AnswerValue;
}

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
const SAMPLE = 'sample';

/**
 * An answer as if somebody had given it, for kinds that nobody can give without a phone in the
 * hand: photos, recordings, signatures, sketches, rows. Null for every other kind.
 */
export function sampleAnswer({ question, path, rows }: QuestionState): SampleAnswer | null {
  const answer = (value: AnswerValue): SampleAnswer => ({ path, value });
  const file = (type: string, name: string): SampleAnswer => {
    const value: FileValue = { ...MEDIA, type, name };
    return { path: filePath(path, SAMPLE), value };
  };
  switch (question.kind) {
    case 'photo':
      return {
        path: photoPath(path, SAMPLE),
        value: { ...MEDIA, type: 'image/jpeg', width: 4, height: 3 },
      };
    case 'video':
      return file('video/webm', 'Video');
    case 'voice':
      return file('audio/webm', 'Voice note');
    case 'file':
      return file('application/pdf', 'File');
    case 'signature':
      return answer({ name: 'Somebody', strokes: STROKES });
    case 'hold':
      return answer({
        verdict: 'passed',
        name: 'A second person',
        person: SAMPLE,
        strokes: [],
        proof: SAMPLE,
      });
    case 'sketch':
      return answer({ height: 0.75, shapes: [{ kind: 'circle', at: [0.5, 0.4], radius: 0.2 }] });
    case 'shares': {
      const [first, ...rest] = question.parts;
      if (!first) return null;
      const none = Object.fromEntries(rest.map(({ key }) => [key, 0]));
      return answer({ shares: { [first.key]: 100, ...none } });
    }
    case 'rows': {
      if (question.fixed) return null;
      const number = rows.length + 1;
      return {
        path: rowPath(path, `${SAMPLE}${number}`),
        value: { order: number, name: `${question.each} ${number}` },
      };
    }
    default:
      return null;
  }
}
