import { OF_KITS } from '../trades/index.ts';
import { DRIVE_ROOM } from './drive-room.ts';
import { HUT } from './hut.ts';
import { BOARD } from './board.ts';
import { SPRING } from './spring.ts';
import { TURBINE } from './turbine.ts';
import { PATH } from './path.ts';
import { AUDIT } from './audit.ts';
import { LOCKER } from './locker.ts';
import type { DemoTemplate } from './demo-template.ts';

export type { DemoTemplate, Usual } from './demo-template.ts';

export const TEMPLATES: readonly DemoTemplate[] = [
  DRIVE_ROOM,
  HUT,
  BOARD,
  SPRING,
  TURBINE,
  PATH,
  AUDIT,
  LOCKER,
  ...OF_KITS,
];
