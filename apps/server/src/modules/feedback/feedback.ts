import { Feedback, type FeedbackQuery } from '@ant-trail/contract/feedback';
import { In, type EntityManager } from 'typeorm';
import type { z } from 'zod';
import { announce } from '../../database/feed.ts';
import { inOrderOf, listPage } from '../../database/list-page.ts';
import type { Session } from '../../http/session.ts';
import {
  ANOTHERS_NAME,
  oneByOne,
  type OperationTaker,
  type Word,
  hadBefore,
} from '../../phones/operation.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { FeedbackRow } from './entities.ts';

/** What people told from phones. */
export const feedbackTaker: OperationTaker<Feedback> = {
  kind: 'feedback',
  schema: Feedback,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, told: Feedback): Promise<Word> {
  if (told.by !== session.person) return { refused: ANOTHERS_NAME };
  const known = await db.findOneBy(FeedbackRow, { id: told.id });
  if (known) return hadBefore(known.by === told.by && known.words === told.words);
  await db.insert(FeedbackRow, { ...told, org: session.organisation, at: new Date(told.at) });
  await announce(db, session.organisation, [{ kind: 'feedback', ref: told.id }]);
  return 'received';
}

/** Keeps what somebody told at the desk. Throws a Refusal where a phone's would be refused. */
export async function tellOffice(
  db: EntityManager,
  session: Session,
  told: Feedback,
): Promise<Feedback> {
  const word = await takeOne(db, session, told);
  if (typeof word === 'object') throw new Refusal(409, 'not-taken', word.refused);
  return told;
}

/** What people told, the newest first, a page at a time. */
export async function listFeedback(
  db: EntityManager,
  asked: z.infer<typeof FeedbackQuery>,
): Promise<{ rows: Feedback[]; next: string | null; total: number | null }> {
  const page = await listPage(
    db,
    db.createQueryBuilder(FeedbackRow, 'f'),
    {
      columns: [
        { sql: 'f.at', holds: 'timestamptz' },
        { sql: 'f.id', holds: 'uuid' },
      ],
      descending: true,
    },
    asked,
  );
  const rows = await db.findBy(FeedbackRow, { id: In([...page.ids]) });
  return {
    ...page,
    rows: inOrderOf(page.ids, rows).map(
      ({ id, words, picture, screen, version, device, by, at }) => ({
        ...{ id, words, picture, screen, version, device, by, at: at.toISOString() },
      }),
    ),
  };
}
