import type * as Property from '@ant-trail/core/trades/property';
import { kitCode } from '../kit-code.ts';

export type PropertyKit = typeof Property;

export const useProperty = kitCode<PropertyKit>(() => import('@ant-trail/core/trades/property'));
