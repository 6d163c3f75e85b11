import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';
import { CIRCUIT } from './circuit.ts';

/** What is measured at room temperature is compared with four fifths of the limit, unless the client says otherwise. */
const BODY: TemplateBody = {
  title: 'Electrical certificate',
  kit: 'electrical',
  programmes: [
    {
      ...{ key: 'whole', name: 'Measured warm: the whole limit counts' },
      ...{ required: [], leftOut: [] },
    },
  ],
  sections: [
    {
      id: 'supply',
      title: 'Supply',
      questions: [
        ask('choice', {
          key: 'earthing',
          label: 'Earthing',
          options: [
            { key: 'TN-S', label: 'TN-S, own earth conductor' },
            { key: 'TN-C-S', label: 'TN-C-S, shared with neutral' },
            { key: 'TT', label: 'TT, own electrode' },
          ],
        }),
        ask('number', {
          key: 'outside_loop',
          label: 'Earth loop impedance of the supply, Ze',
          unit: 'Ohm',
          decimals: 2,
          highFrom: 'earthing == "TT" ? 200.0 : earthing == "TN-S" ? 0.8 : 0.35',
          expected: { low: 0 },
        }),
        ask('number', {
          key: 'supply_voltage',
          label: 'Voltage at the supply',
          unit: 'V',
          decimals: 0,
          expected: { low: 216, high: 253 },
        }),
        ask('number', {
          key: 'ambient',
          label: 'How warm it gets where the cables lie',
          unit: 'Cel',
          decimals: 0,
          required: false,
          carries: true,
          expected: { low: -20, high: 60 },
          suggest: '30.0',
        }),
      ],
    },
    {
      id: 'boards',
      title: 'Boards and circuits',
      questions: [
        ask('rows', {
          key: 'boards',
          label: 'Boards',
          each: 'board',
          least: 1,
          questions: [
            ask('text', { key: 'board_place', label: 'Where it hangs' }),
            ask('text', { key: 'fed_from', label: 'Fed from', required: false, carries: true }),
            ask('number', {
              key: 'board_loop',
              label: 'Earth loop at the board',
              unit: 'Ohm',
              decimals: 2,
              messages: [
                {
                  when: 'board_loop < outside_loop',
                  words:
                    'Smaller than that of the supply, which is part of it. Measure one of the two again.',
                  tone: 'warning',
                },
              ],
            }),
            ask('calculated', {
              key: 'board_fault',
              label: 'Prospective fault current',
              unit: 'kA',
              decimals: 2,
              required: false,
              formula: 'faultCurrent(supply_voltage, board_loop) / 1000.0',
            }),
            ask('rows', {
              key: 'circuits',
              label: 'Circuits',
              each: 'circuit',
              questions: CIRCUIT,
            }),
            ask('calculated', {
              key: 'worst_loop',
              label: 'Highest loop impedance of the board',
              unit: 'Ohm',
              decimals: 2,
              required: false,
              formula: 'most(circuits, "earth_loop")',
            }),
          ],
        }),
      ],
    },
    {
      id: 'seen',
      title: 'Observations',
      questions: [
        ask('rows', {
          key: 'observations',
          label: 'Observations',
          each: 'observation',
          required: false,
          questions: [
            ask('choice', {
              key: 'code',
              label: 'Code',
              options: [
                { key: 'C1', label: 'C1, danger there now', severity: 4 },
                { key: 'C2', label: 'C2, may become dangerous', severity: 3 },
                { key: 'C3', label: 'C3, better put right', severity: 1 },
                { key: 'FI', label: 'FI, to be looked into', severity: 3 },
              ],
              whenAmiss: { photo: true, action: 'Have it put right' },
            }),
            ask('text', { key: 'seen_where', label: 'Where' }),
            ask('text', { key: 'seen_what', label: 'What it is' }),
          ],
        }),
      ],
    },
    {
      id: 'close',
      title: 'Declaration',
      questions: [
        ask('date', { key: 'next_test', label: 'Next inspection by' }),
        signed('certified', 'Signature of the tester'),
      ],
    },
  ],
};

export const CERTIFICATE = starter('certificate', BODY);
