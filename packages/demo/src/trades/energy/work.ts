import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';
import { AGREED_FACTS, worksAsking } from './agreed.ts';

const BODY: TemplateBody = {
  title: 'Energy work order',
  sections: [
    { id: 'agreed', title: 'What is agreed', questions: AGREED_FACTS },
    {
      id: 'works',
      title: 'Measures',
      questions: [
        worksAsking(
          ask('choice', {
            key: 'work_done',
            label: 'How it went',
            options: [
              { key: 'as_agreed', label: 'Done as agreed' },
              { key: 'otherwise', label: 'Done otherwise', severity: 1 },
              { key: 'not', label: 'Not done', severity: 2 },
            ],
          }),
          ask('text', {
            ...{ key: 'work_otherwise', label: 'What is otherwise, and why' },
            visibleWhen: 'work_done == "otherwise" || work_done == "not"',
          }),
          ask('photo', { key: 'work_photos', label: 'Before and after', required: false }),
        ),
      ],
    },
    {
      id: 'after',
      title: 'When all is done',
      questions: [
        ask('yesNo', {
          ...{ key: 'draws_after', label: 'Does the chimney draw, doors and windows shut?' },
          whenAmiss: { severity: 4, action: 'Leave a window open, call the chimney warden' },
        }),
        signed('builder', 'Your signature'),
      ],
    },
  ],
};

export const ENERGY_WORK = starter('energy_work', BODY, { to: 'energy_check', days: 90 });
