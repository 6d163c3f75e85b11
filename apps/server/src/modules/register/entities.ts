import type { Shape } from '@ant-trail/contract/common';
import type { AssetEvent } from '@ant-trail/contract/register';
import type { Facts, Field } from '@ant-trail/core/fields';
import type { Condition } from '@ant-trail/core/register';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('asset')
export class AssetRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'site_id' }) site!: string;
  @Column('text') kind!: string;
  @Column('text') name!: string;
  @Column('boolean') retired!: boolean;
  @Column('boolean') area!: boolean;
  @Column('uuid', { nullable: true }) within!: string | null;
  @Column('text') condition!: Condition;
  @Column('jsonb') facts!: Facts;
  @Column('jsonb') purposes!: string[];
  /** Areas it belongs to besides the one it stands in. */
  @Column('jsonb', { name: 'also_in' }) alsoIn!: string[];
  /** Where it lies on the map, as GeoJSON; null where it lies at its place. */
  @Column('jsonb', { nullable: true }) shape!: Shape | null;
  /** The sheet in which somebody found it on site; null when the office entered it. */
  @Column('uuid', { name: 'found_in', nullable: true }) foundIn!: string | null;
}

@Entity('asset_kind')
export class AssetKindRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('text') name!: string;
  @Column('jsonb') fields!: Field[];
}

@Entity('asset_event')
export class AssetEventRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'asset_id' }) asset!: string;
  @Column('text') kind!: AssetEvent['kind'];
  @Column('timestamptz') at!: Date;
  @Column('uuid', { name: 'by_id', nullable: true }) by!: string | null;
  @Column('text') was!: string;
  @Column('text') became!: string;
  @Column('text') note!: string;
}
