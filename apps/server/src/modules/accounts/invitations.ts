import { createHash, randomBytes } from 'node:crypto';
import { Invitation } from '@ant-trail/contract/accounts';
import type { Express } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { inOrganisation } from '../../database/tenancy.ts';
import { problemWithInput } from '../../http/readable.ts';
import { sendLetter } from '../../mail/letters.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { Turns } from '../../turns/turns.ts';
import { PersonRow, type OrganisationRow } from './entities.ts';
import { hashPassword } from './password.ts';

const DAYS_OPEN = 7;
const HASHING = { atOnce: 2, each: 1, waiting: 20 } as const;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Where letters go out, and the address people know this office by. */
export interface Post {
  readonly mailPort: number;
  readonly publicUrl: string;
}

/** Makes an invitation, in the place of any before; only the hash of what the letter says is kept. */
export async function makeInvitation(
  db: EntityManager,
  organisation: string,
  person: string,
): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await db.query(`DELETE FROM invitation WHERE person_id = $1`, [person]);
  await db.query(
    `INSERT INTO invitation (org_id, token_hash, person_id, expires_at)
     VALUES ($1, $2, $3, now() + make_interval(days => $4))`,
    [organisation, hashOf(token), person, DAYS_OPEN],
  );
  return token;
}

/** Sends somebody the way to choose a password. */
export async function sendInvitation(
  { mailPort, publicUrl }: Post,
  organisation: OrganisationRow,
  person: PersonRow,
  token: string,
  seenBy: string,
): Promise<void> {
  await sendLetter(mailPort, {
    organisation: organisation.id,
    seenBy,
    to: [person.email],
    subject: `Your way into Ant Trail at ${organisation.name}`,
    text: [
      `Good day ${person.name},`,
      `${organisation.name} works with Ant Trail, and this is your way in: choose a password at`,
      `${publicUrl}/sign-in?invitation=${token}`,
      `It can be used once, within ${DAYS_OPEN} days. If you did not expect this, leave it alone.`,
    ].join('\n\n'),
  });
}

/** Taking up an invitation stands apart from the other routes: nobody is signed in yet. */
export function mountInvitations(app: Express, data: DataSource): void {
  const hashing = new Turns(HASHING);
  app.post('/api/invitations', async (request, response) => {
    const problem = problemWithInput(request.body);
    if (problem) throw new Refusal(400, 'wrong-input', problem);
    const { token, password } = Invitation.parse(request.body);
    const [found] = await data.query<{ org_id: string; person_id: string }[]>(
      `SELECT * FROM find_invitation($1)`,
      [hashOf(token)],
    );
    if (!found) throw over();
    const passwordHash = await hashing.take(request.ip ?? '', () => hashPassword(password));
    const email = await inOrganisation(data, found.org_id, async (db) => {
      // Used up first: two who come at once with the same letter do not both get in.
      const used = await db.query<[unknown[], number]>(
        `DELETE FROM invitation WHERE token_hash = $1 RETURNING person_id`,
        [hashOf(token)],
      );
      if (used[1] === 0) throw over();
      await db.update(PersonRow, { id: found.person_id }, { passwordHash });
      // Whoever chooses a password anew may do so because somebody else had the old one.
      await db.query(`DELETE FROM session WHERE person_id = $1`, [found.person_id]);
      return (await db.findOneByOrFail(PersonRow, { id: found.person_id })).email;
    });
    response.json({ email, organisation: found.org_id });
  });
}

const over = (): Refusal =>
  new Refusal(
    410,
    'invitation-over',
    'This invitation was used already, or is too old. Ask your office to send it again.',
  );
