import type { ClockSaid, SiteTimeSaid } from '@ant-trail/contract/timesheet';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('clock_entry')
export class ClockEntryRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'person_id' }) person!: string;
  @Column('date') day!: string;
  @Column('jsonb') body!: ClockSaid;
}

@Entity('site_time')
export class SiteTimeRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'visit_id' }) visit!: string;
  @Column('jsonb') body!: SiteTimeSaid;
}

@Entity('hours_approval')
export class HoursApprovalRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid', { name: 'person_id' }) person!: string;
  @PrimaryColumn('date') monday!: string;
  @Column('int') minutes!: number;
  /** What was approved: other where something changed since. */
  @Column('text') mark!: string;
  @Column('uuid') by!: string;
  @Column({ type: 'timestamptz', insert: false }) at!: Date;
}
