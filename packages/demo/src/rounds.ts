/** A round of the island: what is walked again and again. */
export interface DemoRound {
  readonly name: string;
  readonly who: string;
  /** RFC 5545. */
  readonly rule: string;
  readonly onHolidays: string;
  /** Minutes of the day. */
  readonly start: number;
  readonly instructions: string;
  readonly template: string;
  /** Places in the order they are walked, with how long each takes. */
  readonly stops: readonly (readonly [place: string, minutes: number])[];
}

export const ROUNDS: readonly DemoRound[] = [
  {
    ...{ name: 'Drinking water', who: 'rook', rule: 'FREQ=WEEKLY;BYDAY=MO,TH' },
    ...{ onHolidays: 'the working day after', start: 15 * 60 + 30, template: 'spring' },
    instructions: 'Bottles from the cold store; back there within two hours.',
    stops: [
      ['Filter house', 20],
      ['Upper cistern', 25],
      ['Skua spring intake', 25],
    ],
  },
  {
    ...{ name: 'Hut alarms', who: 'marn', onHolidays: 'left out', start: 16 * 60 },
    rule: 'FREQ=WEEKLY;INTERVAL=2;BYMONTH=1,2,3,4,5,6,7,9,10,11,12;BYDAY=TU',
    ...{ instructions: 'Tell the wardens before the horns sound.', template: 'hut' },
    stops: [
      ['Eider hut', 30],
      ['Kittiwake hut', 30],
    ],
  },
  {
    ...{ name: 'Paths after the winter', who: 'jory', onHolidays: 'as ever', start: 8 * 60 },
    rule: 'FREQ=YEARLY;BYMONTH=3;BYDAY=1MO',
    ...{ instructions: 'Stones on the steps, anchors, rails.', template: 'path' },
    stops: [
      ['Cliff path north', 60],
      ['Chain bridge', 50],
      ['Lantern stairs', 45],
    ],
  },
];

/** Days after the demo begins on which nobody works. */
export const HOLIDAYS: readonly (readonly [days: number, name: string])[] = [
  [11, 'Lantern day'],
  [47, 'Quay day'],
  [180, 'Guild day'],
];
