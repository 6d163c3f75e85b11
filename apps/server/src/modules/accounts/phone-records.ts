import { In, type EntityManager, type FindOptionsWhere } from 'typeorm';
import { phoneRecords } from '../../phones/record.ts';
import { PersonRow } from './entities.ts';

async function colleagues(db: EntityManager, where: FindOptionsWhere<PersonRow> = {}) {
  const rows = await db.find(PersonRow, { where, order: { name: 'ASC' } });
  return rows.map(({ id, name, retired }) => ({ id, body: { id, name, retired } }));
}

/** Colleagues by name, for everybody: whoever worked on a sheet is named there. */
export const personRecords = phoneRecords({
  kind: 'person',
  forAll: (db) => colleagues(db),
  after: { person: (db, ids) => colleagues(db, { id: In([...ids]) }) },
});
