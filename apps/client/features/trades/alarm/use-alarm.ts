import type * as Alarm from '@ant-trail/core/trades/alarm';
import { kitCode } from '../kit-code.ts';

export type AlarmKit = typeof Alarm;

export const useAlarm = kitCode<AlarmKit>(() => import('@ant-trail/core/trades/alarm'));
