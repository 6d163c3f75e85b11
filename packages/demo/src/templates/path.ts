import type { DemoTemplate } from './demo-template.ts';
import { closing, yesNo } from './round.ts';

export const PATH: DemoTemplate = {
  key: 'path',
  version: 2,
  usual: {
    anchor_load: { mean: 12.4, scatter: 0.3 },
    clearance: { mean: 1.35, scatter: 0.05 },
  },
  body: {
    title: 'Path and refuge inspection',
    sections: [
      {
        id: 'way',
        title: 'The way',
        questions: [
          {
            kind: 'choice',
            key: 'surface',
            label: 'Surface',
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              action: 'Send the path crew',
            },
            options: [
              { key: 'good', label: 'Sound', severity: 0 },
              { key: 'worn', label: 'Worn', severity: 1 },
              { key: 'washed', label: 'Washed out', severity: 2 },
              { key: 'gone', label: 'Gone in places', severity: 4 },
            ],
          },
          {
            kind: 'number',
            key: 'clearance',
            label: 'Narrowest place',
            unit: 'm',
            decimals: 2,
            expected: { low: 0.9 },
            required: true,
            whenAmiss: {
              photo: true,
              severity: 2,
              action: 'Widen the narrow place',
            },
          },
          {
            kind: 'number',
            key: 'anchor_load',
            label: 'Anchor held at',
            unit: 'kN',
            decimals: 1,
            expected: { low: 10 },
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              severity: 4,
              action: 'Set a new anchor',
            },
          },
          yesNo('signs', 'Signs readable?', 'Repaint the signs'),
        ],
      },
      {
        id: 'refuge',
        title: 'Shelter and rescue',
        questions: [
          yesNo('phone', 'Emergency telephone answers?', 'Mend the emergency telephone'),
          yesNo('stretcher', 'Stretcher in its place?', 'Bring a stretcher'),
          {
            kind: 'choices',
            key: 'weather',
            label: 'Weather on the way',
            required: false,
            options: [
              { key: 'dry', label: 'Dry' },
              { key: 'rain', label: 'Rain' },
              { key: 'ice', label: 'Ice' },
              { key: 'wind', label: 'Strong wind' },
            ],
          },
        ],
      },
      { id: 'close', title: 'Leaving', questions: closing },
    ],
  },
};
