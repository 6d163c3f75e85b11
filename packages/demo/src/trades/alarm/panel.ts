import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';
import { onSketch } from '../on-sketch.ts';

const BODY: TemplateBody = {
  title: 'Alarm panel inspection',
  kit: 'alarm',
  sections: [
    {
      id: 'panel',
      title: 'Panel',
      questions: [
        ask('date', { key: 'inspected', label: 'Day of the inspection' }),
        ask('choice', {
          key: 'visits',
          label: 'How often a year',
          help: 'At each visit a share of the devices is due, so that all are tried within the year.',
          options: [
            { key: 'once', label: 'Once: all of them' },
            { key: 'twice', label: 'Twice' },
            { key: 'quarter', label: 'Each quarter' },
            { key: 'month', label: 'Each month' },
          ],
        }),
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
            ask('performed', {
              key: 'tried',
              label: 'Set off and seen at the panel',
              required: false,
              whenAmiss: { severity: 3, action: 'Mend or replace the device' },
            }),
            ask('yesNo', {
              key: 'clean',
              label: 'Clean?',
              required: false,
              requiredWhen: 'given.tried',
              visibleWhen: 'device_kind == "smoke"',
              messages: [{ when: 'clean == "no"', words: 'Blow it out from the side, never wet.' }],
            }),
            ask('yesNo', {
              key: 'cleaned_now',
              label: 'Cleaned now?',
              visibleWhen: 'clean == "no"',
              follows: 'clean',
            }),
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
            ask('text', { key: 'zone', label: 'Zone', required: false, carries: true }),
            ask('date', {
              key: 'tried_on',
              label: 'Tried last, before today',
              required: false,
              carries: true,
            }),
            ask('date', {
              key: 'out_since',
              label: 'Out of order since',
              required: false,
              carries: true,
              findings: [
                {
                  when: 'given.out_since',
                  severity: 3,
                  words: 'Out of order',
                  action: 'Mend or replace it',
                },
              ],
            }),
            ask('date', {
              key: 'replaced_on',
              label: 'Replaced on',
              required: false,
              carries: true,
            }),
            ask('text', {
              key: 'mark_on',
              label: 'On the plan',
              required: false,
              carries: true,
            }),
            ...onSketch(true),
          ],
        }),
        ask('calculated', {
          key: 'due_left',
          label: 'Due today and not tried',
          required: false,
          unit: '1',
          decimals: 0,
          formula: 'dueLeft',
        }),
        ask('text', {
          key: 'why_left',
          label: 'Why some that are due are not tried',
          visibleWhen: 'due_left > 0.0',
        }),
        ask('rows', {
          key: 'plans',
          label: 'Plans of the house',
          help: 'One for each floor: draw it, or put a picture of it underneath. Devices are set on it above.',
          each: 'plan',
          required: false,
          questions: [ask('sketch', { key: 'floor_plan', label: 'Plan' })],
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
    {
      id: 'signals',
      title: 'Signals',
      questions: [
        ask('moment', {
          key: 'alarm_at',
          label: 'Alarm set off',
          help: 'The clock below sets it.',
          required: false,
        }),
        ask('rows', {
          key: 'signals',
          label: 'What has to follow an alarm',
          each: 'signal',
          required: false,
          starts: ['Horns', 'Call to the watch', 'Lift goes down', 'Doors let go'],
          questions: [
            ask('performed', { key: 'followed', label: 'It followed' }),
            ask('number', {
              key: 'took',
              label: 'From the alarm until then',
              help: 'Horns within 10 s, all else within 90 s (NFPA 72, from memory).',
              unit: 's',
              decimals: 1,
              required: false,
              requiredWhen: 'followed == "done"',
              visibleWhen: 'followed == "done"',
              lowFrom: '0.0',
              highFrom: 'row.name == "Horns" ? 10.0 : 90.0',
              whenAmiss: {
                severity: 4,
                reason: true,
                action: 'Find out why the signal comes late',
              },
            }),
          ],
        }),
      ],
    },
    { id: 'close', title: 'Closing', questions: [signed('keeper', 'Signature of the keeper')] },
  ],
};

export const ALARM = starter('alarm', BODY);
