import type { DemoTemplate } from './demo-template.ts';
import { closing, yesNo } from './round.ts';

export const TURBINE: DemoTemplate = {
  key: 'turbine',
  version: 5,
  usual: {
    bearing_vibration: { mean: 2.1, scatter: 0.2 },
    bearing_temp: { mean: 52, scatter: 1.8, season: 2 },
    head: { mean: 14.2, scatter: 0.2 },
    power: { mean: 410, scatter: 16, season: -30 },
  },
  body: {
    title: 'Turbine round',
    sections: [
      {
        id: 'running',
        title: 'Running',
        questions: [
          {
            kind: 'choice',
            key: 'mode',
            label: 'How is it running?',
            required: true,
            options: [
              { key: 'automatic', label: 'On automatic' },
              { key: 'hand', label: 'By hand', severity: 1 },
              { key: 'standing', label: 'Standing still', severity: 2 },
            ],
          },
          {
            kind: 'yesNo',
            key: 'switched',
            label: 'Switch it to automatic. Was it switched?',
            required: true,
            visibleWhen: 'mode == "hand"',
            whenAmiss: {
              reason: true,
              severity: 2,
              action: 'Mend the automatic control',
            },
          },
          {
            kind: 'number',
            key: 'power',
            label: 'Power',
            unit: 'kW',
            decimals: 0,
            expected: { low: 300, high: 480 },
            required: true,
            visibleWhen: 'mode != "standing"',
          },
          {
            kind: 'number',
            key: 'head',
            label: 'Pressure before the nozzle',
            unit: 'bar',
            decimals: 1,
            expected: { low: 13, high: 15.5 },
            required: true,
          },
        ],
      },
      {
        id: 'bearing',
        title: 'Bearing',
        questions: [
          {
            kind: 'number',
            key: 'bearing_vibration',
            label: 'Bearing, vibration',
            unit: 'mm/s',
            decimals: 2,
            expected: { high: 4.5 },
            vibrationClass: 'III',
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              severity: 3,
              action: 'Plan a bearing change',
            },
          },
          {
            kind: 'number',
            key: 'bearing_temp',
            label: 'Bearing, temperature',
            unit: 'Cel',
            decimals: 1,
            expected: { high: 70 },
            required: true,
            whenAmiss: {
              reason: true,
              severity: 3,
              action: 'Check the cooling water',
            },
          },
          yesNo('leaks', 'Dry under the shaft seal?', 'Re-pack the shaft seal'),
        ],
      },
      { id: 'close', title: 'Leaving', questions: closing },
    ],
  },
};
