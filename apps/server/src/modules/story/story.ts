import type { Story, ToldBySheet } from '@ant-trail/contract/story';
import type { SaidOfThing } from '@ant-trail/core/story';
import { In, type EntityManager } from 'typeorm';
import { findActions } from '../actions/actions.ts';
import { stateOf } from '../arrival/details.ts';
import { eventsOf } from '../register/events.ts';
import { assetOf, findAsset, mustBeSite } from '../register/register.ts';
import { TagRow } from '../tags/entities.ts';

/** So many sheets are told of; older ones are found by the list of jobs. */
const SHEETS_TOLD = 200;

interface SheetFound {
  readonly sheet: string;
  readonly template: string;
  readonly title: string;
  readonly day: string;
  readonly at: Date;
  readonly by: string | null;
  readonly stage: string;
  readonly said: SaidOfThing;
}

/** Everything ever recorded on one thing. */
export async function storyOf(db: EntityManager, id: string): Promise<Story> {
  const asset = await findAsset(db, id);
  const found = await db.query<SheetFound[]>(
    `SELECT s.id AS sheet, s.template_id AS template, s.title, j.day::text AS day, t.said,
            s.summary->>'stage' AS stage, last.at, last.by
     FROM sheet_thing t JOIN sheet s ON s.id = t.sheet_id JOIN job j ON j.id = s.job_id
     CROSS JOIN LATERAL (
       SELECT (e.body->>'at')::timestamptz AS at, (e.body->>'by')::uuid AS by FROM entry e
       WHERE e.sheet_id = s.id
       ORDER BY e.body->>'kind' = 'finish' DESC, e.body->>'at' DESC LIMIT 1) last
     WHERE t.asset_id = $1 AND (t.said->>'answered')::int > 0
     ORDER BY last.at DESC, s.id DESC LIMIT $2`,
    [id, SHEETS_TOLD + 1],
  );
  const sheets = found.slice(0, SHEETS_TOLD);
  return {
    asset: assetOf(asset),
    siteName: (await mustBeSite(db, asset.site)).name,
    number: (await db.findOneBy(TagRow, { asset: id }))?.number ?? null,
    events: await eventsOf(db, id),
    sheets: sheets.map(told),
    older: found.length > SHEETS_TOLD,
    actions: await actionsAbout(db, id),
    openings: (await stateOf(db, asset.site)).openings,
  };
}

function told({ said, at, stage, ...sheet }: SheetFound): ToldBySheet {
  const { answered, asked, worst, findings, readings, facts, photos } = said;
  return {
    ...{ ...sheet, stage, at: at.toISOString() },
    ...{ answered, asked, worst },
    findings: [...findings],
    readings: readings.map((reading) => ({ ...reading })),
    facts: [...facts],
    photos: [...photos],
  };
}

/** What was opened for a finding at the thing: in its own sheet, or in its row of another. */
async function actionsAbout(db: EntityManager, id: string) {
  const rows = await db.query<{ id: string }[]>(
    `SELECT a.id FROM action a JOIN sheet s ON s.id = a.sheet_id
     WHERE s.id IN (SELECT t.sheet_id FROM sheet_thing t WHERE t.asset_id = $1)
       AND (s.asset_id = $1 OR a.key LIKE '%/' || $1::text || '/%')`,
    [id],
  );
  return rows.length === 0 ? [] : findActions(db, { id: In(rows.map((row) => row.id)) });
}
