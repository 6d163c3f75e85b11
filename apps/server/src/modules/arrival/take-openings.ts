import { ArrivalOpened } from '@ant-trail/contract/arrival';
import { ANOTHERS_NAME, oneByOne, type OperationTaker } from '../../phones/operation.ts';
import { VisitRow } from '../planning/entities.ts';
import { SiteRow } from '../sites/entities.ts';
import { noteOpening } from './details.ts';

/** Details that were opened on phones by the code at the place. */
export const openingTaker: OperationTaker<ArrivalOpened> = {
  kind: 'arrival opened',
  schema: ArrivalOpened,
  take: oneByOne(async (db, session, opened) => {
    if (opened.by !== session.person) return { refused: ANOTHERS_NAME };
    if (!(await db.existsBy(SiteRow, { id: opened.site })))
      return { refused: 'The office does not have this place.' };
    // Noted even where the visit went to somebody else meanwhile: they were read.
    const visit = (await db.existsBy(VisitRow, { id: opened.visit })) ? opened.visit : null;
    const fresh = await noteOpening(db, session.organisation, {
      ...{ id: opened.id, site: opened.site, visit, person: session.person },
      ...{ how: 'code', at: new Date(opened.at) },
    });
    return fresh ? 'received' : 'already had';
  }),
};
