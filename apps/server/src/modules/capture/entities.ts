import type { Entry, Oddity } from '@ant-trail/core/log';
import type { LastAnswer, SheetSummary } from '@ant-trail/core/sheet';
import { Column, Entity, JoinColumn, OneToOne, PrimaryColumn, type Relation } from 'typeorm';
import { JobRow } from '../planning/entities.ts';

@Entity('sheet')
export class SheetRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @OneToOne(() => JobRow, (job) => job.sheet)
  @JoinColumn({ name: 'job_id' })
  job!: Relation<JobRow>;
  @Column('uuid', { name: 'version_id' }) version!: string;
  /** A projection of the log: can be thrown away and folded again. */
  @Column('jsonb') summary!: SheetSummary;
  /** What the next visit is offered of it; a projection too. */
  @Column('jsonb') carried!: readonly LastAnswer[];
  /** How many entries the projections are made from. */
  @Column('int') folded!: number;
  /** Why they could not be made; null as long as they can. */
  @Column('text', { nullable: true }) trouble!: string | null;
}

@Entity('entry')
export class EntryRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  /** The transaction that brought it. */
  @Column({ type: 'bigint', insert: false }) tx!: string;
  @Column('uuid', { name: 'sheet_id' }) sheet!: string;
  @Column({ type: 'text', insert: false, update: false }) path!: string;
  @Column('text', { nullable: true }) hash!: string | null;
  /** What was odd about it as it arrived. */
  @Column('text', { array: true }) odd!: Oddity[];
  @Column('jsonb') body!: Entry;
  @Column('timestamptz', { name: 'received_at' }) receivedAt!: Date;
}
