import { ActionDraft } from '@ant-trail/contract/actions';
import type { OperationTaker, Taking, Word } from '../sync/operation.ts';
import { openAction } from './actions.ts';
import { Refusal } from '../../http/problem.ts';

/** Corrective actions opened on a phone. */
export const actionTaker: OperationTaker<ActionDraft> = {
  kind: 'action',
  schema: ActionDraft,
  take: async ({ db, session }: Taking, drafts) => {
    const words: Word[] = [];
    for (const draft of drafts)
      try {
        words.push(await openAction(db, session, draft));
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        words.push({ refused: error.message });
      }
    return words;
  },
};
