import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, numbered, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';

const BOLTS = numbered('Bolt', 8);

const BODY: TemplateBody = {
  title: 'Penstock joint tightening',
  order: 'led',
  sections: [
    {
      id: 'safe',
      title: 'Make safe',
      questions: [
        ask('acknowledge', {
          key: 'drained',
          label: 'The pipe is drained, the valve is locked and tagged.',
        }),
        ask('code', { key: 'lock_tag', label: 'Number on the lock' }),
        ask('performed', { key: 'faces_clean', label: 'Faces and threads cleaned and oiled' }),
      ],
    },
    {
      id: 'gap',
      title: 'Gap',
      questions: [
        ask('rows', {
          key: 'gaps',
          label: 'Gap at four positions',
          each: 'position',
          required: false,
          fixed: true,
          starts: ['Top', 'Right', 'Bottom', 'Left'],
          questions: [
            ask('number', {
              key: 'gap',
              label: 'Gap',
              unit: 'mm',
              alsoIn: ['[in_i]'],
              decimals: 2,
            }),
          ],
        }),
        ask('calculated', {
          key: 'gap_spread',
          label: 'Widest less narrowest',
          required: false,
          unit: 'mm',
          decimals: 2,
          formula: 'most(gaps, "gap") - least(gaps, "gap")',
          expected: { high: 1 },
          whenAmiss: { severity: 3, action: 'Align the joint again' },
        }),
      ],
    },
    {
      id: 'torque',
      title: 'Tightening',
      questions: [
        ask('number', {
          key: 'bolt_force',
          label: 'Wanted force per bolt',
          unit: 'kN',
          suggest: '80',
        }),
        ask('calculated', {
          key: 'target_torque',
          label: 'Target',
          required: false,
          unit: 'N.m',
          decimals: 0,
          formula: 'boltTorque(0.16, 20.0, bolt_force)',
        }),
        ask('rows', {
          key: 'bolts',
          label: 'Bolts',
          each: 'bolt',
          required: false,
          fixed: true,
          starts: BOLTS,
          questions: [
            ask('instrument', {
              key: 'torque',
              label: 'Torque reached',
              instrument: 'wrench',
              unit: 'N.m',
              alsoIn: ['[ft_i].[lbf_av]'],
              decimals: 0,
              lowFrom: 'target_torque * 0.95',
              highFrom: 'target_torque * 1.05',
              whenAmiss: { reason: true, severity: 3 },
            }),
          ],
        }),
        ask('hold', { key: 'second_check', label: 'Joint passed by a second person' }),
      ],
    },
    { id: 'close', title: 'Record', questions: [signed('fitter', 'Signature of the fitter')] },
  ],
};

export const JOINT = starter('joint', BODY);
