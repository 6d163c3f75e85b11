import type { CatalogueColumn, CatalogueRow as Row } from '@ant-trail/core/catalogues';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One catalogue with all its rows: it is imported whole and goes to phones whole. */
@Entity('catalogue')
export class CatalogueEntity {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @Column('text') key!: string;
  @Column('text') name!: string;
  @Column('int') number!: number;
  @Column('timestamptz', { name: 'imported_at' }) importedAt!: Date;
  @Column('jsonb') columns!: readonly CatalogueColumn[];
  @Column('jsonb') rows!: readonly Row[];
}
