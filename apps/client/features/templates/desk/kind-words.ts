import type { QuestionKind } from '@ant-trail/core/sheet';

export const CATEGORIES = [
  'Judging',
  'Measuring',
  'Words and times',
  'Evidence',
  'Structure',
] as const;

/** What the builder calls a kind of question, and when to use it. */
export interface KindWords {
  readonly name: string;
  readonly about: string;
  readonly category: (typeof CATEGORIES)[number];
}

export const KIND_WORDS: Readonly<Record<QuestionKind, KindWords>> = {
  yesNo: {
    name: 'Yes, no or not applicable',
    about: 'Something that is as it should be, or not',
    category: 'Judging',
  },
  choice: {
    name: 'One choice',
    about: 'One of several answers, each with its severity and points',
    category: 'Judging',
  },
  choices: {
    name: 'Several choices',
    about: 'Everything that applies, out of a list',
    category: 'Judging',
  },
  performed: {
    name: 'Performed or not performed',
    about: 'A task to do and to say that it was done',
    category: 'Judging',
  },
  acknowledge: {
    name: 'Instruction to acknowledge',
    about: 'Something to read and to take note of before going on',
    category: 'Judging',
  },
  number: {
    name: 'Number with a unit',
    about: 'A reading or a count, with its expected range',
    category: 'Measuring',
  },
  instrument: {
    name: 'Value from an instrument',
    about: 'Taken over from a connected instrument, or typed when it fails',
    category: 'Measuring',
  },
  calculated: {
    name: 'Calculated value',
    about: 'Computed from other answers while they are given',
    category: 'Measuring',
  },
  percentage: {
    name: 'Percentage',
    about: 'A share of a whole, from 0 to 100',
    category: 'Measuring',
  },
  shares: {
    name: 'Percentages of a whole',
    about: 'Several shares that must come to 100 together',
    category: 'Measuring',
  },
  text: { name: 'Words', about: 'Free words, typed or dictated', category: 'Words and times' },
  phone: {
    name: 'Telephone number',
    about: 'A number to call, with the right keypad',
    category: 'Words and times',
  },
  email: { name: 'E-mail address', about: 'An address to write to', category: 'Words and times' },
  date: { name: 'Day', about: 'A day of the calendar', category: 'Words and times' },
  time: { name: 'Time of day', about: 'Hours and minutes', category: 'Words and times' },
  moment: {
    name: 'Day and time',
    about: 'When something happened or will happen, by the place’s clock',
    category: 'Words and times',
  },
  address: {
    name: 'Address',
    about: 'Where something is, in words and by position',
    category: 'Words and times',
  },
  code: {
    name: 'Scanned code',
    about: 'A QR code or bar code, scanned or typed by its number',
    category: 'Words and times',
  },
  lookup: {
    name: 'Lookup in a catalogue',
    about:
      'A row of a catalogue, or a thing, a contact, a client the office knows, found by search, with what is known of it',
    category: 'Words and times',
  },
  photo: {
    name: 'Photos',
    about: 'One or more photos, each with its comment',
    category: 'Evidence',
  },
  video: { name: 'Short video', about: 'Recorded on the spot, kept short', category: 'Evidence' },
  voice: { name: 'Voice note', about: 'Spoken words as a recording', category: 'Evidence' },
  file: {
    name: 'File',
    about: 'A document from the phone, such as a test protocol',
    category: 'Evidence',
  },
  signature: {
    name: 'Signature',
    about: 'Signed with a finger, the name beside it',
    category: 'Evidence',
  },
  hold: {
    name: 'Hold point',
    about: 'A second qualified person passes the step before work goes on',
    category: 'Evidence',
  },
  sketch: {
    name: 'Sketch',
    about: 'Drawn by hand or straight, with symbols and words, over a picture if wanted',
    category: 'Evidence',
  },
  rows: {
    name: 'Row group',
    about: 'The same questions for each of several things',
    category: 'Structure',
  },
};
