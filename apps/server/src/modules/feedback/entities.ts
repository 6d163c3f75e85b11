import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('feedback')
export class FeedbackRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid') id!: string;
  @Column('text', { name: 'said' }) words!: string;
  @Column('text', { nullable: true }) picture!: string | null;
  @Column('text') screen!: string;
  @Column('text') version!: string;
  @Column('text') device!: string;
  @Column('uuid') by!: string;
  @Column('timestamptz') at!: Date;
}
