export { ABILITIES, may, ROLES, type Ability, type Role } from './abilities.ts';
