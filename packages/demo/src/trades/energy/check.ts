import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';
import { AGREED_FACTS, worksAsking } from './agreed.ts';
import { points } from './points.ts';

const BODY: TemplateBody = {
  title: 'Energy check visit',
  kit: 'energy',
  sections: [
    { id: 'agreed', title: 'What was agreed', questions: AGREED_FACTS },
    {
      id: 'works',
      title: 'Measures',
      questions: [
        worksAsking(
          ask('yesNo', {
            ...{ key: 'work_holds', label: 'Is it as agreed?' },
            whenAmiss: { severity: 2, photo: true, action: 'Put the measure right' },
          }),
        ),
      ],
    },
    {
      id: 'kept',
      title: 'What came of it',
      questions: [
        ask('rows', {
          ...{ key: 'points_after', label: 'Fan test', each: 'point', required: false },
          questions: points('pressure_after', 'flow_after'),
        }),
        ask('calculated', {
          ...{ key: 'changes_found', label: 'Air changes at 50 Pa found', unit: '/h', decimals: 1 },
          ...{ required: false, formula: 'leakAfter / house_volume' },
          highFrom: 'changes_agreed * 1.1',
          help: 'Within a tenth of what was agreed.',
        }),
        ask('number', {
          ...{ key: 'days_since', label: 'Days since the work', unit: 'd', decimals: 0 },
          required: false,
          checks: [
            {
              must: 'days_since >= 90.0',
              words: 'Less than 90 days tell little of a year: leave it out, or come again.',
            },
          ],
        }),
        ask('number', {
          ...{ key: 'used_since', label: 'Used since then', unit: 'kW.h', decimals: 0 },
          ...{ required: false, visibleWhen: 'given.days_since' },
        }),
        ask('calculated', {
          ...{ key: 'use_found', label: 'Used in a year as found', unit: 'kW.h', decimals: 0 },
          ...{ required: false, formula: 'used_since / days_since * 365.0' },
          highFrom: 'use_agreed * 1.1',
          help: 'As if all days were alike: a winter says too much, a summer too little.',
        }),
      ],
    },
    {
      id: 'close',
      title: 'Closing',
      questions: [
        ask('signature', { key: 'household', label: 'Signature of the household' }),
        signed('checker', 'Your signature'),
      ],
    },
  ],
};

export const ENERGY_CHECK = starter('energy_check', BODY);
