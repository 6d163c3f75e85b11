import type { TemplateBody } from '../../../src/sheet/index.ts';

/** A sheet that the kit for tests is needed for. */
export const WALLS: TemplateBody = {
  title: 'Walls of a hut',
  kit: 'walls',
  sections: [
    {
      id: 'air',
      title: 'Air',
      questions: [
        { kind: 'number', key: 'inside', label: 'Inside', unit: 'Cel', required: true },
        { kind: 'number', key: 'outside', label: 'Outside', unit: 'Cel', required: true },
        {
          ...{
            kind: 'calculated',
            key: 'stove',
            label: 'Stove needed',
            unit: 'W',
            required: false,
          },
          formula: 'wallLoss * 1.2',
          findings: [
            { when: 'wallLoss > 1000.0', severity: 3, words: 'More than the stove gives' },
          ],
        },
        {
          ...{ kind: 'text', key: 'why', label: 'Why so much?', required: true },
          visibleWhen: 'wallLoss > 1000.0',
        },
      ],
    },
    {
      id: 'envelope',
      title: 'Envelope',
      questions: [
        {
          ...{ kind: 'rows', key: 'walls', label: 'Walls', each: 'wall', required: true },
          questions: [
            { kind: 'number', key: 'area', label: 'Area', unit: 'm2', required: true },
            { kind: 'number', key: 'u', label: 'U-value', unit: 'W/m2/K', required: true },
            {
              ...{ kind: 'calculated', key: 'loss', label: 'Heat through it', unit: 'W' },
              ...{ required: false, formula: 'heatThrough(u, area, inside - outside)' },
            },
            {
              ...{ kind: 'calculated', key: 'share', label: 'Of all', unit: '%', required: false },
              formula: 'loss / wallLoss * 100.0',
            },
          ],
        },
      ],
    },
  ],
};
