import { BoundTag } from '@ant-trail/contract/tags';
import { ANOTHERS_NAME, oneByOne, type OperationTaker } from '../../phones/operation.ts';
import { bindTag } from './tags.ts';

/** Labels bound by scanning, from phones. */
export const boundTagTaker: OperationTaker<BoundTag> = {
  kind: 'label bound',
  schema: BoundTag,
  take: oneByOne(async (db, session, bound) =>
    bound.by === session.person
      ? bindTag(db, session.organisation, bound)
      : { refused: ANOTHERS_NAME },
  ),
};
