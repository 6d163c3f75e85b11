import type { Entry, Oddity } from '@ant-trail/core/log';
import type { LastAnswer, SheetSummary } from '@ant-trail/core/sheet';
import { Column, Entity, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { JobRow } from '../planning/entities.ts';

@Entity('sheet')
export class SheetRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @ManyToOne(() => JobRow, (job) => job.sheets)
  @JoinColumn({ name: 'job_id' })
  job!: Relation<JobRow>;
  @Column('uuid', { name: 'version_id' }) version!: string;
  @Column('uuid', { name: 'template_id' }) template!: string;
  @Column('text') title!: string;
  /** Whose it is; null for everybody at the job. */
  @Column('uuid', { name: 'person_id', nullable: true }) person!: string | null;
  /** The thing of the register it is about. */
  @Column('uuid', { name: 'asset_id', nullable: true }) asset!: string | null;
  @Column('boolean') expected!: boolean;
  /** Where it stands among the sheets of its job. */
  @Column('int') place!: number;
  /** Who added it on site; null where the office planned it. */
  @Column('uuid', { name: 'added_by', nullable: true }) addedBy!: string | null;
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
