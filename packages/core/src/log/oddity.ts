/** What can be odd about an entry as it arrives; it is kept all the same, and shown. */
export const ODDITIES = [
  'names itself',
  'names each other',
  'clock',
  'missing before',
  'named twice',
  'taken from',
] as const;
export type Oddity = (typeof ODDITIES)[number];

const WORDS: Record<Oddity, string> = {
  'names itself': 'It claims to have been there before it was written.',
  'names each other': 'It and another entry each claim to have been there before the other.',
  clock: 'The clock of the phone was far off.',
  'missing before': 'What the phone wrote before it has not arrived, or was changed.',
  'named twice':
    'Two entries claim to follow the same one: the phone’s store was copied or set back.',
  'taken from': 'It was written by somebody after the visit had been taken from them.',
};

export const oddityWords = (oddity: Oddity): string => WORDS[oddity];
