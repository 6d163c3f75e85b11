import type {
  Favourite,
  Handover,
  Job,
  JobSheet,
  SignedOnSite,
  VisitEvent,
} from '@ant-trail/contract/planning';
import type { JobDecision, JobState, Part } from '@ant-trail/core/planning';
import type { Recorded } from '@ant-trail/core/records';
import type { FollowUp, LastAnswer, SheetSummary } from '@ant-trail/core/sheet';
import {
  Column,
  Entity,
  JoinColumn,
  ManyToOne,
  OneToMany,
  PrimaryColumn,
  type Relation,
} from 'typeorm';
import { OwnFacts } from '../fields/entities.ts';
import { SiteRow } from '../sites/entities.ts';

type JobRound = NonNullable<Job['round']>;
/** With the id of the operation that said so. */
type LeftOut = NonNullable<JobSheet['leftOut']> & { readonly id: string };

@Entity('job')
export class JobRow extends OwnFacts {
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
  /** What stands in the letter of some of them, by their address. */
  @Column('jsonb', { name: 'letter_words' }) letterWords!: Readonly<Record<string, string>>;
  @Column('int', { name: 'expected_sheets', nullable: true }) expectedSheets!: number | null;
  /** Who is to read its sheets; null for whoever comes to it. */
  @Column('uuid', { name: 'reader_id', nullable: true }) reader!: string | null;
  /** The round it is a part of, called as it was then; null for what was planned by itself. */
  @Column('jsonb', { nullable: true }) round!: JobRound | null;
  /** The job it follows by a rule. */
  @Column('jsonb', { nullable: true }) follows!: Job['follows'];
  @Column('jsonb', { nullable: true }) signing!: Job['signing'];
  /** What it takes of a vehicle. */
  @Column('jsonb') takes!: Job['takes'];
  @Column('text', { nullable: true }) decision!: JobDecision | null;
  @Column('text') state!: JobState;
  @OneToMany(() => SheetRow, (sheet) => sheet.job) sheets!: Relation<SheetRow[]>;
  @OneToMany(() => VisitRow, (visit) => visit.job) visits!: Relation<VisitRow[]>;
}

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
  /** Somebody went past it. */
  @Column('jsonb', { name: 'left_out', nullable: true }) leftOut!: LeftOut | null;
  /** Who added it on site; null where the office planned it. */
  @Column('uuid', { name: 'added_by', nullable: true }) addedBy!: string | null;
  /** A projection of the log: can be thrown away and folded again. */
  @Column('jsonb') summary!: SheetSummary;
  /** What the next visit is offered of it; a projection too. */
  @Column('jsonb') carried!: readonly LastAnswer[];
  /** What it says by the keys of its questions; a projection. Read by statements of their own alone. */
  @Column({ type: 'jsonb', select: false, insert: false, update: false })
  record!: Recorded;
  /** How many entries the projections are made from. */
  @Column('int') folded!: number;
  /** Why they could not be made; null as long as they can. */
  @Column('text', { nullable: true }) trouble!: string | null;
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
  /** The one that turned back, in whose place it was planned. */
  @Column('uuid', { name: 'instead_of', nullable: true }) insteadOf!: string | null;
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

/** From whom a visit was taken by the office. */
@Entity('taken_visit')
export class TakenVisitRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid', { name: 'visit_id' }) visit!: string;
  @PrimaryColumn('uuid', { name: 'person_id' }) person!: string;
  @Column({ type: 'timestamptz', insert: false, update: false }) at!: Date;
}

/** What followed a sheet, once. */
@Entity('follow_up')
export class FollowUpRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid', { name: 'sheet_id' }) sheet!: string;
  @Column('uuid', { name: 'job_id', nullable: true }) job!: string | null;
  @Column('date') day!: string;
  /** Why it could not be planned. */
  @Column('text', { nullable: true }) trouble!: string | null;
}

/** What follows sheets of a template at a client's places; null where nothing does. */
@Entity('client_rule')
export class ClientRuleRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid', { name: 'client_id' }) client!: string;
  @PrimaryColumn('uuid', { name: 'template_id' }) template!: string;
  @Column('jsonb', { name: 'follow_up', nullable: true }) followUp!: FollowUp | null;
}

/** Who signed for a job at its place: every time, whichever counts. */
@Entity('signed_on_site')
export class SignedOnSiteRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'job_id' }) job!: string;
  @Column('jsonb') body!: SignedOnSite;
}

/** What somebody wants first where they begin work by themselves: the last word on each. */
@Entity('favourite')
export class FavouriteRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid', { name: 'person_id' }) person!: string;
  @PrimaryColumn('uuid') ref!: string;
  @Column('text', { name: 'of_what' }) of!: Favourite['of'];
  @Column('boolean', { name: 'is_on' }) on!: boolean;
  /** The id of the operation that said so. */
  @Column('uuid') said!: string;
}
