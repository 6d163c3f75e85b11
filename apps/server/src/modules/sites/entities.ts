import type { Demands } from '@ant-trail/contract/accounts';
import type { Contact, Site } from '@ant-trail/contract/sites';
import { OwnFacts } from '../fields/entities.ts';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('site')
export class SiteRow extends OwnFacts {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'branch_id' }) branch!: string;
  @Column('text') name!: string;
  @Column('text') client!: string;
  @Column('text') number!: string;
  @Column('text') address!: string;
  @Column('double precision') lat!: number;
  @Column('double precision') lon!: number;
  @Column('text') access!: string;
  @Column('jsonb') hazards!: string[];
  @Column('jsonb') contacts!: Contact[];
  @Column('jsonb', { name: 'hazard_ends' }) hazardEnds!: { hazard: string; until: string }[];
  @Column('double precision', { nullable: true }) radius!: number | null;
  @Column('text') owner!: string;
  @Column('boolean') retired!: boolean;
  /** By whom it was told from the field, until the office has looked at it. */
  @Column('jsonb', { nullable: true }) found!: Site['found'];
}

@Entity('site_note')
export class SiteNoteRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'site_id' }) site!: string;
  @Column('text', { name: 'body' }) text!: string;
  @Column('uuid') by!: string;
  @Column('timestamptz') at!: Date;
  @Column('uuid', { name: 'withdrawn_by', nullable: true }) withdrawnBy!: string | null;
}

@Entity('client')
export class ClientRow extends OwnFacts {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('text') name!: string;
  @Column('text') number!: string;
  @Column('text') address!: string;
  @Column('jsonb') contacts!: Contact[];
  @Column('text') note!: string;
  @Column('jsonb') demands!: Demands;
}
