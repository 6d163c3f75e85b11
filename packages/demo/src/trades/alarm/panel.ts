import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';

const BODY: TemplateBody = {
  title: 'Alarm panel inspection',
  kit: 'alarm',
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
        ask('number', {
          key: 'battery_measured',
          label: 'Battery, capacity measured',
          unit: 'A.h',
          decimals: 1,
          required: false,
          expected: { low: 0 },
        }),
        ask('calculated', {
          key: 'battery_left',
          label: 'Left of the battery',
          required: false,
          unit: '%',
          decimals: 0,
          formula: 'batteryLeft(battery_measured, battery)',
          expected: { low: 80 },
          whenAmiss: { severity: 3, action: 'Plan a new battery before it fails' },
        }),
        ask('calculated', {
          key: 'lasts',
          label: 'It lasts on standby',
          required: false,
          unit: 'h',
          decimals: 1,
          formula:
            'standbyHours(given.battery_measured ? battery_measured : battery, standby, alarm)',
          expected: { low: 24 },
          whenAmiss: { severity: 3, action: 'Fit a larger battery' },
        }),
        ask('rows', {
          key: 'switched_off',
          label: 'Switched off for the inspection',
          each: 'part',
          required: false,
          questions: [
            ask('time', { key: 'off_at', label: 'Off at' }),
            ask('yesNo', {
              key: 'on_again',
              label: 'On again?',
              neverBlank: true,
              checks: [
                {
                  must: 'on_again == "yes"',
                  words: 'It must be on again before you leave, or somebody keeps watch for it.',
                },
              ],
            }),
          ],
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
            ask('text', { key: 'zone', label: 'Zone', required: false, carries: true }),
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
