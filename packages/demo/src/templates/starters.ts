import type { TemplateBody } from '@ant-trail/core/sheet';
import { ALARM } from '../trades/alarm/panel.ts';
import { JOINT } from '../trades/bolting/joint.ts';
import { CERTIFICATE } from '../trades/electrical/certificate.ts';
import { HOUSE_SURVEY } from '../trades/energy/house.ts';
import { SURVEY } from '../trades/energy/survey.ts';
import { AUDIT } from './audit.ts';
import { BOARD } from './board.ts';
import type { DemoTemplate } from './demo-template.ts';
import { DRIVE_ROOM } from './drive-room.ts';
import { HUT } from './hut.ts';
import { LOCKER } from './locker.ts';
import { PATH } from './path.ts';
import { SPRING } from './spring.ts';
import { TURBINE } from './turbine.ts';

/** A template that stands ready, for the trade it is of. */
export interface Starter {
  readonly key: string;
  readonly trade: string;
  readonly body: TemplateBody;
}

const ready = (trade: string, ...templates: readonly DemoTemplate[]): Starter[] =>
  templates.map(({ key, body }) => ({ key, trade, body }));

/** What an organisation that has nothing yet can begin with. */
export const STARTERS: readonly Starter[] = [
  ...ready('Buildings and safety', HUT, ALARM, AUDIT),
  ...ready('Electrical work', BOARD, CERTIFICATE),
  ...ready('Machines and lifts', DRIVE_ROOM, TURBINE, JOINT),
  ...ready('Water and grounds', SPRING, PATH),
  ...ready('Energy', HOUSE_SURVEY, SURVEY),
  ...ready('Goods', LOCKER),
];
