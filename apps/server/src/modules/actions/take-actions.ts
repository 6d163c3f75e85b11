import { ActionDraft } from '@ant-trail/contract/actions';
import { oneByOne, type OperationTaker } from '../../phones/operation.ts';
import { openAction } from './actions.ts';

/** Corrective actions opened on a phone. */
export const actionTaker: OperationTaker<ActionDraft> = {
  kind: 'action',
  schema: ActionDraft,
  take: oneByOne(openAction),
};
