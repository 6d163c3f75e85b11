import { inOrganisation } from '../../src/database/tenancy.ts';
import { MediaFiles } from '../../src/modules/media/files.ts';
import type { Office, Organisation } from './office.ts';

/** A file as if somebody had uploaded it; gives its SHA-256. */
export async function keptFile(
  office: Office,
  org: Organisation,
  words: string,
  type = 'application/pdf',
): Promise<string> {
  const bytes = Buffer.from(`%PDF-1.7 ${words}`);
  const sha256 = await new MediaFiles(office.filesDir).keep(org.id, bytes);
  await inOrganisation(office.data, org.id, (db) =>
    db.query(
      `INSERT INTO media (org_id, sha256, type, bytes, by) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT DO NOTHING`,
      [org.id, sha256, type, bytes.length, org.people.manager],
    ),
  );
  return sha256;
}
