import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('tag')
export class TagRow {
  /** What stands in its code. */
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('text') number!: string;
  @Column('uuid', { name: 'asset_id', nullable: true }) asset!: string | null;
  @Column('timestamptz', { name: 'bound_at', nullable: true }) boundAt!: Date | null;
}
