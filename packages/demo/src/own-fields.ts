import {
  factsFound,
  wordsFound,
  type Facts,
  type Field,
  type FieldHolder,
} from '@ant-trail/core/fields';

interface Own {
  readonly fields: readonly Field[];
  readonly reported: readonly string[];
}

/** What the Assembly’s office wants to know of its jobs, places and clients besides. */
export const OWN_FIELDS: Record<FieldHolder, Own> = {
  job: {
    fields: [
      { kind: 'text', key: 'order', label: 'Order number', required: false },
      {
        ...{ kind: 'choice', key: 'paid_by', label: 'Paid by', required: false },
        options: [
          { key: 'assembly', label: 'Assembly' },
          { key: 'client', label: 'Client' },
          { key: 'warranty', label: 'Warranty' },
        ],
      },
    ],
    reported: ['order'],
  },
  place: {
    fields: [
      { kind: 'text', key: 'plot', label: 'Plot number', required: false },
      {
        ...{ kind: 'choice', key: 'winter', label: 'Reached in winter', required: false },
        options: [
          { key: 'foot', label: 'On foot' },
          { key: 'ropeway', label: 'By ropeway only' },
          { key: 'not', label: 'Not at all' },
        ],
      },
    ],
    reported: ['plot'],
  },
  client: {
    fields: [
      { kind: 'number', key: 'within', label: 'Wants reports within', unit: 'd', required: false },
    ],
    reported: [],
  },
};

/** Facts as their row is kept. */
export function ownColumns(holder: FieldHolder, own: Facts) {
  const found = factsFound(OWN_FIELDS[holder].fields, own);
  return { own, own_found: found, own_words: wordsFound(found) };
}
