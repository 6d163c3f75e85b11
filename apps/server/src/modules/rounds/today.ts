import { inZone } from '@ant-trail/core/calendar';
import type { EntityManager } from 'typeorm';
import { OrganisationRow } from '../accounts/entities.ts';

/** The day it is where the organisation works. */
export async function todayOf(db: EntityManager, clock = new Date()): Promise<string> {
  // Row-level security shows the one that is worked for, and no other.
  const { timeZone } = await db.findOneByOrFail(OrganisationRow, {});
  return inZone(clock, timeZone).day;
}
