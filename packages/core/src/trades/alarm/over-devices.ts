import type { Reckoned, Reckoning, SheetAnswers } from '../kit.ts';
import { rowsOf } from '../rows-of.ts';
import { devicesDue } from './due.ts';
import { DEVICES, SWITCHED_OFF, TRIED, VISITS } from './keys/index.ts';

/** Goes over all devices and over what was switched off to try them. */
export const OVER_DEVICES: Reckoning = {
  results: [
    {
      ...{ name: 'devicesTried', label: 'Devices tried', type: 'double' },
      about: 'How many devices were set off, whether they answered or not.',
    },
    {
      ...{ name: 'devicesLeft', label: 'Not tried', type: 'double' },
      about: 'How many devices were not set off yet.',
    },
    {
      ...{ name: 'triedShare', label: 'Of all', type: 'double', unit: '%' },
      about: 'The share of devices that were set off, in percent.',
    },
    {
      ...{
        name: 'devicesDue',
        label: 'Due at this visit',
        type: 'double',
        needs: VISITS,
        aside: true,
      },
      about:
        'How many devices are due at this visit: a share of all, those tried longest ago first (common practice).',
    },
    {
      ...{
        name: 'dueLeft',
        label: 'Due and not tried',
        type: 'double',
        needs: VISITS,
        aside: true,
      },
      about: 'How many of those that are due were not set off yet.',
    },
    {
      ...{ name: 'stillOff', label: 'Still switched off', type: 'double' },
      about: 'How much of what was switched off is not switched on again.',
    },
  ],
  run: (answers: SheetAnswers): Reckoned => {
    const devices = rowsOf(answers[DEVICES]);
    const tried = devices.filter((device) => device[TRIED] !== undefined).length;
    const off = rowsOf(answers[SWITCHED_OFF]).filter((each) => each['on_again'] !== 'yes');
    const due = devicesDue(answers);
    const dueLeft = devices.filter((device, at) => due.has(at) && device[TRIED] === undefined);
    return {
      ...(devices.length > 0
        ? {
            devicesTried: tried,
            devicesLeft: devices.length - tried,
            triedShare: (tried / devices.length) * 100,
            ...{ devicesDue: due.size, dueLeft: dueLeft.length },
          }
        : {}),
      stillOff: off.length,
    };
  },
};
