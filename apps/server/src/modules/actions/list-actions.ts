import type { Action, ActionsQuery } from '@ant-trail/contract/actions';
import {
  ACTION_STATE_RULES,
  ACTION_STATES,
  isActionSettled,
  type ActionState,
} from '@ant-trail/core/actions';
import { In, type EntityManager } from 'typeorm';
import { feedEnd } from '../../database/feed.ts';
import { inOrderOf, listPage, patternsOf, type Order } from '../../database/list-page.ts';
import { findActions } from './actions.ts';
import { ActionRow } from './entities.ts';

const ID = { sql: 'a.id', holds: 'uuid' } as const;
const DUE = { sql: 'a.due_on', holds: 'date' } as const;
const statesLike = (fits: (state: ActionState) => boolean): ActionState[] =>
  ACTION_STATES.filter(fits);
const STATES: Record<ActionsQuery['stand'], readonly ActionState[]> = {
  unsettled: statesLike((state) => !isActionSettled(state)),
  overdue: statesLike((state) => ACTION_STATE_RULES[state].toDo),
  'to verify': ['done'],
  settled: statesLike(isActionSettled),
  any: ACTION_STATES,
};

const inList = (states: readonly ActionState[]): string =>
  states.map((state) => `'${state}'`).join(', ');
const RANK = {
  sql: `CASE WHEN a.state IN (${inList(STATES.overdue)}) THEN 0
             WHEN a.state IN (${inList(STATES.settled)}) THEN 2 ELSE 1 END`,
  holds: 'int',
} as const;
const ORDERS: Record<'urgency' | 'due' | 'severity' | 'place', Order['columns']> = {
  urgency: [RANK, DUE, ID],
  due: [DUE, ID],
  severity: [{ sql: 'a.severity', holds: 'int' }, ID],
  place: [{ sql: 's.name', holds: 'text' }, ID],
};

/** Actions that are looked for, a page at a time. */
export async function listActions(
  db: EntityManager,
  asked: ActionsQuery,
): Promise<{ rows: Action[]; next: string | null; total: number | null }> {
  const query = db
    .createQueryBuilder(ActionRow, 'a')
    .leftJoin('site', 's', 's.id = a.site_id')
    .where('a.state IN (:...states)', { states: STATES[asked.stand] });
  if (asked.stand === 'overdue')
    query.andWhere('a.due_on < :today', { today: (await feedEnd(db)).today });
  if (asked.owner) query.andWhere('a.owner_id = :owner', { owner: asked.owner });
  if (asked.site) query.andWhere('a.site_id = :site', { site: asked.site });
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(
      `(a.title ILIKE :word${at} OR a.details ILIKE :word${at} OR s.words LIKE :word${at}
        OR a.owner_id IN (SELECT p.id FROM person p WHERE p.words LIKE :word${at}))`,
      { [`word${at}`]: pattern },
    );
  const by = asked.order.replace('-', '') as keyof typeof ORDERS;
  const page = await listPage(
    db,
    query,
    { columns: ORDERS[by], descending: asked.order.startsWith('-') },
    { ...asked, dear: Boolean(asked.text) },
  );
  return { ...page, rows: inOrderOf(page.ids, await findActions(db, { id: In([...page.ids]) })) };
}
