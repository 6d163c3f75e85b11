import type { RoundStop } from '@ant-trail/contract/rounds';
import type { OnHolidays } from '@ant-trail/core/rounds';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('round')
export class RoundRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'branch_id' }) branch!: string;
  @Column('text') name!: string;
  /** RFC 5545, days only. */
  @Column('text') rule!: string;
  @Column('date') begins!: string;
  @Column('jsonb') without!: string[];
  @Column('jsonb') besides!: string[];
  @Column('text', { name: 'on_holidays' }) onHolidays!: OnHolidays;
  @Column('int') start!: number;
  @Column('uuid', { name: 'person_id', nullable: true }) person!: string | null;
  @Column('text') instructions!: string;
  @Column('jsonb') recipients!: string[];
  @Column('uuid', { name: 'reader_id', nullable: true }) reader!: string | null;
  @Column('jsonb') stops!: RoundStop[];
  /** How often it was changed: what was made of an edition before is made anew. */
  @Column('int') edition!: number;
  @Column('boolean') retired!: boolean;
  /** Why it could not be made ahead; null as long as it can. */
  @Column('text', { nullable: true }) trouble!: string | null;
  /** In whose name it is planned. */
  @Column('uuid', { name: 'changed_by' }) changedBy!: string;
}

/** A visit as the round planned it. */
export interface PlannedLeg {
  readonly job: string;
  readonly start: number;
  readonly minutes: number;
  readonly person: string | null;
}

@Entity('round_walk')
export class RoundWalkRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'round_id' }) round!: string;
  /** The day the rule names. */
  @Column('date') due!: string;
  @Column('date') day!: string;
  @Column('int') edition!: number;
  @Column('boolean') withdrawn!: boolean;
  @Column('jsonb') troubles!: string[];
  /** What the round planned of it, visit by visit: what somebody changed since by hand is theirs. */
  @Column('jsonb') planned!: PlannedLeg[];
}

@Entity('holiday')
export class HolidayRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('date') day!: string;
  @Column('text') name!: string;
}
