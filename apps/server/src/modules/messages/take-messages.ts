import { MessageSaid, MessageSeen, type Message } from '@ant-trail/contract/messages';
import { In, IsNull, type EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import {
  ANOTHERS_NAME,
  oneByOne,
  type OperationTaker,
  type Word,
  hadAsSaid,
} from '../../phones/operation.ts';
import { PersonRow } from '../accounts/entities.ts';
import { VisitRow } from '../planning/entities.ts';
import { MessageRow } from './entities.ts';
import { announceMessages, messagesWhere } from './messages.ts';

/** What people write to the office from their phones. */
export const messageTaker: OperationTaker<MessageSaid> = {
  kind: 'message',
  schema: MessageSaid,
  take: oneByOne(async (db, session, said) =>
    said.by !== session.person || said.person !== session.person
      ? { refused: ANOTHERS_NAME }
      : keepMessage(db, session, said),
  ),
};

/** That people read on their phones what the office wrote. */
export const messageSeenTaker: OperationTaker<MessageSeen> = {
  kind: 'message seen',
  schema: MessageSeen,
  take: oneByOne(async (db, session, { message, by, at }) => {
    if (by !== session.person) return { refused: ANOTHERS_NAME };
    const row = await db.findOneBy(MessageRow, { id: message, person: session.person });
    if (!row || row.body.by === session.person)
      return { refused: 'This message is not here, or not to you.' };
    if (row.seenAt) return 'already had';
    await db.update(MessageRow, { id: message }, { seenAt: new Date(at) });
    await announceMessages(db, session.organisation, [row]);
    return 'received';
  }),
};

/** Keeps a message; the same twice is had already. */
async function keepMessage(
  db: EntityManager,
  { organisation }: Session,
  said: MessageSaid,
): Promise<Word> {
  const known = await db.findOneBy(MessageRow, { id: said.id });
  if (known) return hadAsSaid(known.body, said);
  if (said.visit !== null && !(await db.existsBy(VisitRow, { id: said.visit })))
    return { refused: 'This stop is not here.' };
  const row = { id: said.id, org: organisation, person: said.person, visit: said.visit };
  await db.insert(MessageRow, { ...row, body: said, seenAt: null });
  await announceMessages(db, organisation, [row]);
  return 'received';
}

/** The office writes to somebody. */
export async function writeMessage(
  db: EntityManager,
  session: Session,
  said: MessageSaid,
): Promise<Message> {
  if (said.by !== session.person) throw new Refusal(422, 'another-name', ANOTHERS_NAME);
  if (said.person === session.person)
    throw new Refusal(422, 'to-oneself', 'Nobody writes to themselves: choose somebody else.');
  const person = await db.findOneBy(PersonRow, { id: said.person, retired: false });
  if (!person) throw notFound('This person');
  const word = await keepMessage(db, session, said);
  if (typeof word === 'object') throw new Refusal(422, 'not-taken', word.refused);
  const [kept] = await messagesWhere(db, { id: said.id });
  if (!kept) throw notFound('This message');
  return kept;
}

/** The office has read what somebody wrote. Gives how many messages that were. */
export async function readMessages(
  db: EntityManager,
  { organisation, person: reader }: Session,
  person: string,
): Promise<number> {
  // One’s own are read by somebody else at the office.
  if (reader === person) return 0;
  const rows = (await db.findBy(MessageRow, { person, seenAt: IsNull() })).filter(
    ({ body }) => body.by === person,
  );
  await db.update(MessageRow, { id: In(rows.map(({ id }) => id)) }, { seenAt: new Date() });
  if (rows.length > 0) await announceMessages(db, organisation, rows);
  return rows.length;
}
