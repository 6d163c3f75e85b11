import type { Catalogue } from '@ant-trail/core/catalogues';

/** What a report says of what could not be seen. */
const limits: Catalogue = {
  key: 'limits',
  name: 'Limits of inspections',
  columns: [{ key: 'words', label: 'What the report says', kind: 'text' }],
  rows: (
    [
      [
        'locked',
        'Locked',
        'It was locked on the day, and nobody had the key. Nothing is said of it: have it opened and looked at.',
      ],
      [
        'stored',
        'Things stood in front',
        'Furniture or stored things stood before it and were not moved. What lies behind may be otherwise than what was seen.',
      ],
      [
        'high',
        'Too high to reach',
        'It was seen from the ground with field glasses, not touched. Small cracks and loose slates can’t be told from there.',
      ],
      [
        'covered',
        'Covered by linings',
        'Linings were not opened. What they cover was judged by what shows at their edges, and by readings of moisture.',
      ],
      [
        'unsafe',
        'Not safe to go in',
        'It was not safe to go in. Whoever mends it should look at all of it once it is made safe.',
      ],
    ] as const
  ).map(([code, label, words]) => ({ code, label, fields: { words } })),
};

export const PROPERTY_LISTS: readonly Catalogue[] = [limits];
