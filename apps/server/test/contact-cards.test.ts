import type { Site } from '@ant-trail/contract/sites';
import { parse } from 'vcard4';
import { contactCards } from '../src/modules/sites/contact-cards.ts';
import { openOffice, type Office, type Team } from './support/office.ts';

let office: Office;
let team: Team;

beforeAll(async () => {
  office = await openOffice();
  team = await office.newTeam('cards');
});
afterAll(() => office.close());

/** What another library reads in a file of cards (vcard4, RFC 6350). */
function readBack(text: string): Record<string, unknown>[] {
  const read = parse(text) as unknown as
    { parsedVcard: Property[] } | { parsedVcard: Property[] }[];
  return [read]
    .flat()
    .map(({ parsedVcard }) =>
      Object.fromEntries(parsedVcard.map(({ property, value }) => [property, value])),
    );
}
interface Property {
  readonly property: string;
  readonly value: unknown;
}

test('the people of a place are read as contact cards by another library, whatever stands in their names', () => {
  const odd = 'Ada “the keeper”, of\\all\nthings ' + 'long '.repeat(30).trim();
  const cards = contactCards({
    ...{ name: 'Quay, shed', client: 'Tide; Works' },
    contacts: [
      { name: odd, role: 'keeper, days', phone: '+44 20 7946 0000', email: 'ada@quay.example' },
      { name: 'Bo', role: '', phone: '', email: '' },
    ],
  });
  for (const line of cards.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(76);
  expect(readBack(cards)).toEqual([
    {
      ...{ FN: odd, ROLE: 'keeper, days', ORG: 'Tide, Works', TEL: '+44 20 7946 0000' },
      ...{ EMAIL: 'ada@quay.example', NOTE: 'Quay, shed' },
    },
    { FN: 'Bo', ORG: 'Tide, Works', NOTE: 'Quay, shed' },
  ]);
});

test('they are taken along from the desk, under the name of the place', async () => {
  const { manager, technician, org } = team;
  const at = `/api/sites/${org.site}`;
  const { body } = await manager.call('GET', at);
  const site = Object.fromEntries(
    Object.entries(body as Site).filter(([key]) => key !== 'id' && key !== 'retired'),
  );
  const contact = { name: 'Ada', role: '', phone: '1', email: '' };
  await manager.call('PUT', at, { ...site, contacts: [contact] });
  const answer = await fetch(`${office.url}${at}/contacts.vcf`, {
    headers: { cookie: manager.cookie },
  });
  expect(answer.headers.get('content-type')).toBe('text/vcard; charset=utf-8');
  expect(answer.headers.get('content-disposition')).toContain('.vcf');
  expect(readBack(await answer.text())).toMatchObject([{ FN: 'Ada', TEL: '1' }]);
  expect((await technician.call('GET', `${at}/contacts.vcf`)).status).toBe(403);
});
