import {
  entryHash,
  photoPath,
  reasonPath,
  STAGE_PATH,
  timeOrderedId,
  type AnswerValue,
  type Entry,
  type EntryKind,
  type SignatureValue,
} from '@ant-trail/core/log';
import {
  isReading,
  OpenSheet,
  questionAtPath,
  type Question,
  type SheetPlan,
  type SheetState,
} from '@ant-trail/core/sheet';
import type { Chance } from './chance.ts';
import type { DemoPicture } from './pictures.ts';
import type { Given } from './trades/given.ts';

export interface Author {
  readonly person: string;
  readonly name: string;
  readonly device: string;
}

const REASONS = [
  'Stiff, and it squeals when it moves.',
  'Was like this when I came.',
  'Loose again since the storm.',
  'Worn through at the edge.',
  'Not there; somebody must have borrowed it.',
];
const READING_REASONS = [
  'Read it twice, ten minutes apart.',
  'Not as last time; it had been running all morning.',
  'Same on the second instrument.',
  'Checked again with the cover closed.',
];
const COMMENTS = [
  'Seen from the door.',
  'Close up.',
  'Left side.',
  'As I found it.',
  'After cleaning.',
];
const REMARKS = [
  'Padlock is stiff, take oil.',
  'Warden asks for a new broom.',
  'Path muddy at the last bend.',
  'All quiet.',
];

/** Writes the log of one sheet as a technician would: question by question, a little apart in time. */
export class WalkedSheet {
  readonly entries: Entry[] = [];
  private readonly open: OpenSheet;
  private readonly last = new Map<string, Entry>();
  private clock: number;

  constructor(
    private readonly sheet: string,
    private readonly plan: SheetPlan,
    private readonly chance: Chance,
    private readonly chains: Map<string, string>,
    private readonly pictures: readonly DemoPicture[],
    begun: Date,
  ) {
    this.open = new OpenSheet(plan);
    this.clock = begun.getTime();
  }

  get state(): SheetState {
    return this.open.state;
  }

  /** Answers everything asked; `until` stops part of the way (0 to 1), `trouble` is how often a no comes. */
  fill(
    author: Author,
    reading: (key: string) => number | null,
    { until = 1, trouble = 0.035 }: { until?: number; trouble?: number } = {},
  ): this {
    const planned = this.plan.body.sections.flatMap((section) => section.questions);
    for (const { key } of planned.slice(0, Math.floor(planned.length * until)))
      this.fillAt(key, author, reading, trouble);
    return this;
  }

  private fillAt(
    path: string,
    author: Author,
    reading: (key: string) => number | null,
    trouble: number,
  ): void {
    const state = questionAtPath(this.open.state, path);
    if (!state) return;
    const { question } = state;
    if (question.kind === 'rows') {
      for (const row of state.rows)
        for (const { key } of question.questions)
          this.fillAt(`${row.path}/${key}`, author, reading, trouble);
      return;
    }
    const value = this.answerFor(question, reading, author, trouble);
    if (value !== null)
      this.write(author, path, 'answer', value, {
        ...(question.kind === 'number' || question.kind === 'instrument'
          ? { unit: question.unit }
          : {}),
      });
    const after = questionAtPath(this.open.state, path);
    if (after?.asksReason)
      this.write(
        author,
        reasonPath(path),
        'answer',
        this.chance.pick(isReading(question) ? READING_REASONS : REASONS),
      );
    const wantsPhoto = question.kind === 'photo' && this.chance.happens(0.4);
    if (after?.asksPhoto || wantsPhoto) this.photo(author, path);
  }

  /** Gives these answers, one after the other, and a photo where one asks for it or is one. */
  say(author: Author, given: readonly Given[]): this {
    for (const { path, value, unit } of given) {
      if (questionAtPath(this.open.state, path)?.question.kind === 'photo') {
        this.photo(author, path);
        continue;
      }
      this.write(author, path, 'answer', value, unit === undefined ? {} : { unit });
      if (questionAtPath(this.open.state, path)?.asksPhoto) this.photo(author, path);
    }
    return this;
  }

  /** Signs under one's own name; somebody who lives there does it under theirs, on the same phone. */
  sign(author: Author, path: string, name = author.name): this {
    return this.write(author, path, 'answer', scribble(this.chance, name));
  }

  finish(author: Author): this {
    return this.write(author, STAGE_PATH, 'finish', this.open.cover);
  }

  approve(author: Author, at: Date): this {
    this.clock = at.getTime();
    return this.write(author, STAGE_PATH, 'approve', this.open.cover);
  }

  giveBack(author: Author, at: Date, reason: string): this {
    this.clock = at.getTime();
    return this.write(author, STAGE_PATH, 'return', null, { reason });
  }

  private answerFor(
    question: Question,
    reading: (key: string) => number | null,
    author: Author,
    trouble: number,
  ): AnswerValue | null {
    const { chance } = this;
    switch (question.kind) {
      case 'yesNo':
        return chance.happens(1 - trouble) ? 'yes' : chance.happens(0.7) ? 'no' : 'na';
      case 'choice': {
        const [first] = question.options;
        return chance.happens(0.9)
          ? (first?.key ?? null)
          : chance.pick(question.options.slice(0, 3)).key;
      }
      case 'choices':
        return chance.happens(0.93)
          ? question.options.slice(0, 1).map((option) => option.key)
          : [chance.pick(question.options).key];
      case 'number':
      case 'instrument': {
        const value = reading(question.key);
        return value === null ? null : Number(value.toFixed(question.decimals ?? 1));
      }
      case 'percentage':
        return Math.round(chance.between(20, 95));
      case 'shares': {
        const [first, second] = question.parts;
        const share = Math.round(chance.between(30, 70));
        return first && second
          ? { shares: { [first.key]: share, [second.key]: 100 - share } }
          : null;
      }
      case 'performed':
        return chance.happens(1 - trouble) ? 'done' : 'not';
      case 'text':
        return question.required || chance.happens(0.3) ? chance.pick(REMARKS) : null;
      case 'date':
        return new Date(this.clock - 40 * 86_400_000).toISOString().slice(0, 10);
      case 'acknowledge':
        return true;
      case 'signature':
        return scribble(chance, author.name);
      case 'code':
        return { code: `TH-${Math.round(chance.between(1000, 9999))}`, how: 'scanned' };
      case 'time':
        return '07:40';
      default:
        return null;
    }
  }

  private photo(author: Author, key: string): void {
    const picture = this.chance.pick(this.pictures);
    const at = new Date(this.clock).toISOString();
    this.write(author, photoPath(key, this.chance.uuid()), 'answer', {
      sha256: picture.sha256,
      type: 'image/jpeg',
      bytes: picture.bytes.length,
      width: picture.width,
      height: picture.height,
      takenAt: at,
      comment: this.chance.pick(COMMENTS),
    });
  }

  private write(
    author: Author,
    path: string,
    kind: EntryKind,
    value: AnswerValue | null,
    more: { unit?: string; reason?: string } = {},
  ): this {
    this.clock += Math.round(this.chance.between(15, 75)) * 1000;
    const before = this.last.get(path);
    const entry: Entry = {
      id: timeOrderedId(this.clock, this.chance.bytes(16)),
      sheet: this.sheet,
      path,
      kind,
      value,
      ...more,
      seen: before ? [before.id] : [],
      by: author.person,
      device: author.device,
      at: new Date(this.clock).toISOString(),
      prev: this.chains.get(author.device) ?? null,
    };
    this.last.set(path, entry);
    this.chains.set(author.device, entryHash(entry));
    this.entries.push(entry);
    this.open.add([entry]);
    return this;
  }
}

function scribble(chance: Chance, name: string): SignatureValue {
  const stroke: [number, number][] = [];
  let x = 0.08;
  for (let i = 0; i < 46; i++) {
    x += 0.017 + chance.between(-0.006, 0.006);
    stroke.push([
      Number(x.toFixed(3)),
      Number((0.2 + Math.sin(i * 0.9) * 0.09 + chance.between(-0.03, 0.03)).toFixed(3)),
    ]);
  }
  return {
    name,
    strokes: [
      stroke,
      [
        [0.1, 0.33],
        [0.75, 0.3 + chance.between(0, 0.03)],
      ],
    ],
  };
}
