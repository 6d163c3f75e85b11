import { SignIn } from '@ant-trail/contract/accounts';
import type { Express, Request } from 'express';
import type { DataSource } from 'typeorm';
import { inOrganisation } from '../../database/tenancy.ts';
import { problemWithInput } from '../../http/readable.ts';
import {
  closeSession,
  mustBeMeant,
  openSession,
  readSession,
  sessionCookie,
} from '../../http/session.ts';
import type { Live } from '../../live/live.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { Turns } from '../../turns/turns.ts';
import { isKnownDevice, knowDevice, knownDeviceCookie } from './known-devices.ts';
import { passwordFits } from './password.ts';
import { describeMe } from './people.ts';
import { SignInTries } from './sign-in-tries.ts';

interface Found {
  readonly org_id: string;
  readonly organisation: string;
  readonly person_id: string;
  readonly password_hash: string;
}

/** Checking a password takes memory and time on purpose: few go on at once. */
const HASHING = { atOnce: 4, each: 2, waiting: 20 } as const;

const wrongSignIn = (): Refusal =>
  new Refusal(401, 'wrong-sign-in', 'E-mail address and password do not go together.');

/** Signing in and out stand apart from the other routes: nobody is signed in yet, or any more. */
export function mountSignIn(app: Express, data: DataSource, live: Live, secure: boolean): void {
  const hashing = new Turns(HASHING);
  const tries = new SignInTries();

  app.post('/api/sign-in', async (request, response) => {
    const problem = problemWithInput(request.body);
    if (problem) throw new Refusal(400, 'wrong-input', problem);
    const { email, password, organisation, as } = SignIn.parse(request.body);
    const source = request.ip ?? '';
    const known = await isKnownDevice(data, request, email);
    const counted = tries.begin(source, email, known);
    const found = await data.query<Found[]>(`SELECT * FROM find_sign_in($1)`, [email]);
    const fitting = await hashing.take(source, () => whoseFits(found, password));
    if (fitting.length === 0) throw wrongSignIn();
    counted.succeeded();
    const chosen = organisation
      ? fitting.find(({ org_id }) => org_id === organisation)
      : fitting[0];
    if (!chosen) throw wrongSignIn();
    if (as && chosen.person_id !== as)
      throw new Refusal(
        409,
        'another',
        'This is somebody else’s sign-in. Sign out here first, and sign in as them.',
      );
    if (fitting.length > 1 && !organisation) {
      response.json({
        choose: fitting.map(({ org_id, organisation: name }) => ({ id: org_id, name })),
      });
      return;
    }
    const token = await openSession(data, chosen.org_id, chosen.person_id);
    const device = await knowDevice(data, chosen.org_id, chosen.person_id);
    response.setHeader('Set-Cookie', [
      sessionCookie(token, secure),
      knownDeviceCookie(device, secure),
    ]);
    const session = await readSession(data, { headers: { cookie: `trail_session=${token}` } });
    if (!session) throw wrongSignIn();
    response.json(await inOrganisation(data, chosen.org_id, (db) => describeMe(db, session)));
  });

  app.post('/api/sign-out', async (request: Request, response) => {
    const session = await readSession(data, request);
    if (session) {
      mustBeMeant(session, request.headers);
      await closeSession(data, session);
      live.endSession(session.token);
    }
    response.setHeader('Set-Cookie', sessionCookie('', secure));
    response.status(204).end();
  });
}

/** Those of one address whose password this is; with nobody there it takes as long. */
async function whoseFits(found: readonly Found[], password: string): Promise<Found[]> {
  if (found.length === 0) await passwordFits(undefined, password);
  const fitting: Found[] = [];
  for (const each of found)
    if (await passwordFits(each.password_hash, password)) fitting.push(each);
  return fitting;
}
