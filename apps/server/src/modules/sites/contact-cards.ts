import ICAL from 'ical.js';
import type { SiteRow } from './entities.ts';

/** Some readers part every text at a semicolon, though only some properties have parts. */
const plain = (text: string): string => text.replaceAll(';', ',');

/**
 * The people of a place as contact cards (vCard 4.0, RFC 6350), as telephones and mail programs take
 * them in: by whom one knows them there, and for whom they are there.
 */
export function contactCards({
  contacts,
  client,
  name: place,
}: Pick<SiteRow, 'contacts' | 'client' | 'name'>): string {
  return contacts
    .map(({ name, role, phone, email }) => {
      const card = new ICAL.Component('vcard');
      card.addPropertyWithValue('version', '4.0');
      card.addPropertyWithValue('fn', plain(name));
      if (role) card.addPropertyWithValue('role', plain(role));
      if (client) card.addPropertyWithValue('org', plain(client));
      if (phone) {
        const tel = card.addPropertyWithValue('tel', phone);
        tel.setParameter('type', 'work');
      }
      if (email) card.addPropertyWithValue('email', email);
      card.addPropertyWithValue('note', plain(place));
      return `${card.toString()}\r\n`;
    })
    .join('');
}
