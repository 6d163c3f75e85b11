import type { MapLook } from '@ant-trail/core/maps';
import type { FeatureCollection } from 'geojson';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('map_layer')
export class MapLayerRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('text') name!: string;
  @Column('text') look!: MapLook;
  @Column('jsonb') content!: FeatureCollection;
  @Column('boolean') retired!: boolean;
}
