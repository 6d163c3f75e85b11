import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';

const BODY: TemplateBody = {
  title: 'Alarm panel inspection',
  sections: [
    {
      id: 'panel',
      title: 'Panel',
      questions: [
        ask('number', {
          key: 'standby',
          label: 'Standby current',
          unit: 'A',
          alsoIn: ['mA'],
          decimals: 3,
        }),
        ask('number', {
          key: 'alarm',
          label: 'Alarm current',
          unit: 'A',
          alsoIn: ['mA'],
          decimals: 3,
        }),
        ask('calculated', {
          key: 'needed',
          label: 'Battery needed',
          required: false,
          unit: 'A.h',
          decimals: 1,
          formula: 'standbyCapacity(standby, alarm)',
        }),
        ask('number', {
          key: 'battery',
          label: 'Battery fitted',
          unit: 'A.h',
          carries: true,
          photoWhen: 'battery < needed',
          lowFrom: 'needed',
          whenAmiss: { severity: 3, reason: true, action: 'Fit a larger battery' },
        }),
      ],
    },
    {
      id: 'devices',
      title: 'Devices',
      questions: [
        ask('rows', {
          key: 'devices',
          label: 'Devices',
          each: 'device',
          of: 'alarm device',
          required: false,
          least: 1,
          most: 500,
          questions: [
            ask('choice', {
              key: 'device_kind',
              label: 'What it is',
              options: [
                { key: 'smoke', label: 'Smoke detector' },
                { key: 'heat', label: 'Heat detector' },
                { key: 'call', label: 'Call point' },
                { key: 'horn', label: 'Horn' },
              ],
              suggest: 'previous.device_kind',
            }),
            ask('performed', { key: 'tried', label: 'Set off and seen at the panel' }),
            ask('yesNo', {
              key: 'clean',
              label: 'Clean?',
              visibleWhen: 'device_kind == "smoke"',
              messages: [{ when: 'clean == "no"', words: 'Blow it out from the side, never wet.' }],
            }),
            ask('yesNo', {
              key: 'cleaned_now',
              label: 'Cleaned now?',
              visibleWhen: 'clean == "no"',
              follows: 'clean',
            }),
          ],
        }),
        ask('calculated', {
          key: 'failed',
          label: 'Devices that did not answer',
          required: false,
          unit: '1',
          formula: 'size(devices.filter(d, has(d.tried) && d.tried == "not"))',
          findings: [
            {
              when: 'failed > 2',
              severity: 4,
              words: 'More than two devices did not answer',
              action: 'Keep a fire watch until the line is mended',
            },
          ],
        }),
      ],
    },
    { id: 'close', title: 'Closing', questions: [signed('keeper', 'Signature of the keeper')] },
  ],
};

export const ALARM = starter('alarm', BODY);
