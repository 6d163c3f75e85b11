import type { DocumentLink } from '@ant-trail/core/documents';

export interface DemoDocument {
  readonly name: string;
  readonly note: string;
  /** What it is about, by name. */
  readonly about: readonly { readonly to: DocumentLink['to']; readonly name: string }[];
  /** The oldest first; the last one counts. */
  readonly versions: readonly {
    readonly file: string;
    readonly note: string;
    /** Days before today. */
    readonly ago: number;
    readonly pages: readonly DemoPage[];
  }[];
}

export interface DemoPage {
  readonly heading: string;
  readonly lines: readonly string[];
}

const BRAKE_CARE: DemoPage = {
  heading: 'Before the cover comes off',
  lines: [
    'Block the rope. Hang the red board on the lever and take its key with you.',
    'Let the disc cool for twenty minutes: below 45 °C it can be touched.',
    'Two people: one at the lever, one at the disc. Talk before you move anything.',
  ],
};

/** What the Assembly’s office keeps for whoever goes there. */
export const DOCUMENTS: readonly DemoDocument[] = [
  {
    name: 'Disc brakes, care and setting',
    note: 'Gap, lining and spring, for service and emergency brakes',
    about: [{ to: 'kind', name: 'brake' }],
    versions: [
      {
        file: 'disc-brakes.pdf',
        note: 'First edition',
        ago: 400,
        pages: [
          BRAKE_CARE,
          { heading: 'Setting the gap', lines: ['Gap on each side: 1.2 to 1.5 mm.'] },
        ],
      },
      {
        file: 'disc-brakes-2.pdf',
        note: 'Gap is smaller with the new lining',
        ago: 45,
        pages: [
          BRAKE_CARE,
          {
            heading: 'Setting the gap',
            lines: [
              'Gap on each side with the new lining: 0.8 to 1.1 mm, measured at three points.',
              'Turn the nut by a sixth, let the brake fall in twice, measure again.',
              'Where one side is more than 0.2 mm wider than the other, the arm is bent: do not set it, report it.',
            ],
          },
          {
            heading: 'Lining',
            lines: [
              'New: 14 mm. Change it at 6 mm, or where it is cracked or shows oil.',
              'Run the disc in at a quarter of the speed, ten stops, three minutes between them.',
            ],
          },
        ],
      },
    ],
  },
  {
    name: 'Spring pumps, manual',
    note: 'Starting, stopping, bearings and seals',
    about: [{ to: 'kind', name: 'pump' }],
    versions: [
      {
        file: 'spring-pumps.pdf',
        note: '',
        ago: 300,
        pages: [
          {
            heading: 'Starting',
            lines: [
              'Open the inlet fully and the outlet by a quarter. Fill the casing until no air comes.',
              'Start, then open the outlet slowly. The motor draws no more than 11 A at 5.5 kW.',
            ],
          },
          {
            heading: 'What it should show',
            lines: [
              'Bearings: up to 75 °C. Above 90 °C stop it.',
              'Seal: a drop each minute is as it should be, a trickle is not.',
            ],
          },
        ],
      },
    ],
  },
  {
    name: 'Drive room round, how it is done',
    note: 'What is meant by each question, with the limits',
    about: [{ to: 'template', name: 'Drive room round' }],
    versions: [
      {
        file: 'drive-room-round.pdf',
        note: '',
        ago: 120,
        pages: [
          {
            heading: 'Listening to the gearbox',
            lines: [
              'Stand at the coupling, one minute with the rope running empty, one with load.',
              'A hum that changes with the load is the teeth; one that does not is a bearing.',
            ],
          },
        ],
      },
    ],
  },
  {
    name: 'Gannet Head upper station, ways out',
    note: 'Both ways out in ice, with the tunnel',
    about: [{ to: 'site', name: 'Gannet Head, upper cableway station' }],
    versions: [
      {
        file: 'gannet-head-ways-out.pdf',
        note: '',
        ago: 60,
        pages: [
          {
            heading: 'Ways out',
            lines: [
              'By the tunnel to the lift, 140 m. The lamp at its end shows whether the lift runs.',
              'By the north stairs only without ice: hold the chain on the left.',
              'Where both are closed, wait in the drive room: heater under the desk, radio on channel 6.',
            ],
          },
        ],
      },
    ],
  },
];
