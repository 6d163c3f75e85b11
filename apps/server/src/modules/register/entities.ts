import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('asset')
export class AssetRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'site_id' }) site!: string;
  @Column('text') kind!: string;
  @Column('text') name!: string;
  @Column('boolean') retired!: boolean;
  /** The sheet in which somebody found it on site; null when the office entered it. */
  @Column('uuid', { name: 'found_in', nullable: true }) foundIn!: string | null;
}
