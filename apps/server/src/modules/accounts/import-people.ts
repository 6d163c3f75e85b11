import { randomUUID } from 'node:crypto';
import { PersonDraft } from '@ant-trail/contract/accounts';
import { ROLES, type Role } from '@ant-trail/core/accounts';
import { namesIn } from '@ant-trail/core/exchange';
import { announce } from '../../database/feed.ts';
import { insertAll } from '../../database/insert-all.ts';
import {
  column,
  plain,
  readDraft,
  sayThere,
  type ImportTarget,
} from '../../tables/import-target.ts';
import { PersonRow } from './entities.ts';

/** What roles are written as; nothing is a technician. */
function rolesOf(text: string): Role[] | string {
  const words = text.split(/[,;/]/).map(plain).filter(Boolean);
  if (words.length === 0) return ['technician'];
  const unknown = words.find((word) => !(ROLES as readonly string[]).includes(word));
  return unknown === undefined
    ? ([...new Set(words)] as Role[])
    : `Roles: “${unknown}” is none of ${ROLES.join(', ')}.`;
}

/** People by the file. They have no way in until they are invited. */
export const peopleImport: ImportTarget<PersonDraft> = {
  kind: 'people',
  allowed: 'keep people',
  columns: () =>
    Promise.resolve([
      column('name', 'Name', ['full name', 'person', 'employee', 'technician'], { required: true }),
      column('email', 'E-mail', ['email', 'mail', 'e-mail address'], { required: true }),
      column('phone', 'Telephone', ['phone', 'mobile', 'tel']),
      column('roles', 'Roles', ['role', 'rights'], {
        help: `${ROLES.join(', ')}; several between commas; technician where left empty`,
      }),
      column('trade', 'Trade', ['profession', 'job title']),
      column('skills', 'Skills', ['skill', 'can do', 'competences'], {
        help: 'several between commas',
      }),
    ]),
  begin: async (db, session) => {
    const addresses = new Map(
      (await db.find(PersonRow, { select: { email: true } })).map(({ email }) => [email, 0]),
    );
    return (line, number) => {
      const roles = rolesOf(line.get('roles') ?? '');
      if (typeof roles === 'string') return { why: roles };
      if (roles.includes('administrator') && !session.roles.includes('administrator'))
        return { why: 'Roles: only an administrator makes administrators.' };
      const read = readDraft(
        PersonDraft,
        {
          ...{ name: line.get('name') ?? '', email: plain(line.get('email') ?? ''), roles },
          ...{ phone: line.get('phone') ?? '', trade: line.get('trade') ?? '', credentials: [] },
          skills: namesIn(line.get('skills') ?? ''),
        },
        { name: 'Name', email: 'E-mail', phone: 'Telephone', trade: 'Trade', skills: 'Skills' },
      );
      if ('why' in read) return read;
      const { draft } = read;
      const before = addresses.get(draft.email);
      if (before !== undefined) return { why: sayThere(`Somebody has ${draft.email}`, before) };
      addresses.set(draft.email, number);
      return { draft, said: [draft.name, draft.email, draft.roles.join(', ')].join(', ') };
    };
  },
  keep: async (db, { organisation: org, branch }, drafts) => {
    const rows = drafts.map(({ name, email, phone, roles, trade, skills = [] }) => ({
      ...{ id: randomUUID(), org_id: org, branch_id: branch },
      ...{ name, email, phone, roles, trade, skills },
      ...{ password_hash: null, retired: false },
    }));
    await insertAll(db, 'person', rows);
    await insertAll(
      db,
      'person_branch',
      rows.map(({ id }) => ({ org_id: org, person_id: id, branch_id: branch })),
    );
    await announce(
      db,
      org,
      rows.map(({ id }) => ({ kind: 'person', ref: id, reach: null })),
    );
  },
};
