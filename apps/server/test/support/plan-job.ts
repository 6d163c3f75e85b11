import type { JobCard } from '@ant-trail/contract/planning';
import type { Team } from './office.ts';

export const TODAY = new Date().toISOString().slice(0, 10);

/** The manager plans a job of today for the technician, but for what is said. */
export async function planJob({ org, manager }: Team, more: object = {}): Promise<JobCard> {
  const { status, body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template: org.template, title: 'Round', instructions: '', day: TODAY },
    ...{ windowFrom: null, windowTo: null, start: 600, minutes: 30, recipients: [] },
    ...{ person: org.people.technician, ...more },
  });
  expect(status).toBe(200);
  return body as JobCard;
}
