export { demandsTogether, sameName, type Demands } from './demands.ts';
export { ABILITIES, may, ROLES, type Ability, type Role } from './abilities.ts';
