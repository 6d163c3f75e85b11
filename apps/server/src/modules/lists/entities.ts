import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('kept_view')
export class KeptViewRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid', { name: 'person_id' }) person!: string;
  @PrimaryColumn('text') list!: string;
  @PrimaryColumn('text') name!: string;
  @Column('jsonb') query!: Record<string, string>;
  @Column('jsonb') hidden!: string[];
}
