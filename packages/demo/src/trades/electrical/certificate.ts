import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, numbered, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';

const BODY: TemplateBody = {
  title: 'Electrical certificate',
  sections: [
    {
      id: 'supply',
      title: 'Supply',
      questions: [
        ask('number', {
          key: 'outside_loop',
          label: 'Earth loop impedance of the supply',
          unit: 'Ohm',
          decimals: 2,
          expected: { low: 0, high: 0.8 },
        }),
        ask('number', {
          key: 'supply_voltage',
          label: 'Voltage at the supply',
          unit: 'V',
          decimals: 0,
          expected: { low: 216, high: 253 },
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
          required: false,
          starts: numbered('Board', 8),
          questions: [
            ask('text', { key: 'board_place', label: 'Where it hangs', required: false }),
            ask('rows', {
              key: 'circuits',
              label: 'Circuits',
              each: 'circuit',
              required: false,
              starts: numbered('Circuit', 24),
              questions: [
                ask('text', { key: 'feeds', label: 'What it feeds', required: false }),
                ask('choice', {
                  key: 'curve',
                  label: 'Curve of the breaker',
                  options: [
                    { key: 'B', label: 'B' },
                    { key: 'C', label: 'C' },
                    { key: 'D', label: 'D' },
                  ],
                  suggest: 'has(previous.curve) ? previous.curve : "B"',
                }),
                ask('number', {
                  key: 'rating',
                  label: 'Rating',
                  unit: 'A',
                  carries: true,
                  expected: { low: 1, high: 125 },
                  suggest: 'previous.rating',
                }),
                ask('number', {
                  key: 'conductors',
                  label: 'Resistance of its conductors, R1 + R2',
                  unit: 'Ohm',
                  decimals: 2,
                }),
                ask('calculated', {
                  key: 'loop_impedance',
                  label: 'Earth loop impedance',
                  unit: 'Ohm',
                  decimals: 2,
                  required: false,
                  formula: 'loopImpedance(outside_loop, conductors)',
                  highFrom: 'loopLimit(curve, rating) * 0.8',
                  whenAmiss: { severity: 3, action: 'Find out why the breaker would trip late' },
                }),
                ask('number', {
                  key: 'insulation',
                  label: 'Insulation resistance at 500 V',
                  unit: 'MOhm',
                  alsoIn: ['kOhm'],
                  expected: { low: 1 },
                  whenAmiss: { reason: true, severity: 4, action: 'Take the circuit out of use' },
                }),
                ask('number', {
                  key: 'trip_time',
                  label: 'Residual current device, time to trip',
                  unit: 's',
                  required: false,
                  decimals: 3,
                  expected: { high: 0.3 },
                }),
              ],
            }),
            ask('calculated', {
              key: 'worst_loop',
              label: 'Highest loop impedance of the board',
              unit: 'Ohm',
              decimals: 2,
              required: false,
              formula: 'most(circuits, "loop_impedance")',
            }),
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
