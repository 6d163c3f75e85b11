import { randomUUID } from 'node:crypto';
import { ClientDraft, SiteDraft } from '@ant-trail/contract/sites';
import type { Facts, Field } from '@ant-trail/core/fields';
import { readNumber } from '@ant-trail/core/measure';
import { announce } from '../../database/feed.ts';
import { insertAll } from '../../database/insert-all.ts';
import {
  column,
  plain,
  readDraft,
  sayThere,
  type ImportLine,
  type ImportTarget,
} from '../../tables/import-target.ts';
import { fieldsOf, ownColumns } from '../fields/own-fields.ts';
import { columnsOf, factsOf } from '../fields/read-facts.ts';
import { noteClients } from './clients.ts';
import { ClientRow, SiteRow } from './entities.ts';
import { tellOfSites } from './tell.ts';

const CONTACT = [
  column('contact', 'Contact', ['contact name', 'contact person', 'ask for']),
  column('role', 'Role of the contact', ['contact role', 'function', 'position']),
  column('phone', 'Telephone', ['phone', 'mobile', 'tel', 'telephone number']),
  column('email', 'E-mail', ['email', 'mail', 'e-mail address']),
];

function contactOf(line: ImportLine) {
  const name = line.get('contact') ?? '';
  const [phone, email] = [line.get('phone') ?? '', line.get('email') ?? ''];
  if (!name && !phone && !email) return [];
  return [{ name: name || 'Contact', role: line.get('role') ?? '', phone, email }];
}

/** Clients by the file: one line for each. */
export const clientImport: ImportTarget<ClientDraft> = {
  kind: 'clients',
  allowed: 'keep places',
  columns: async (db) => [
    column('name', 'Client', ['name', 'customer', 'company'], { required: true }),
    column('number', 'Number', ['client number', 'customer number', 'no', 'id']),
    column('address', 'Address', ['street', 'postal address']),
    ...CONTACT,
    column('note', 'Note', ['remark', 'remarks', 'notes']),
    ...columnsOf(await fieldsOf(db, 'client')),
  ],
  begin: async (db) => {
    const there = new Map(
      (await db.find(ClientRow, { select: { name: true } })).map(({ name }) => [plain(name), 0]),
    );
    const fields = await fieldsOf(db, 'client');
    return (line, number) => {
      const own = factsOf(fields, line);
      if (typeof own === 'string') return { why: own };
      const read = readDraft(
        ClientDraft,
        {
          ...{ name: line.get('name') ?? '', number: line.get('number') ?? '' },
          ...{ address: line.get('address') ?? '', note: line.get('note') ?? '' },
          ...{ contacts: contactOf(line), own },
        },
        { name: 'Client', contacts: 'Contact' },
      );
      if ('why' in read) return read;
      const { draft } = read;
      const before = there.get(plain(draft.name));
      if (before !== undefined)
        return { why: sayThere(`There is a client called “${draft.name}”`, before) };
      there.set(plain(draft.name), number);
      return { draft, said: [draft.name, draft.number, draft.address].filter(Boolean).join(', ') };
    };
  },
  keep: async (db, { organisation }, drafts) => {
    const fields = await fieldsOf(db, 'client');
    const rows = drafts.map((draft) => ({
      ...{ id: randomUUID(), org_id: organisation, ...draft },
      ...ownRow(fields, draft.own),
    }));
    await insertAll(db, 'client', rows);
    await announce(
      db,
      organisation,
      rows.map(({ id }) => ({ kind: 'client', ref: id })),
    );
  },
};

/** Places by the file. */
export const siteImport: ImportTarget<SiteDraft> = {
  kind: 'places',
  allowed: 'keep places',
  columns: async (db) => [
    column('name', 'Place', ['name', 'site', 'site name', 'location'], { required: true }),
    column('client', 'Client', ['customer', 'company', 'owner']),
    column('number', 'The client’s number for it', ['number', 'site number', 'no', 'id']),
    column('address', 'Address', ['street', 'postal address']),
    column('lat', 'Latitude', ['lat', 'y'], {
      required: true,
      help: 'In degrees, such as 38.62',
    }),
    column('lon', 'Longitude', ['lon', 'lng', 'long', 'x'], {
      ...{ required: true, help: 'In degrees, such as -41.30' },
    }),
    column('access', 'Getting in', ['access', 'directions', 'entry']),
    column('hazards', 'Hazards', ['hazard', 'danger', 'warnings'], {
      help: 'Several between semicolons',
    }),
    ...CONTACT,
    ...columnsOf(await fieldsOf(db, 'place')),
  ],
  begin: async (db) => {
    const sites = await db.find(SiteRow, { select: { name: true, client: true, number: true } });
    const names = new Map(sites.map(({ name }) => [plain(name), 0]));
    const numberOf = ({ client, number }: Pick<SiteRow, 'client' | 'number'>): string =>
      `${plain(client)} ${plain(number)}`;
    const numbers = new Map(
      sites.filter(({ number }) => number.trim() !== '').map((site) => [numberOf(site), 0]),
    );
    const fields = await fieldsOf(db, 'place');
    return (line, at) => {
      const own = factsOf(fields, line);
      if (typeof own === 'string') return { why: own };
      const where = placeOf(line);
      if ('why' in where) return where;
      const read = readDraft(
        SiteDraft,
        {
          ...{ name: line.get('name') ?? '', client: line.get('client') ?? '', ...where },
          ...{ number: line.get('number') ?? '', address: line.get('address') ?? '' },
          access: line.get('access') ?? '',
          hazards: (line.get('hazards') ?? '')
            .split(';')
            .map((hazard) => hazard.trim())
            .filter(Boolean),
          ...{ contacts: contactOf(line), own },
        },
        { ...{ name: 'Place', lat: 'Latitude', lon: 'Longitude' }, contacts: 'Contact' },
      );
      if ('why' in read) return read;
      const { draft } = read;
      const named = names.get(plain(draft.name));
      if (named !== undefined)
        return { why: sayThere(`There is a place called “${draft.name}”`, named) };
      const numbered = draft.number ? numbers.get(numberOf(draft)) : undefined;
      if (numbered !== undefined)
        return {
          why: sayThere(`${draft.client || 'Somebody'} has number ${draft.number}`, numbered),
        };
      names.set(plain(draft.name), at);
      if (draft.number) numbers.set(numberOf(draft), at);
      return { draft, said: [draft.name, draft.client, draft.address].filter(Boolean).join(', ') };
    };
  },
  keep: async (db, { organisation, branch }, drafts) => {
    const fields = await fieldsOf(db, 'place');
    const rows = drafts.map((draft) => ({
      ...{ id: randomUUID(), org_id: organisation, branch_id: branch, retired: false },
      ...draft,
      ...ownRow(fields, draft.own),
    }));
    await insertAll(db, 'site', rows);
    await noteClients(
      db,
      organisation,
      drafts.map(({ client }) => client),
    );
    await tellOfSites(
      db,
      organisation,
      rows.map(({ id }) => ({ kind: 'site', ref: id, site: id })),
    );
  },
};

function ownRow(fields: readonly Field[], facts: Facts = {}) {
  const { own, ownFound, ownWords } = ownColumns(fields, facts);
  return { own, own_found: ownFound, own_words: ownWords };
}

type Degrees = { readonly lat: number; readonly lon: number };

function placeOf(line: ImportLine): Degrees | { readonly why: string } {
  const degrees = (key: 'lat' | 'lon', label: string, most: number): number | string => {
    const text = line.get(key) ?? '';
    const read = readNumber(text, { comma: 'decimal', units: ['°'] });
    if (!('value' in read)) return `${label}: “${text}” is no number of degrees.`;
    return Math.abs(read.value) <= most ? read.value : `${label}: from −${most} to ${most}.`;
  };
  const lat = degrees('lat', 'Latitude', 90);
  if (typeof lat === 'string') return { why: lat };
  const lon = degrees('lon', 'Longitude', 180);
  return typeof lon === 'string' ? { why: lon } : { lat, lon };
}
