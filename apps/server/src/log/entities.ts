import type { Entry, Oddity } from '@ant-trail/core/log';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('entry')
export class EntryRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  /** The transaction that brought it. */
  @Column({ type: 'bigint', insert: false }) tx!: string;
  @Column('uuid', { name: 'sheet_id' }) sheet!: string;
  @Column({ type: 'text', nullable: true, insert: false, update: false }) path!: string;
  @Column('text', { nullable: true }) hash!: string | null;
  /** What was odd about it as it arrived. */
  @Column('text', { array: true }) odd!: Oddity[];
  @Column('jsonb') body!: Entry;
  @Column('timestamptz', { name: 'received_at' }) receivedAt!: Date;
}
