export const ROLES = ['manager', 'reviewer', 'technician', 'administrator'] as const;
export type Role = (typeof ROLES)[number];

/**
 * What can be done, and which roles may do it. Routes, operations and screens all ask this one table,
 * so that nobody is offered what they may not do, or kept from what they may.
 */
export const ABILITIES = {
  /** To have a trail: visits are given to these. */
  walk: ['technician'],
  /** To see the office's desk: all jobs, sheets, people, places. */
  read: ['manager', 'reviewer', 'administrator'],
  /** To make jobs, give visits to people, cancel and close. */
  plan: ['manager', 'administrator'],
  /** To correct, return and approve sheets, and to settle answers that differ. */
  review: ['manager', 'reviewer'],
  /** To drop an action and to check one that was done; whoever has it may take it in hand. */
  'look after actions': ['manager', 'reviewer', 'administrator'],
  /** To add people, change what they may do, and retire them. */
  'keep people': ['manager', 'administrator'],
  'keep places': ['manager', 'administrator'],
  /** To read at the desk what only whoever is at a place should know; each reading is noted. */
  'read arrival details': ['manager', 'administrator'],
  /** To add documents and say which version counts. */
  'keep documents': ['manager', 'administrator'],
  'keep catalogues': ['manager', 'administrator'],
  'build templates': ['manager', 'administrator'],
} as const satisfies Readonly<Record<string, readonly Role[]>>;
export type Ability = keyof typeof ABILITIES;

/** Whether somebody with these roles may do something. */
export function may(roles: readonly Role[], ability: Ability): boolean {
  const able: readonly Role[] = ABILITIES[ability];
  return roles.some((role) => able.includes(role));
}
