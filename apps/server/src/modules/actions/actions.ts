import { randomUUID } from 'node:crypto';
import type { Action, ActionDraft } from '@ant-trail/contract/actions';
import { may } from '@ant-trail/core/accounts';
import { problemWithMove, type ActionState } from '@ant-trail/core/actions';
import { isQuestionPath } from '@ant-trail/core/sheet';
import type { EntityManager, FindOptionsWhere } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import { notAllowed, notFound, Refusal } from '../../refusals/refusal.ts';
import { PersonRow } from '../accounts/entities.ts';
import { SheetRow } from '../planning/entities.ts';
import { SiteRow } from '../sites/entities.ts';
import { findVersions, planOf } from '../templates/versions.ts';
import { ActionMoveRow, ActionRow } from './entities.ts';

export function actionOf(row: ActionRow): Action {
  const { id, sheet, key, title, details, severity, owner, dueOn, state, createdBy } = row;
  return {
    id,
    site: row.site.id,
    siteName: row.site.name,
    sheet,
    key,
    title,
    details,
    severity,
    owner,
    dueOn,
    state,
    createdBy,
    createdAt: row.createdAt.toISOString(),
    moves: row.moves
      .map((move) => ({
        id: move.id,
        from: move.from,
        to: move.to,
        by: move.by,
        at: move.at.toISOString(),
        note: move.note,
      }))
      .sort((a, b) => (a.at < b.at ? -1 : 1)),
  };
}

export async function findActions(
  db: EntityManager,
  where: FindOptionsWhere<ActionRow>,
): Promise<Action[]> {
  const rows = await db.find(ActionRow, {
    where,
    relations: { site: true, moves: true },
    order: { dueOn: 'ASC' },
  });
  return rows.map(actionOf);
}

export type Opened = 'received' | 'already had';

/** Opens a corrective action exactly once, whoever sends it again. */
export async function openAction(
  db: EntityManager,
  session: Session,
  draft: ActionDraft,
): Promise<Opened> {
  if (!(await db.existsBy(SiteRow, { id: draft.site }))) throw notFound('This site');
  if (!(await db.existsBy(PersonRow, { id: draft.owner }))) throw notFound('The chosen owner');
  await mustFitSheet(db, draft);
  const { site, ...plain } = draft;
  const added = await db
    .createQueryBuilder()
    .insert()
    .into(ActionRow)
    .values({
      ...plain,
      site: { id: site },
      org: session.organisation,
      state: 'open',
      createdBy: session.person,
      createdAt: new Date(),
    })
    .orIgnore()
    .returning('id')
    .execute();
  if ((added.raw as unknown[]).length === 0) {
    await mustBeSame(db, draft);
    return 'already had';
  }
  await announce(db, session.organisation, [{ kind: 'action', ref: draft.id }]);
  return 'received';
}

/** What an action is about is a question of its sheet, and the sheet is one of its site. */
async function mustFitSheet(db: EntityManager, { sheet, key, site }: ActionDraft): Promise<void> {
  if (!sheet) {
    if (key !== null)
      throw new Refusal(422, 'no-sheet', 'An action without a sheet has no question.');
    return;
  }
  const row = await db.findOne(SheetRow, {
    where: { id: sheet },
    relations: { job: { site: true } },
  });
  if (!row) throw notFound('This sheet');
  if (row.job.site.id !== site)
    throw new Refusal(422, 'other-site', 'This sheet belongs to another place.');
  if (key === null) return;
  const [version] = await findVersions(db, [row.version]);
  if (!version || !isQuestionPath(planOf(version), key))
    throw new Refusal(422, 'no-question', `The sheet has no question “${key}”.`);
}

/** The same id again is the same action, whatever became of it since; anything else is a mistake. */
async function mustBeSame(db: EntityManager, draft: ActionDraft): Promise<void> {
  const row = await db.findOne(ActionRow, { where: { id: draft.id }, relations: { site: true } });
  const same =
    row?.site.id === draft.site &&
    row.sheet === draft.sheet &&
    row.key === draft.key &&
    row.title === draft.title &&
    row.details === draft.details &&
    row.severity === draft.severity &&
    row.owner === draft.owner &&
    row.dueOn === draft.dueOn;
  if (!same)
    throw new Refusal(
      409,
      'something-else',
      'The office already has something else under this number.',
    );
}

const MOVE_STATUS = {
  'not-now': 409,
  'office-drops': 403,
  'second-person': 403,
  'say-why': 400,
} as const;

/** Moves an action on. Whoever did it may not verify it, and only the office may drop it. */
export async function moveAction(
  db: EntityManager,
  session: Session,
  id: string,
  to: ActionState,
  note: string,
): Promise<Action> {
  const row = await db.findOne(ActionRow, {
    where: { id },
    relations: { site: true, moves: true },
    lock: { mode: 'pessimistic_write', tables: ['action'] },
    relationLoadStrategy: 'query',
  });
  if (!row) throw notFound('This action');
  const doer = row.moves.filter((move) => move.to === 'done').at(-1)?.by;
  const problem = problemWithMove({
    ...{ state: row.state, to, note },
    isOwner: row.owner === session.person,
    isOffice: may(session.roles, 'look after actions'),
    isDoer: doer === session.person,
  });
  if (problem?.code === 'not-yours') throw notAllowed();
  if (problem) throw new Refusal(MOVE_STATUS[problem.code], problem.code, problem.words);
  await db.insert(ActionMoveRow, {
    id: randomUUID(),
    org: session.organisation,
    action: { id },
    from: row.state,
    to,
    by: session.person,
    at: new Date(),
    note,
  });
  await db.update(ActionRow, { id }, { state: to });
  await announce(db, session.organisation, [{ kind: 'action', ref: id }]);
  const [moved] = await findActions(db, { id });
  if (!moved) throw notFound('This action');
  return moved;
}
