import type { Question } from '@ant-trail/core/sheet';
import { ask } from '../../templates/asking.ts';

/** What is asked of a way that has something on it. */
const IN_USE = { visibleWhen: '!given.use || use != "spare"' } as const;
const OF_RING = { visibleWhen: 'wired == "ring"' } as const;
const BEHIND_RCD = { visibleWhen: 'given.rcd' } as const;

/** The current a circuit is reckoned with: as it is known, else no more than its device lets through. */
const AMPS = '(given.load ? load : device.rating)';
/** A ring shares its current over two ways; of three phases each line has its own return. */
const SPREAD = '(wired == "ring" ? 0.25 : wired == "three" ? 0.866 : 1.0)';
const EXPECTED_ENDS = 'conductorResistance(length, cable.line, cable.earth)';

/** One circuit, in the order in which it is looked at and then measured. */
export const CIRCUIT: readonly Question[] = [
  ask('text', { key: 'feeds', label: 'What it feeds', required: false, carries: true }),
  ask('choice', {
    key: 'use',
    label: 'Use',
    options: [
      { key: 'lighting', label: 'Lighting' },
      { key: 'sockets', label: 'Sockets' },
      { key: 'cooking', label: 'Cooking' },
      { key: 'heating', label: 'Heating' },
      { key: 'water', label: 'Hot water' },
      { key: 'motor', label: 'Motor' },
      { key: 'other', label: 'Other' },
      { key: 'board', label: 'Another board' },
      { key: 'spare', label: 'Spare' },
    ],
  }),
  ask('lookup', {
    ...{ key: 'device', label: 'Device', catalogue: 'protective_devices' },
    ...IN_USE,
  }),
  ask('lookup', {
    ...{ key: 'rcd', label: 'RCD', catalogue: 'residual_devices', required: false },
    ...IN_USE,
  }),
  ask('lookup', { ...{ key: 'cable', label: 'Cable', catalogue: 'cables' }, ...IN_USE }),
  ask('choice', {
    key: 'laid',
    label: 'Laid',
    help: 'The reference method of BS 7671, table 4D5.',
    options: [
      { key: 'C', label: 'C, clipped direct' },
      { key: 'A', label: 'A, conduit in insulated wall' },
      { key: '100', label: '100, thin insulation over ceiling' },
      { key: '101', label: '101, thick insulation over ceiling' },
      { key: '102', label: '102, insulated wall, at its face' },
      { key: '103', label: '103, insulated wall, inside' },
    ],
    ...IN_USE,
  }),
  ask('choice', {
    key: 'wired',
    label: 'Wired',
    options: [
      { key: 'radial', label: 'Radial' },
      { key: 'ring', label: 'Ring' },
      { key: 'three', label: 'Three phases' },
    ],
    ...IN_USE,
  }),
  ask('number', {
    key: 'beside',
    label: 'Cables beside it',
    unit: '1',
    decimals: 0,
    required: false,
    carries: true,
    expected: { low: 0, high: 20 },
    ...IN_USE,
  }),
  ask('number', {
    key: 'load',
    label: 'Load',
    unit: 'A',
    required: false,
    carries: true,
    expected: { low: 0, high: 100 },
    ...IN_USE,
  }),
  ask('number', {
    key: 'length',
    label: 'Length',
    unit: 'm',
    decimals: 0,
    required: false,
    carries: true,
    expected: { low: 0, high: 200 },
    ...IN_USE,
  }),
  ask('number', {
    ...{ key: 'ring_line', label: 'Ring r1, end to end', unit: 'Ohm', decimals: 2 },
    ...OF_RING,
  }),
  ask('number', {
    ...{ key: 'ring_earth', label: 'Ring r2, end to end', unit: 'Ohm', decimals: 2 },
    ...OF_RING,
  }),
  ask('number', {
    key: 'ring_across',
    label: 'Ring, joined across',
    unit: 'Ohm',
    decimals: 2,
    lowFrom: 'ringCross(ring_line, ring_earth) - 0.05',
    highFrom: 'ringCross(ring_line, ring_earth) + 0.05',
    ...OF_RING,
  }),
  ask('number', {
    key: 'conductors',
    label: 'R1 + R2',
    unit: 'Ohm',
    decimals: 2,
    messages: [
      {
        when: `wired != "ring" && (conductors > ${EXPECTED_ENDS} * 2.5 || conductors < ${EXPECTED_ENDS} * 0.4)`,
        words:
          'Not what a cable of this length and size has. Look at the decimal point, the length, the size.',
        tone: 'warning',
      },
      {
        when: 'conductors > earth_loop',
        words: 'More than the whole loop Zs, of which it is a part. One of the two is wrong.',
        tone: 'warning',
      },
    ],
    ...IN_USE,
  }),
  ask('number', {
    key: 'insulation',
    label: 'Insulation, 500 V',
    unit: 'MOhm',
    decimals: 0,
    offScale: true,
    expected: { low: 1 },
    whenAmiss: { reason: true, severity: 4, action: 'Take the circuit out of use' },
    ...IN_USE,
  }),
  ask('yesNo', {
    key: 'polarity',
    label: 'Polarity right?',
    whenAmiss: { severity: 4, action: 'Take the circuit out of use' },
    ...IN_USE,
  }),
  ask('number', {
    key: 'earth_loop',
    label: 'Loop Zs',
    unit: 'Ohm',
    decimals: 2,
    highFrom:
      'earthing == "TT" && given.rcd ? residualLimit(rcd.milliamps) : deviceLimit(device.curve, device.rating, use == "board" ? 5.0 : 0.4) * (programme == "whole" ? 1.0 : 0.8)',
    whenAmiss: { severity: 3, action: 'Find out why the device would trip late' },
    messages: [
      {
        when: 'earth_loop < board_loop',
        words: 'Less than at its board, which is part of it. One of the two is wrong.',
        tone: 'warning',
      },
      {
        when: 'earth_loop > (board_loop + conductors) * 2.0 + 0.2',
        words: 'Far more than the board’s loop and R1 + R2 together. Look at the decimal point.',
        tone: 'warning',
      },
    ],
    ...IN_USE,
  }),
  ask('number', {
    key: 'trip_once',
    label: 'RCD at 1×',
    unit: 'ms',
    decimals: 0,
    highFrom: 'tripLimit(1.0) * 1000.0',
    whenAmiss: { severity: 3, action: 'Change the residual current device' },
    ...BEHIND_RCD,
  }),
  ask('number', {
    key: 'trip_five',
    label: 'RCD at 5×',
    unit: 'ms',
    decimals: 0,
    highFrom: 'tripLimit(5.0) * 1000.0',
    whenAmiss: { severity: 3, action: 'Change the residual current device' },
    ...BEHIND_RCD,
  }),
  ask('calculated', {
    key: 'fault_here',
    label: 'Fault current at its device',
    unit: 'kA',
    decimals: 2,
    required: false,
    formula: 'faultCurrent(supply_voltage, board_loop) / 1000.0',
    highFrom: 'device.breaking',
    whenAmiss: { severity: 3, action: 'Fit a device that breaks it' },
    ...IN_USE,
  }),
  ask('calculated', {
    key: 'carries_amps',
    label: 'Its cable carries',
    unit: 'A',
    decimals: 1,
    required: false,
    formula:
      'laidCapacity(cable.line, laid) * groupingFactor(given.beside ? beside + 1.0 : 1.0) * ambientFactor(given.ambient ? ambient : 30.0)',
    lowFrom: 'wired == "ring" ? 20.0 : device.rating',
    whenAmiss: { severity: 3, action: 'Fit a smaller device or a larger cable' },
    ...IN_USE,
  }),
  ask('calculated', {
    key: 'drop',
    label: 'Voltage drop',
    unit: '%',
    decimals: 1,
    required: false,
    formula: `voltageDrop(cable.line, ${AMPS}, length) * ${SPREAD} / supply_voltage * 100.0`,
    highFrom: 'use == "lighting" ? 3.0 : 5.0',
    ...IN_USE,
  }),
];
