import type { Question } from '@ant-trail/core/sheet';
import { ask } from '../../templates/asking.ts';

/** What is proposed, or was done while one was there. */
export const STANDS = [
  { key: 'proposed', label: 'Proposed' },
  { key: 'done', label: 'Done today' },
] as const;

const SOLID = 'part_kind == "wall" || part_kind == "roof" || part_kind == "floor"';
const PANE = 'part_kind == "window" || part_kind == "door"';
const FLOWS = '(part_kind == "roof" ? "up" : part_kind == "floor" ? "down" : "across")';

/** What is asked of each part of the shell. */
export const PART: readonly Question[] = [
  ask('choice', {
    key: 'part_kind',
    label: 'What it is',
    options: [
      { key: 'wall', label: 'Wall' },
      { key: 'roof', label: 'Roof' },
      { key: 'floor', label: 'Floor' },
      { key: 'window', label: 'Window' },
      { key: 'door', label: 'Door' },
    ],
  }),
  ask('number', {
    key: 'area',
    carries: true,
    label: 'Area',
    unit: 'm2',
    alsoIn: ['[sft_i]'],
    decimals: 1,
    checks: [
      {
        must: 'area > 0.0',
        words: 'An area is above 0: measure it again, or take the part out.',
      },
    ],
  }),
  ask('choice', {
    key: 'borders',
    label: 'Behind it',
    options: [
      { key: 'outside', label: 'Outside' },
      { key: 'unheated', label: 'Unheated room' },
      { key: 'ground', label: 'Ground' },
    ],
    suggest: 'part_kind == "floor" ? "ground" : "outside"',
  }),
  ask('choice', {
    key: 'faces',
    label: 'Faces',
    visibleWhen: 'part_kind == "window"',
    options: [
      { key: 'south', label: 'South' },
      { key: 'side', label: 'East or west' },
      { key: 'north', label: 'North' },
    ],
  }),
  ask('rows', {
    key: 'layers',
    label: 'Layers, from inside',
    each: 'layer',
    required: false,
    visibleWhen: `(${SOLID}) && !given.u_known`,
    questions: [
      ask('lookup', { key: 'material', label: 'Material', catalogue: 'materials' }),
      ask('number', {
        key: 'thick',
        carries: true,
        label: 'Thickness',
        unit: 'mm',
        alsoIn: ['[in_i]'],
        decimals: 0,
        checks: [{ must: 'thick > 0.0', words: 'A layer has a thickness above 0.' }],
      }),
      ask('percentage', {
        key: 'between',
        label: 'Share of studs or joists in it',
        required: false,
        expected: { low: 0, high: 40 },
      }),
      ask('calculated', {
        key: 'layer_r',
        label: 'Resists',
        required: false,
        unit: 'm2.K/W',
        decimals: 2,
        formula:
          'given.between && between > 0.0 ? bridgedLayer(thick / 1000.0, material.conductivity, 0.13, between / 100.0) : thick / 1000.0 / material.conductivity',
      }),
    ],
  }),
  ask('number', {
    key: 'u_known',
    carries: true,
    label: 'U-value, where it is known',
    required: false,
    requiredWhen: PANE,
    unit: 'W/(m2.K)',
    alsoIn: ['[Btu_IT]/(h.[sft_i].[degR])'],
    decimals: 2,
    expected: { low: 0.05, high: 6 },
    checks: [{ must: 'u_known > 0.0', words: 'A U-value is above 0: a single pane has about 5.' }],
  }),
  ask('calculated', {
    key: 'u_now',
    label: 'Lets through',
    required: false,
    unit: 'W/(m2.K)',
    decimals: 2,
    formula: `given.u_known ? u_known : count(layers, "layer_r") > 0.0 ? uValue(sum(layers, "layer_r"), ${FLOWS}) : u_known`,
  }),
  ask('lookup', {
    key: 'measure',
    label: 'Measure',
    required: false,
    catalogue: 'measures',
  }),
  ask('choice', {
    key: 'stand',
    label: 'How far it is',
    visibleWhen: 'given.measure',
    options: STANDS,
    suggest: '"proposed"',
    required: false,
  }),
];
