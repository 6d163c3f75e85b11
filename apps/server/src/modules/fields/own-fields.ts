import { randomUUID } from 'node:crypto';
import type { OwnFields, OwnFieldsDraft } from '@ant-trail/contract/fields';
import {
  factsFound,
  wordsFound,
  type Facts,
  type Field,
  type FieldHolder,
} from '@ant-trail/core/fields';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { oneAtATime } from '../../database/lock.ts';
import { OwnFieldsRow, type OwnFacts } from './entities.ts';
import { mustFit } from './must-fit.ts';

const ownOf = ({ id, holder, fields, reported }: OwnFieldsRow): OwnFields => ({
  ...{ id, holder, fields, reported },
});

/** Fields the office has defined, for each of what it did so for. */
export const ownFields = async (db: EntityManager): Promise<OwnFields[]> =>
  (await db.find(OwnFieldsRow, { order: { holder: 'ASC' } })).map(ownOf);

export const ownFieldsWith = async (
  db: EntityManager,
  ids: readonly string[],
): Promise<OwnFields[]> => (await db.findBy(OwnFieldsRow, { id: In([...ids]) })).map(ownOf);

export const fieldsOf = async (db: EntityManager, holder: FieldHolder): Promise<readonly Field[]> =>
  (await db.findOneBy(OwnFieldsRow, { holder }))?.fields ?? [];

/** Defines the fields of all jobs, places or clients anew. What was written under others is kept. */
export async function setOwnFields(
  db: EntityManager,
  org: string,
  holder: FieldHolder,
  { fields, reported }: OwnFieldsDraft,
): Promise<OwnFields> {
  await oneAtATime(db, 'own fields', org);
  const before = await db.findOneBy(OwnFieldsRow, { holder });
  const row = db.create(OwnFieldsRow, {
    ...{ org, id: before?.id ?? randomUUID(), holder, fields },
    reported: reported.filter((key) => fields.some((field) => field.key === key)),
  });
  await db.save(OwnFieldsRow, row);
  await announce(db, org, [{ kind: 'own fields', ref: row.id, reach: null }]);
  return ownOf(row);
}

/** How facts are kept with a row, so that it is found by them. */
export function ownColumns(fields: readonly Field[], own: Facts): OwnFacts {
  const ownFound = factsFound(fields, own);
  return { own, ownFound, ownWords: wordsFound(ownFound) };
}

/**
 * Facts that are written at a job, place or client, as they are kept with its row.
 * Throws a Refusal where they don't fit the fields there are.
 */
export async function ownAs(
  db: EntityManager,
  holder: FieldHolder,
  facts: Facts,
  before: Facts = {},
): Promise<OwnFacts> {
  const fields = await fieldsOf(db, holder);
  mustFit(fields, facts, before, 'own');
  return ownColumns(fields, facts);
}

/** Likewise where facts may be left unsaid: what is known stays as it is then. */
export const ownGiven = async (
  db: EntityManager,
  holder: FieldHolder,
  facts: Facts | undefined,
  before?: Facts,
): Promise<Partial<OwnFacts>> => (facts === undefined ? {} : ownAs(db, holder, facts, before));
