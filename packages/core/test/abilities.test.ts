import { ABILITIES, may, ROLES, type Ability } from '../src/accounts/index.ts';

const EVERY = Object.keys(ABILITIES) as Ability[];

test('somebody may what any of their roles may, and nothing with none', () => {
  for (const ability of EVERY) {
    const able = ROLES.filter((role) => may([role], ability));
    expect(able).toEqual(ROLES.filter((role) => ABILITIES[ability].some((one) => one === role)));
    expect(may(ROLES, ability)).toBe(true);
    expect(may([], ability)).toBe(false);
  }
});

test('whoever changes something of the office can also see it', () => {
  for (const ability of EVERY)
    if (ability !== 'walk')
      for (const role of ABILITIES[ability]) expect(may([role], 'read')).toBe(true);
});

test('nobody of the field sees the desk by that alone', () => {
  expect(may(['technician'], 'read')).toBe(false);
});
