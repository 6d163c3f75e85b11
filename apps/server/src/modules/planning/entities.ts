import type { JobDecision, JobState, Part } from '@ant-trail/core/planning';
import type { Handover, VisitEvent } from '@ant-trail/contract/planning';
import {
  Column,
  Entity,
  JoinColumn,
  ManyToOne,
  OneToMany,
  PrimaryColumn,
  type Relation,
} from 'typeorm';
import { SheetRow } from '../capture/entities.ts';
import { SiteRow } from '../sites/entities.ts';

@Entity('job')
export class JobRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'branch_id' }) branch!: string;
  @ManyToOne(() => SiteRow)
  @JoinColumn({ name: 'site_id' })
  site!: Relation<SiteRow>;
  /** That of its first sheet. */
  @Column('uuid', { name: 'template_id' }) template!: string;
  @Column('text') title!: string;
  @Column('text') instructions!: string;
  @Column('date') day!: string;
  @Column('int', { name: 'window_from', nullable: true }) windowFrom!: number | null;
  @Column('int', { name: 'window_to', nullable: true }) windowTo!: number | null;
  @Column('jsonb') recipients!: string[];
  @Column('int', { name: 'expected_sheets', nullable: true }) expectedSheets!: number | null;
  @Column('text', { nullable: true }) decision!: JobDecision | null;
  @Column('text') state!: JobState;
  @OneToMany(() => SheetRow, (sheet) => sheet.job) sheets!: Relation<SheetRow[]>;
  @OneToMany(() => VisitRow, (visit) => visit.job) visits!: Relation<VisitRow[]>;
}

@Entity('visit')
export class VisitRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @ManyToOne(() => JobRow, (job) => job.visits)
  @JoinColumn({ name: 'job_id' })
  job!: Relation<JobRow>;
  @Column('uuid', { name: 'person_id', nullable: true }) person!: string | null;
  @Column('date') day!: string;
  @Column('int') start!: number;
  @Column('int') minutes!: number;
  @Column('text') part!: Part;
  @OneToMany(() => VisitEventRow, (event) => event.visit) events!: Relation<VisitEventRow[]>;
}

@Entity('visit_event')
export class VisitEventRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @ManyToOne(() => VisitRow, (visit) => visit.events)
  @JoinColumn({ name: 'visit_id' })
  visit!: Relation<VisitRow>;
  @Column('jsonb') body!: VisitEvent;
}

@Entity('job_decision')
export class JobDecisionRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'job_id' }) job!: string;
  @Column('text') decision!: JobDecision;
  @Column('text') reason!: string;
  @Column('uuid') by!: string;
  @Column({ type: 'timestamptz', insert: false }) at!: Date;
}

@Entity('handover')
export class HandoverRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'job_id' }) job!: string;
  /** Who gave: what they still have to send is taken in afterwards too. */
  @Column('uuid', { name: 'from_person' }) from!: string;
  @Column('jsonb') body!: Handover;
}
