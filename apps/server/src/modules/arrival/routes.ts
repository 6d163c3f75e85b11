import {
  ArrivalDraft,
  ArrivalRemoval,
  ArrivalState,
  ArrivalWords,
  OpeningAsked,
  RecentOpenings,
} from '@ant-trail/contract/arrival';
import { Id } from '@ant-trail/contract/common';
import { z } from 'zod';
import { FileAnswer, longRoute, route, type Route } from '../../http/route.ts';
import { OrganisationRow } from '../accounts/entities.ts';
import { mustBeSite } from '../register/register.ts';
import { drawPlaceCode } from './code-sheet.ts';
import {
  noteOpening,
  placeCode,
  readDetails,
  stateOf,
  takeOffDetails,
  writeDetails,
} from './details.ts';
import type { OfficeKey } from './office-key.ts';
import { openAtVisit } from './open-at-visit.ts';
import { recentOpenings } from './recent-openings.ts';

const one = z.object({ id: Id });

export const arrivalRoutes = (officeKey: OfficeKey): Route[] => [
  route({
    method: 'get',
    path: '/api/sites/:id/arrival',
    allowed: 'read',
    summary: 'Whether a place has details for whoever arrives, and who read them; not the details',
    params: one,
    answer: ArrivalState,
    handle: async ({ db, params }) => {
      await mustBeSite(db, params.id);
      return stateOf(db, params.id);
    },
  }),
  route({
    method: 'put',
    path: '/api/sites/:id/arrival',
    allowed: 'keep places',
    summary: 'Write the details for whoever arrives at a place',
    params: one,
    body: ArrivalDraft,
    answer: ArrivalState,
    handle: async ({ db, params, body, session }) => {
      const own = await officeKey.of(session.organisation);
      return writeDetails(db, session.organisation, own, params.id, body);
    },
  }),
  route({
    method: 'post',
    path: '/api/sites/:id/arrival/removal',
    allowed: 'keep places',
    summary: 'Take the details for whoever arrives at a place off again',
    params: one,
    body: ArrivalRemoval,
    answer: ArrivalState,
    handle: async ({ db, params, body, session }) => {
      const own = await officeKey.of(session.organisation);
      return takeOffDetails(db, session.organisation, own, params.id, body.after);
    },
  }),
  route({
    method: 'post',
    path: '/api/sites/:id/arrival/reading',
    allowed: 'read arrival details',
    summary: 'Read the details for whoever arrives at a place; it is noted',
    params: one,
    answer: ArrivalWords,
    handle: async ({ db, params, session }) => {
      const own = await officeKey.of(session.organisation);
      const words = await readDetails(db, own, params.id);
      await noteOpening(db, session.organisation, {
        ...{ site: params.id, visit: null, person: session.person, how: 'office' },
      });
      return { words };
    },
  }),
  longRoute({
    method: 'post',
    path: '/api/sites/:id/arrival/code',
    allowed: 'read arrival details',
    summary: 'The code to be hung at a place, as a PDF',
    params: one,
    handle: async ({ within, params, session }) => {
      const own = await officeKey.of(session.organisation);
      const sheet = await within(async (db) => ({
        place: (await mustBeSite(db, params.id)).name,
        ...(await placeCode(db, own, params.id)),
        organisation: (await db.findOneByOrFail(OrganisationRow, {})).name,
      }));
      return new FileAnswer(
        'application/pdf',
        await drawPlaceCode(sheet),
        `Code of ${sheet.place}.pdf`,
      );
    },
  }),
  route({
    method: 'post',
    path: '/api/visits/:id/opening',
    allowed: 'walk',
    summary: 'Open a place’s details at an own visit, by position or against a reason',
    params: one,
    body: OpeningAsked,
    answer: ArrivalWords,
    handle: async ({ db, params, body, session }) => {
      const own = await officeKey.of(session.organisation);
      return { words: await openAtVisit(db, session, own, params.id, body) };
    },
  }),
  route({
    method: 'get',
    path: '/api/openings',
    allowed: 'read',
    summary: 'Details opened of late without the code of their place',
    answer: RecentOpenings,
    handle: async ({ db }) => ({ openings: await recentOpenings(db) }),
  }),
];
