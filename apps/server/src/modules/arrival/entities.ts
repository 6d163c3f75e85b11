import type { Opening } from '@ant-trail/contract/arrival';
import type { Sealed } from '@ant-trail/core/sealed';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('arrival_detail')
export class ArrivalDetailRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid', { name: 'site_id' }) site!: string;
  @Column('int') version!: number;
  /** The code that hangs at the place. */
  @Column('uuid', { name: 'code_id' }) code!: string;
  /** The key of the words and the key in the code, sealed with the organisation's. */
  @Column('jsonb') secrets!: Sealed;
  @Column('jsonb') words!: Sealed;
  /** The key of the words, sealed with the one in the code. */
  @Column('jsonb') key!: Sealed;
  /** Taken off; the code at the place stays for what is written next. */
  @Column('boolean') withdrawn!: boolean;
}

@Entity('arrival_opening')
export class ArrivalOpeningRow {
  @PrimaryColumn('uuid') id!: string;
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'site_id' }) site!: string;
  @Column('uuid', { name: 'visit_id', nullable: true }) visit!: string | null;
  @Column('uuid', { name: 'person_id' }) person!: string;
  @Column('timestamptz') at!: Date;
  @Column('text') how!: Opening['how'];
  @Column('text') reason!: string;
}
