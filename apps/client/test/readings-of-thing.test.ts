import 'fake-indexeddb/auto';
import type { TemplateBody } from '@ant-trail/core/sheet';
import { readingsOfThing } from '../features/story/field/readings-of-thing.ts';
import { LocalStore } from '@/device/local-store.ts';
import { ON_PHONE } from '@/faces/on-phone.ts';

const SITE = '66666666-6666-4666-8666-666666666661';
const PUMP = '77777777-7777-4777-8777-777777777771';
const OTHER = '77777777-7777-4777-8777-777777777772';
const TEMPLATE = '88888888-8888-4888-8888-888888888888';
const flow = {
  ...{ kind: 'number' as const, key: 'flow', label: 'Flow', unit: 'L/s', required: false },
  expected: { low: 10 },
};
const BODY: TemplateBody = {
  title: 'Pump round',
  sections: [
    {
      ...{ id: 's', title: 'S' },
      questions: [
        flow,
        {
          ...{ kind: 'rows', key: 'pumps', label: 'Pumps', each: 'pump', of: 'pump' },
          ...{ required: false, questions: [{ ...flow, key: 'head', label: 'Head' }] },
        },
      ],
    },
  ],
};
const pump = {
  ...{ id: PUMP, site: SITE, kind: 'pump', name: 'Pump 1', retired: false, area: false },
  ...{ within: null, condition: 'unknown' as const, facts: {}, purposes: [], alsoIn: [] },
  shape: null,
};
const points = [{ at: '2031-04-01T08:00:00Z', value: 12 }];

test('readings of a thing are those of sheets about it and of its rows, and no others', async () => {
  const store = new LocalStore('readings', ON_PHONE);
  const at = { site: SITE, template: TEMPLATE, points };
  await store.templates.bulkPut([
    { id: 'old', template: TEMPLATE, number: 9, publishedAt: '', body: { ...BODY, sections: [] } },
    { id: 'new', template: TEMPLATE, number: 10, publishedAt: '', body: BODY },
  ]);
  await store.series.bulkPut([
    { ...at, id: '1', asset: PUMP, key: 'flow' },
    { ...at, id: '2', key: `pumps/${PUMP}/head` },
    { ...at, id: '3', key: `pumps/${OTHER}/head` },
    { ...at, id: '4', asset: OTHER, key: 'flow' },
    { ...at, id: '5', key: 'flow' },
    { ...at, id: '6', asset: PUMP, key: 'asked_no_more' },
    { ...at, id: '7', asset: PUMP, key: `pumps/${OTHER}/head` },
    { ...at, id: '8', site: OTHER, asset: PUMP, key: 'flow' },
  ]);
  expect(await readingsOfThing(store, pump)).toEqual([
    { id: '1', label: 'Flow', unit: 'L/s', expected: { low: 10 }, points },
    { id: '2', label: 'Head', unit: 'L/s', expected: { low: 10 }, points },
  ]);
});
