import { ROLES } from '@ant-trail/core/accounts';
import { z } from 'zod';
import { KeptSettings } from './settings.ts';
import { Day, Id, Instant, ListQuery, listOf, MinuteOfDay, Name } from '../common/index.ts';

export const Role = z.enum(ROLES);
export type Role = z.infer<typeof Role>;

export const SignIn = z.object({
  email: z.email('Write your e-mail address.'),
  password: z.string().min(1, 'Write your password.').max(200),
  /** Which one, for somebody who works for several under the same address and password. */
  organisation: Id.optional(),
  /** Only as this person: somebody goes on where they were. */
  as: Id.optional(),
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

/** What a sheet or a client takes of whoever does the work, by the names credentials and skills have. */
export const Demands = z
  .object({
    credentials: z.array(Name).max(30).exactOptional(),
    skills: z.array(Name).max(30).exactOptional(),
  })
  .strict();
export type Demands = z.infer<typeof Demands>;

export const WorkingHours = z
  .object({ weekday: z.int().min(1).max(7), from: MinuteOfDay, to: MinuteOfDay })
  .strict()
  .refine(({ from, to }) => from < to, {
    path: ['to'],
    error: 'The end lies before the beginning.',
  });

export const Absence = z
  .object({ from: Day, to: Day, why: z.string().trim().max(200) })
  .strict()
  .refine(({ from, to }) => from <= to, {
    path: ['to'],
    error: 'The end lies before the beginning.',
  });

/** What somebody drives, and how much goes into it, in several measures at once. */
export const Vehicle = z
  .object({
    name: Name,
    holds: z
      .array(z.object({ what: Name, most: z.number().min(0).max(1_000_000) }).strict())
      .max(12),
  })
  .strict();
export type Vehicle = z.infer<typeof Vehicle>;

const abilities = {
  skills: z.array(Name).max(60),
  hours: z.array(WorkingHours).max(28),
  absences: z.array(Absence).max(200),
  /** The place their day begins and ends at. */
  startsAt: Id.nullable(),
  vehicle: Vehicle.nullable(),
  /** Those they may work for; they are in one of them at a time. */
  branches: z.array(Id).min(1, 'Choose at least one branch.').max(200),
};

export const Person = z.object({
  id: Id,
  name: Name,
  email: z.email(),
  phone: z.string().max(40),
  roles: z.array(Role).min(1),
  trade: z.string().max(80),
  credentials: z.array(Credential),
  /** Works here no more. */
  retired: z.boolean().default(false),
  /** Has an own password; until then an invitation is under way. */
  joined: z.boolean().default(true),
  // Servers of before say nothing of these.
  skills: abilities.skills.default([]),
  hours: abilities.hours.default([]),
  absences: abilities.absences.default([]),
  startsAt: abilities.startsAt.default(null),
  vehicle: abilities.vehicle.default(null),
  branches: z.array(Id).default([]),
});
export type Person = z.infer<typeof Person>;

/** A person as the office adds or changes them. */
export const PersonDraft = z
  .object({
    name: Name,
    email: z
      .email('This is not an e-mail address.')
      .max(200)
      .transform((text) => text.toLowerCase()),
    phone: z.string().trim().max(40),
    roles: z.array(Role).min(1, 'Choose at least one role.').max(ROLES.length),
    trade: z.string().trim().max(80),
    credentials: z
      .array(
        z
          .object({
            kind: Name,
            number: z.string().trim().min(1, 'Give its number.').max(80),
            issuer: Name,
            expiresOn: Day,
          })
          .strict(),
      )
      .max(30),
    // What is not said stays as it is.
    skills: abilities.skills.exactOptional(),
    hours: abilities.hours.exactOptional(),
    absences: abilities.absences.exactOptional(),
    startsAt: abilities.startsAt.exactOptional(),
    vehicle: abilities.vehicle.exactOptional(),
    branches: abilities.branches.exactOptional(),
  })
  .strict();
export type PersonDraft = z.infer<typeof PersonDraft>;

/** A person as they now are, and whether an invitation went out to them. */
export const PersonSaved = z.object({ person: Person, invited: z.boolean() });
export const RetirePerson = z.object({ retired: z.boolean() }).strict();

export const PEOPLE_ORDERS = ['name', '-name'] as const;
export const PeopleQuery = ListQuery.extend({
  role: Role.optional(),
  retired: z.enum(['no', 'yes']).default('no'),
  /** Only those with a credential that expires before this day. */
  expiring: Day.optional(),
  /** Only those who are not there on this day. */
  away: Day.optional(),
  order: z.enum(PEOPLE_ORDERS).default('name'),
});
export const PeopleAnswer = listOf(Person);

/** Everybody there is or was, by name: what ids in jobs and sheets mean. */
export const PeopleNamed = z.object({
  people: z.array(Person.pick({ id: true, name: true, roles: true, trade: true, retired: true })),
});

export const Invitation = z
  .object({
    token: z.string().min(1).max(200),
    password: z.string().min(12, 'At least 12 characters.').max(200),
  })
  .strict();
export type Invitation = z.infer<typeof Invitation>;
/** What to sign in with, now that the password is chosen. */
export const InvitationTaken = z.object({ email: z.email(), organisation: Id });
export type InvitationTaken = z.infer<typeof InvitationTaken>;

export const Branch = z.object({ id: Id, name: z.string() });
export type Branch = z.infer<typeof Branch>;
export const BranchDraft = z.object({ name: Name }).strict();
export const BranchesAnswer = z.object({ branches: z.array(Branch) });
export const BranchChoice = z.object({ branch: Id }).strict();

export { KeptSettings, knownSettings, SettingsChange, type Settings } from './settings.ts';

export const Me = z.object({
  person: Person,
  /** All days and times of work are told in the organisation's own time zone. */
  organisation: z.object({ id: Id, name: Name, timeZone: z.string() }),
  /** The one they are in now, */
  branch: Branch,
  /** and all they may be in. Servers of before know one. */
  branches: z.array(Branch).default([]),
  signedInUntil: Instant,
  /** How they want it. Servers of before do not know. */
  settings: KeptSettings.default({}),
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
