import type { Visit } from '@ant-trail/contract/planning';
import { turningBack } from '@ant-trail/core/planning';

/** The day a visit is planned for where no other is chosen: nobody plans anew for one that is over. */
export const dayToPlan = ({ day, events }: Visit, today: string): string =>
  turningBack(events) !== null && day < today ? today : day;
