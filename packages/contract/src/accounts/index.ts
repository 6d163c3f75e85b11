import { ROLES } from '@ant-trail/core/accounts';
import { z } from 'zod';
import { Day, Id, Instant, Name } from '../common/index.ts';

export const Role = z.enum(ROLES);
export type Role = z.infer<typeof Role>;

export const SignIn = z.object({
  email: z.email('Write your e-mail address.'),
  password: z.string().min(1, 'Write your password.').max(200),
  /** Which one, for somebody who works for several under the same address and password. */
  organisation: Id.optional(),
});
export type SignIn = z.infer<typeof SignIn>;

export const Credential = z.object({
  id: Id,
  kind: Name,
  number: z.string().min(1).max(80),
  issuer: Name,
  expiresOn: Day,
});
export type Credential = z.infer<typeof Credential>;

export const Person = z.object({
  id: Id,
  name: Name,
  email: z.email(),
  phone: z.string().max(40),
  roles: z.array(Role).min(1),
  trade: z.string().max(80),
  credentials: z.array(Credential),
});
export type Person = z.infer<typeof Person>;

export const PeopleAnswer = z.object({ people: z.array(Person) });

export const Me = z.object({
  person: Person,
  /** All days and times of work are told in the organisation's own time zone. */
  organisation: z.object({ id: Id, name: Name, timeZone: z.string() }),
  branch: z.object({ id: Id, name: Name }),
  signedInUntil: Instant,
  /** The person's own key, by which their phone passes hold points. Phones of before have none yet. */
  passKey: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .optional(),
});
export type Me = z.infer<typeof Me>;

/** Signed in, or the organisations to choose from. */
export const SignInAnswer = z.union([
  Me,
  z.object({ choose: z.array(z.object({ id: Id, name: Name })).min(2) }),
]);
export type SignInAnswer = z.infer<typeof SignInAnswer>;
