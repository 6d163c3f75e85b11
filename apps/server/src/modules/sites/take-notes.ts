import { LeftNote } from '@ant-trail/contract/sites';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import {
  ANOTHERS_NAME,
  oneByOne,
  type OperationTaker,
  type Word,
  hadBefore,
} from '../../phones/operation.ts';
import { SiteNoteRow, SiteRow } from './entities.ts';
import { keepNote } from './notes.ts';

/** Notes left from phones. */
export const siteNoteTaker: OperationTaker<LeftNote> = {
  kind: 'site note',
  schema: LeftNote,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, left: LeftNote): Promise<Word> {
  if (left.by !== session.person) return { refused: ANOTHERS_NAME };
  if (!(await db.existsBy(SiteRow, { id: left.site })))
    return { refused: 'The office does not have this place.' };
  if (await keepNote(db, session.organisation, left)) return 'received';
  const known = await db.findOneBy(SiteNoteRow, { id: left.id });
  const isSame =
    known?.site === left.site && known.by === left.by && known.text === left.text.trim();
  return hadBefore(isSame === true);
}
