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
}

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
    credentials: [],
  },
  {
    key: 'imke',
    name: 'Imke Dorrance',
    roles: ['technician'],
    trade: 'cableways',
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
