import type { ActionState } from '@ant-trail/core/actions';
import type { Severity } from '@ant-trail/core/sheet';
import {
  Column,
  Entity,
  JoinColumn,
  ManyToOne,
  OneToMany,
  PrimaryColumn,
  type Relation,
} from 'typeorm';
import { SiteRow } from '../sites/entities.ts';

@Entity('action')
export class ActionRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @ManyToOne(() => SiteRow)
  @JoinColumn({ name: 'site_id' })
  site!: Relation<SiteRow>;
  @Column('uuid', { name: 'sheet_id', nullable: true }) sheet!: string | null;
  @Column('text', { nullable: true }) key!: string | null;
  @Column('text') title!: string;
  @Column('text') details!: string;
  @Column('int') severity!: Severity;
  @Column('uuid', { name: 'owner_id' }) owner!: string;
  @Column('date', { name: 'due_on' }) dueOn!: string;
  @Column('text') state!: ActionState;
  @Column('uuid', { name: 'created_by' }) createdBy!: string;
  @Column('timestamptz', { name: 'created_at' }) createdAt!: Date;
  @OneToMany(() => ActionMoveRow, (move) => move.action) moves!: Relation<ActionMoveRow[]>;
}

@Entity('action_move')
export class ActionMoveRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @ManyToOne(() => ActionRow, (action) => action.moves)
  @JoinColumn({ name: 'action_id' })
  action!: Relation<ActionRow>;
  @Column('text', { name: 'from_state' }) from!: ActionState;
  @Column('text', { name: 'to_state' }) to!: ActionState;
  @Column('uuid') by!: string;
  @Column('timestamptz') at!: Date;
  @Column('text') note!: string;
}
