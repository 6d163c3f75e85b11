import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** Documents with their versions, what they are attached to, and which version counted since when. */
export class Documents1764442800000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE document (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL, name text NOT NULL,
        note text NOT NULL, retired boolean NOT NULL DEFAULT false, current uuid NOT NULL,
        words text NOT NULL GENERATED ALWAYS AS (lower(name || ' ' || note)) STORED,
        PRIMARY KEY (org_id, id)
      );
      CREATE INDEX document_by_name ON document (org_id, name, id);
      CREATE TABLE document_version (
        org_id uuid NOT NULL, id uuid NOT NULL, document_id uuid NOT NULL, number int NOT NULL,
        sha256 text NOT NULL, type text NOT NULL, bytes bigint NOT NULL, file text NOT NULL,
        note text NOT NULL, at timestamptz NOT NULL DEFAULT now(), by uuid NOT NULL,
        PRIMARY KEY (org_id, id), UNIQUE (org_id, document_id, number),
        FOREIGN KEY (org_id, document_id) REFERENCES document (org_id, id)
          DEFERRABLE INITIALLY DEFERRED
      );
      CREATE TABLE document_counted (
        org_id uuid NOT NULL, document_id uuid NOT NULL,
        -- None from here on, where the document was retired.
        version_id uuid,
        since timestamptz NOT NULL DEFAULT clock_timestamp(), by uuid NOT NULL,
        FOREIGN KEY (org_id, document_id) REFERENCES document (org_id, id)
          DEFERRABLE INITIALLY DEFERRED,
        FOREIGN KEY (org_id, version_id) REFERENCES document_version (org_id, id)
      );
      CREATE INDEX document_counted_since ON document_counted (org_id, document_id, since);
      -- What it was attached to, and from when to when: a sheet of before is not read by what came after.
      CREATE TABLE document_link (
        org_id uuid NOT NULL, document_id uuid NOT NULL,
        "to" text NOT NULL CONSTRAINT linked_to_known CHECK ("to" IN ('site', 'asset', 'kind', 'template')),
        ref uuid NOT NULL, since timestamptz NOT NULL DEFAULT now(), until timestamptz,
        FOREIGN KEY (org_id, document_id) REFERENCES document (org_id, id)
          DEFERRABLE INITIALLY DEFERRED
      );
      CREATE UNIQUE INDEX document_linked ON document_link (org_id, document_id, "to", ref)
        WHERE until IS NULL;
      CREATE INDEX document_link_of ON document_link (org_id, ref);
    `);
    for (const table of ['document', 'document_version', 'document_counted', 'document_link'])
      await keepApart(runner, table, 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'DROP TABLE document_link, document_counted, document_version, document CASCADE',
    );
  }
}
