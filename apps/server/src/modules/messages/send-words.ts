import { inZone, sayMinute } from '@ant-trail/core/calendar';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { announce } from '../../database/feed.ts';
import { inOrganisation } from '../../database/tenancy.ts';
import { sendLetter, type Letter } from '../../mail/letters.ts';
import type { Queue } from '../../queue/queue.ts';
import { OrganisationRow, PersonRow } from '../accounts/entities.ts';
import { VisitRow } from '../planning/entities.ts';
import { OnTheWayRow } from './entities.ts';
import { thereAt } from './told.ts';

/** Where words wait that are sent to people at places. */
export const WORDS = 'send-word';
export const WordTask = z.object({ organisation: z.string(), id: z.string() });
type WordTask = z.infer<typeof WordTask>;

/** The stand-in of a gateway that makes text messages of letters. */
const TEXT_GATEWAY = 'text.ant-trail.example';

export async function workOffWords(
  queue: Queue,
  data: DataSource,
  mailPort: number,
  log: Pick<Logger, 'warn'>,
): Promise<void> {
  await queue.work(WORDS, { pollingIntervalSeconds: 1 }, async (tasks) => {
    for (const { data: given } of tasks) {
      const task = WordTask.safeParse(given);
      if (!task.success) continue;
      try {
        await sendWord(data, mailPort, task.data);
      } catch (error) {
        log.warn({ err: error }, 'a word could not be sent; it is tried again');
        throw error;
      }
    }
  });
}

/** Sends what waits, unless its own hour has come meanwhile: then it would only confuse. */
async function sendWord(
  data: DataSource,
  mailPort: number,
  { organisation, id }: WordTask,
): Promise<void> {
  const within = <Result>(work: Parameters<typeof inOrganisation<Result>>[2]): Promise<Result> =>
    inOrganisation(data, organisation, work);
  const known = await within(async (db) => {
    const row = await db.findOneBy(OnTheWayRow, { id, outcome: 'waiting' });
    if (!row) return null;
    const visit = await db.findOneOrFail(VisitRow, {
      where: { id: row.visit },
      relations: { job: { site: true } },
    });
    const own = await db.findOneByOrFail(OrganisationRow, { id: organisation });
    const person = await db.findOneByOrFail(PersonRow, { id: row.body.by });
    return { row, site: visit.job.site.name, job: visit.job.id, own, person: person.name };
  });
  if (!known) return;
  const { row, job } = known;
  const isLate = thereAt(row).getTime() < Date.now();
  if (!isLate) await sendLetter(mailPort, letterOf(organisation, known));
  await within(async (db) => {
    await db.update(OnTheWayRow, { id }, { outcome: isLate ? 'too late' : 'sent' });
    await announce(db, organisation, [{ kind: 'visit', ref: row.visit, reach: job }]);
  });
}

interface Known {
  readonly row: OnTheWayRow;
  readonly site: string;
  readonly own: OrganisationRow;
  readonly person: string;
}

function letterOf(organisation: string, { row, site, own, person }: Known): Letter {
  const { phone, email, name } = row.body.to;
  const there = sayMinute(inZone(thereAt(row), own.timeZone).minute);
  const text = `${person} of ${own.name} is on the way to ${site} and expects to be there at about ${there}.`;
  const digits = phone.replace(/[^\d+]/g, '');
  return {
    organisation,
    to: [digits ? `${digits}@${TEXT_GATEWAY}` : email],
    subject: digits ? `Text to ${name}, ${phone}` : `On the way to ${site}`,
    text,
  };
}
