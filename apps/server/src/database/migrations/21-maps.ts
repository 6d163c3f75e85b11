import type { MigrationInterface, QueryRunner } from 'typeorm';
import { keepApart } from './keep-apart.ts';

/** The organisation's map, in layers. */
export class Maps1764349200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE map_layer (
        org_id uuid NOT NULL REFERENCES organisation, id uuid NOT NULL, name text NOT NULL,
        look text NOT NULL CONSTRAINT map_look_known CHECK (look IN
          ('land', 'height', 'water', 'plot', 'building', 'path', 'road', 'cableway')),
        content jsonb NOT NULL, retired boolean NOT NULL DEFAULT false,
        PRIMARY KEY (org_id, id)
      );
    `);
    await keepApart(runner, 'map_layer', 'org_id');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE map_layer');
  }
}
