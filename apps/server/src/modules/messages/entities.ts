import type { OnTheWay, Told } from '@ant-trail/contract/messages';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('on_the_way')
export class OnTheWayRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'visit_id' }) visit!: string;
  @Column('jsonb') body!: OnTheWay;
  @Column('text') outcome!: Told['outcome'];
}
