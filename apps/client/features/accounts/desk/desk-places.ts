/** The desk's places, in the order of its navigation. */
export const DESK_PLACES = [
  { href: '/day', word: 'Day' },
  { href: '/review', word: 'Review' },
  { href: '/actions', word: 'Actions' },
  { href: '/jobs', word: 'Jobs' },
  { href: '/rounds', word: 'Rounds' },
  { href: '/records', word: 'Records' },
  { href: '/places', word: 'Places' },
  { href: '/map', word: 'Map' },
  { href: '/templates', word: 'Templates' },
  { href: '/catalogues', word: 'Catalogues' },
  { href: '/documents', word: 'Documents' },
  { href: '/people', word: 'People' },
  { href: '/hours', word: 'Hours' },
  { href: '/sent', word: 'Sent' },
] as const;

export type DeskPlace = (typeof DESK_PLACES)[number];
