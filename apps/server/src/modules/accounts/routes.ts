import {
  Me,
  PeopleAnswer,
  PeopleNamed,
  PeopleQuery,
  Person,
  PersonDraft,
  PersonSaved,
  RetirePerson,
  SettingsChange,
} from '@ant-trail/contract/accounts';
import { Id } from '@ant-trail/contract/common';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { longRoute, route, type Route, type Within } from '../../http/route.ts';
import type { Session } from '../../http/session.ts';
import { OrganisationRow } from './entities.ts';
import { makeInvitation, sendInvitation, type Post } from './invitations.ts';
import { addPerson, changePerson, findPerson, mayInvite, retirePerson } from './keep-people.ts';
import { listPeople } from './list-people.ts';
import { describeMe, peopleNamed, personOf } from './people.ts';

const OnePerson = z.object({ id: Id });

/** What else is to be done when somebody is retired, as the capabilities that know of people's work say. */
export type OnRetire = (db: EntityManager, organisation: string, person: string) => Promise<void>;

export const accountRoutes = (post: Post, onRetire: OnRetire): Route[] => [
  route({
    method: 'get',
    path: '/api/me',
    allowed: 'signed in',
    summary: 'Who is signed in, and where',
    answer: Me,
    handle: ({ db, session }) => describeMe(db, session),
  }),
  route({
    method: 'put',
    path: '/api/me/settings',
    allowed: 'signed in',
    summary: 'How one wants it, on whatever phone',
    body: SettingsChange,
    answer: Me,
    handle: async ({ db, body, session }) => {
      await db.query(`UPDATE person SET settings = settings || $2::jsonb WHERE id = $1`, [
        session.person,
        JSON.stringify(body),
      ]);
      return describeMe(db, session);
    },
  }),
  route({
    method: 'get',
    path: '/api/people',
    allowed: 'read',
    summary: 'People who are looked for with their credentials, a page at a time',
    query: PeopleQuery,
    answer: PeopleAnswer,
    handle: ({ db, query }) => listPeople(db, query),
  }),
  route({
    method: 'get',
    path: '/api/people/names',
    allowed: 'read',
    summary: 'Everybody there is or was, by name and role',
    answer: PeopleNamed,
    handle: async ({ db }) => ({ people: await peopleNamed(db) }),
  }),
  route({
    method: 'get',
    path: '/api/people/:id',
    allowed: 'read',
    summary: 'One person with their credentials',
    params: OnePerson,
    answer: Person,
    handle: async ({ db, params }) => personOf(await findPerson(db, params.id)),
  }),
  longRoute({
    method: 'post',
    path: '/api/people',
    allowed: 'keep people',
    summary: 'Add a person and invite them by mail',
    body: PersonDraft,
    answer: PersonSaved,
    handle: async ({ within, body, session }) =>
      invite(post, within, session, await within((db) => addPerson(db, session, body))),
  }),
  route({
    method: 'put',
    path: '/api/people/:id',
    allowed: 'keep people',
    summary: 'Change a person and their credentials',
    params: OnePerson,
    body: PersonDraft,
    answer: Person,
    handle: async ({ db, params, body, session }) => {
      await changePerson(db, session, params.id, body);
      return personOf(await findPerson(db, params.id));
    },
  }),
  route({
    method: 'put',
    path: '/api/people/:id/retired',
    allowed: 'keep people',
    summary: 'Retire a person, or take them back',
    params: OnePerson,
    body: RetirePerson,
    answer: Person,
    handle: async ({ db, params, body, session }) => {
      await retirePerson(db, session, params.id, body.retired);
      if (body.retired) await onRetire(db, session.organisation, params.id);
      return personOf(await findPerson(db, params.id));
    },
  }),
  longRoute({
    method: 'post',
    path: '/api/people/:id/invitation',
    allowed: 'keep people',
    summary: 'Send somebody a new way to choose a password',
    params: OnePerson,
    answer: PersonSaved,
    handle: async ({ within, params, session }) => {
      await within((db) => mayInvite(db, session, params.id));
      return invite(post, within, session, params.id);
    },
  }),
];

/** The person is there whether or not the letter goes out: it can be sent again. */
async function invite(
  post: Post,
  within: Within,
  session: Session,
  id: string,
): Promise<z.infer<typeof PersonSaved>> {
  const { organisation, row, token } = await within(async (db) => ({
    organisation: await db.findOneByOrFail(OrganisationRow, { id: session.organisation }),
    row: await findPerson(db, id),
    token: await makeInvitation(db, session.organisation, id),
  }));
  const invited = await sendInvitation(post, organisation, row, token, session.person).then(
    () => true,
    () => false,
  );
  return { person: personOf(row), invited };
}
