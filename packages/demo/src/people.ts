import type { Role } from '@ant-trail/contract/accounts';

export interface DemoPerson {
  readonly key: string;
  readonly name: string;
  readonly roles: readonly Role[];
  readonly trade: string;
  /** Credentials; `days` until they expire, from the day the demo begins. */
  readonly credentials: readonly {
    readonly kind: string;
    readonly number: string;
    readonly issuer: string;
    readonly days: number;
  }[];
  readonly skills?: readonly string[];
  /** Days away; counted from the day the demo begins. */
  readonly away?: { readonly from: number; readonly to: number; readonly why: string };
  readonly vehicle?: {
    readonly name: string;
    readonly holds: readonly { readonly what: string; readonly most: number }[];
  };
  /** Works for the branch in the north as well. */
  readonly bothBranches?: boolean;
}

/** Hours of those who walk, Monday to Saturday. */
export const HOURS = [1, 2, 3, 4, 5, 6].map((weekday) => ({ weekday, from: 330, to: 1080 }));

export const PEOPLE: readonly DemoPerson[] = [
  {
    key: 'edda',
    name: 'Edda Varne',
    roles: ['manager'],
    trade: 'operations',
    credentials: [],
  },
  {
    key: 'sef',
    name: 'Sef Callow',
    roles: ['reviewer'],
    trade: 'technical review',
    credentials: [
      {
        kind: 'Chartered reviewer',
        number: 'TR-118',
        issuer: 'Island Assembly',
        days: 700,
      },
    ],
  },
  {
    key: 'brida',
    name: 'Brida Osk',
    roles: ['administrator'],
    trade: 'office',
    bothBranches: true,
    credentials: [],
  },
  {
    key: 'imke',
    name: 'Imke Dorrance',
    roles: ['technician'],
    trade: 'cableways',
    skills: ['rope inspection', 'grease sampling'],
    vehicle: { name: 'Handcart with a crate', holds: [{ what: 'kilograms', most: 60 }] },
    credentials: [
      {
        kind: 'Ropeway licence',
        number: 'RW-2207',
        issuer: 'Island Assembly',
        days: 410,
      },
    ],
  },
  {
    key: 'tove',
    name: 'Tove Aske',
    roles: ['technician'],
    trade: 'electrics',
    skills: ['insulation testing', 'thermography'],
    away: { from: 9, to: 13, why: 'course on the mainland' },
    credentials: [
      {
        kind: 'Electrical licence',
        number: 'EL-0931',
        issuer: 'Island Assembly',
        days: 19,
      },
    ],
  },
  {
    key: 'marn',
    name: 'Marn Quill',
    roles: ['technician'],
    trade: 'huts and stores',
    skills: ['gas tightness', 'carpentry'],
    vehicle: {
      name: 'Electric tricycle',
      holds: [
        { what: 'kilograms', most: 120 },
        { what: 'litres', most: 400 },
      ],
    },
    credentials: [
      {
        kind: 'Gas fitter',
        number: 'GF-440',
        issuer: 'Harbour Guild',
        days: 230,
      },
    ],
  },
  {
    key: 'rook',
    name: 'Rook Solvane',
    roles: ['technician'],
    trade: 'hydro and water',
    skills: ['vibration readings', 'water sampling'],
    credentials: [
      {
        kind: 'Water warden',
        number: 'WW-17',
        issuer: 'Island Assembly',
        days: 95,
      },
    ],
  },
  {
    key: 'jory',
    name: 'Jory Hollin',
    roles: ['technician'],
    trade: 'paths and refuges',
    skills: ['rope work', 'first aid'],
    away: { from: 20, to: 34, why: 'leave' },
    credentials: [
      {
        kind: 'Rope access',
        number: 'RA-3025',
        issuer: 'Harbour Guild',
        days: 160,
      },
    ],
  },
];

export const emailOf = (person: DemoPerson): string => `${person.key}@tarnhollow.example`;
/** The password of every demo account. */
export const DEMO_PASSWORD = 'walk-the-trail';
