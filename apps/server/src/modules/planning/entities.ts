import type { JobState } from '@ant-trail/core/planning';
import type { VisitEvent } from '@ant-trail/contract/planning';
import {
  Column,
  Entity,
  JoinColumn,
  ManyToOne,
  OneToMany,
  OneToOne,
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
  @Column('uuid', { name: 'template_id' }) template!: string;
  @Column('text') title!: string;
  @Column('text') instructions!: string;
  @Column('date') day!: string;
  @Column('int', { name: 'window_from', nullable: true }) windowFrom!: number | null;
  @Column('int', { name: 'window_to', nullable: true }) windowTo!: number | null;
  @Column('jsonb') recipients!: string[];
  @Column('boolean') cancelled!: boolean;
  @Column('text') state!: JobState;
  @OneToOne(() => SheetRow, (sheet) => sheet.job) sheet!: Relation<SheetRow>;
  @OneToOne(() => VisitRow, (visit) => visit.job) visit!: Relation<VisitRow>;
}

@Entity('visit')
export class VisitRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @OneToOne(() => JobRow, (job) => job.visit)
  @JoinColumn({ name: 'job_id' })
  job!: Relation<JobRow>;
  @Column('uuid', { name: 'person_id', nullable: true }) person!: string | null;
  @Column('date') day!: string;
  @Column('int') start!: number;
  @Column('int') minutes!: number;
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
