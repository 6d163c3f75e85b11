import { ACTION_STATES } from '@ant-trail/core/actions';
import { z } from 'zod';
import { Day, Id, Instant, Name, Severity, TimedId, Words } from '../common/index.ts';

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
export const ActionsAnswer = z.object({ actions: z.array(Action) });
