import { ACTION_STATES } from '@ant-trail/core/actions';
import { z } from 'zod';
import {
  Day,
  Id,
  Instant,
  listOf,
  ListQuery,
  Name,
  Severity,
  TimedId,
  Words,
} from '../common/index.ts';

export const ActionState = z.enum(ACTION_STATES);

/** A corrective action as it is opened, on the phone or in the office. */
export const ActionDraft = z
  .object({
    id: TimedId,
    site: Id,
    /** The sheet and question whose finding it answers; null when made by hand. */
    sheet: Id.nullable(),
    key: z.string().max(100).nullable(),
    title: Name,
    details: Words,
    severity: Severity,
    owner: Id,
    dueOn: Day,
  })
  .strict();
export type ActionDraft = z.infer<typeof ActionDraft>;

export const ActionMove = z.object({
  id: Id,
  from: ActionState,
  to: ActionState,
  by: Id,
  at: Instant,
  note: z.string(),
});

export const Action = ActionDraft.extend({
  state: ActionState,
  createdBy: Id,
  createdAt: Instant,
  siteName: z.string(),
  moves: z.array(ActionMove),
});
export type Action = z.infer<typeof Action>;

export const MoveAction = z.object({ to: ActionState, note: Words });

/** How actions stand: still to be settled, past their day, waiting for a second look, settled, or any. */
export const ACTIONS_STAND = ['unsettled', 'overdue', 'to verify', 'settled', 'any'] as const;
export const ACTION_ORDERS = [
  // What is still to be done by its day, then what waits for a second look, then what is settled.
  'urgency',
  'due',
  '-due',
  'severity',
  '-severity',
  'place',
  '-place',
] as const;
export const ActionsQuery = ListQuery.extend({
  stand: z.enum(ACTIONS_STAND).default('unsettled'),
  owner: Id.optional(),
  site: Id.optional(),
  order: z.enum(ACTION_ORDERS).default('urgency'),
});
export type ActionsQuery = z.infer<typeof ActionsQuery>;
export const ActionsAnswer = listOf(Action);
