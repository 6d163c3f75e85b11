import type { Entry } from '@ant-trail/core/log';
import type { SheetSummary } from '@ant-trail/core/sheet';
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
}

@Entity('entry')
export class EntryRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('bigint') seq!: string;
  @Column('uuid', { name: 'sheet_id' }) sheet!: string;
  @Column('jsonb') body!: Entry;
  @Column('timestamptz', { name: 'received_at' }) receivedAt!: Date;
}
