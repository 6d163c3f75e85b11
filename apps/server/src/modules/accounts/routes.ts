import { Me, PeopleAnswer, SignIn } from '@ant-trail/contract/accounts';
import type { Express } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { inOrganisation } from '../../database/tenancy.ts';
import { Refusal } from '../../http/problem.ts';
import { OFFICE, route } from '../../http/route.ts';
import {
  closeSession,
  openSession,
  readSession,
  sessionCookie,
  tokenOf,
} from '../../http/session.ts';
import { passwordFits } from './password.ts';
import { describeMe, listPeople } from './people.ts';

export const accountRoutes = [
  route({
    method: 'get',
    path: '/api/me',
    allowed: 'signed in',
    summary: 'Who is signed in, and where',
    answer: Me,
    handle: ({ db, session }) => describeMe(db, session),
  }),
  route({
    method: 'get',
    path: '/api/people',
    allowed: OFFICE,
    summary: 'The people of the organisation with their credentials',
    answer: PeopleAnswer,
    handle: async ({ db }) => ({ people: await listPeople(db) }),
  }),
];

/** Signing in and out stand apart from the other routes: nobody is signed in yet, or any more. */
export function mountSignIn(app: Express, data: DataSource, secure: boolean): void {
  const limit = rateLimit({
    windowMs: 10 * 60_000,
    limit: 10,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: (request) => {
      const body: unknown = request.body;
      const email = SignIn.shape.email.safeParse(
        typeof body === 'object' && body !== null && 'email' in body ? body.email : '',
      );
      return `${ipKeyGenerator(request.ip ?? '')} ${email.data?.toLowerCase() ?? ''}`;
    },
    handler: () => {
      throw new Refusal(429, 'too-many', 'Too many tries. Wait ten minutes, then try again.');
    },
  });

  app.post('/api/sign-in', limit, async (request, response) => {
    const { email, password } = SignIn.parse(request.body);
    const found = await data.query<{ org_id: string; person_id: string; password_hash: string }[]>(
      `SELECT * FROM find_sign_in($1)`,
      [email],
    );
    const person = found[0];
    if (!(await passwordFits(person?.password_hash, password)) || !person)
      throw new Refusal(401, 'wrong-sign-in', 'E-mail address and password do not go together.');
    const token = await openSession(data, person.org_id, person.person_id);
    response.setHeader('Set-Cookie', sessionCookie(token, secure));
    const session = await readSession(data, {
      headers: { cookie: `trail_session=${token}` },
    });
    if (!session) throw new Error('the session just opened is not there');
    response.json(await inOrganisation(data, person.org_id, (db) => describeMe(db, session)));
  });

  app.post('/api/sign-out', async (request, response) => {
    const token = tokenOf(request);
    const session = token && (await readSession(data, request));
    if (token && session) await closeSession(data, session, token);
    response.setHeader('Set-Cookie', sessionCookie('', secure));
    response.status(204).end();
  });
}
