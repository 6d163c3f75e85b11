import type { DemoTemplate } from './demo-template.ts';
import { closing, yesNo } from './round.ts';

export const BOARD: DemoTemplate = {
  key: 'board',
  version: 4,
  usual: {
    insulation: { mean: 180, scatter: 18 },
    trip_time: { mean: 24, scatter: 3 },
    neutral_temp: { mean: 27, scatter: 1.5, season: 2 },
    earth_loop: { mean: 0.71, scatter: 0.03 },
  },
  body: {
    title: 'Switchboard check',
    demands: { credentials: ['Electrical licence'], skills: ['insulation testing'] },
    sections: [
      {
        id: 'look',
        title: 'Looking and feeling',
        questions: [
          {
            kind: 'acknowledge',
            key: 'permit',
            label: 'You hold the permit and wear the gloves',
            required: true,
          },
          yesNo('covers', 'All covers on and tight?', 'Fit the missing covers'),
          yesNo('labels', 'Every circuit labelled?', 'Label the circuits'),
          {
            kind: 'number',
            key: 'neutral_temp',
            label: 'Neutral bar, temperature',
            unit: 'Cel',
            decimals: 1,
            expected: { high: 45 },
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              severity: 3,
              action: 'Re-make the neutral joints',
            },
          },
        ],
      },
      {
        id: 'test',
        title: 'Measuring',
        questions: [
          {
            kind: 'number',
            key: 'insulation',
            label: 'Insulation resistance at 500 V',
            unit: 'MOhm',
            decimals: 0,
            expected: { low: 1 },
            required: true,
            whenAmiss: {
              reason: true,
              severity: 3,
              action: 'Find the circuit that leaks',
            },
          },
          {
            kind: 'number',
            key: 'trip_time',
            label: 'Residual current device, trip time',
            unit: 'ms',
            decimals: 0,
            expected: { high: 300 },
            required: true,
            whenAmiss: {
              photo: true,
              severity: 4,
              action: 'Change the residual current device',
            },
          },
          {
            kind: 'number',
            key: 'earth_loop',
            label: 'Earth loop impedance, main socket circuit',
            help: 'Limit for a B32 breaker is 1.37 Ω; at room temperature 80 % of it counts.',
            unit: 'Ohm',
            decimals: 2,
            expected: { high: 1.1 },
            required: true,
            whenAmiss: {
              reason: true,
              severity: 3,
              action: 'Mend the earth of this circuit',
            },
          },
        ],
      },
      { id: 'close', title: 'Leaving', questions: closing },
    ],
  },
};
