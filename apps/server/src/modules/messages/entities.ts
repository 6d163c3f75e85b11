import type { MessageSaid, OnTheWay, Told } from '@ant-trail/contract/messages';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('on_the_way')
export class OnTheWayRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'visit_id' }) visit!: string;
  @Column('jsonb') body!: OnTheWay;
  @Column('text') outcome!: Told['outcome'];
}

@Entity('message')
export class MessageRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'person_id' }) person!: string;
  @Column('uuid', { name: 'visit_id', nullable: true }) visit!: string | null;
  @Column('jsonb') body!: MessageSaid;
  @Column({ type: 'timestamptz', name: 'seen_at', nullable: true }) seenAt!: Date | null;
}
