import type { Person, Role } from '@ant-trail/contract/accounts';
import {
  Column,
  Entity,
  JoinColumn,
  ManyToOne,
  OneToMany,
  PrimaryColumn,
  type Relation,
} from 'typeorm';

@Entity('organisation')
export class OrganisationRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('text') name!: string;
  @Column('text', { name: 'time_zone' }) timeZone!: string;
}

@Entity('branch')
export class BranchRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @Column('text') name!: string;
}

@Entity('person')
export class PersonRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'branch_id' }) branch!: string;
  @Column('text') name!: string;
  @Column('text') email!: string;
  @Column('text') phone!: string;
  @Column('text', { array: true }) roles!: Role[];
  @Column('text') trade!: string;
  /** None until an invitation was taken up. */
  @Column('text', { name: 'password_hash', select: false, nullable: true })
  passwordHash!: string | null;
  /** The database derives it from the password, which nobody reads along. */
  @Column({ type: 'boolean', insert: false, update: false })
  joined!: boolean;
  @Column('boolean') retired!: boolean;
  @Column('text', { array: true }) skills!: string[];
  @Column('jsonb') hours!: Person['hours'];
  @Column('jsonb') absences!: Person['absences'];
  @Column('uuid', { name: 'starts_at', nullable: true }) startsAt!: string | null;
  @Column('jsonb') settings!: Record<string, string>;
  @Column('jsonb', { nullable: true }) vehicle!: Person['vehicle'];
  @OneToMany(() => PersonBranchRow, (each) => each.person)
  branches!: Relation<PersonBranchRow[]>;
  @Column({ type: 'text', name: 'pass_key', select: false, insert: false })
  passKey!: string;
  @OneToMany(() => CredentialRow, (credential) => credential.person)
  credentials!: Relation<CredentialRow[]>;
}

/** A branch somebody may be in. */
@Entity('person_branch')
export class PersonBranchRow {
  @PrimaryColumn('uuid', { name: 'branch_id' }) branch!: string;
  @PrimaryColumn('uuid', { name: 'person_id' }) personId!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @ManyToOne(() => PersonRow, (person) => person.branches)
  @JoinColumn({ name: 'person_id' })
  person!: Relation<PersonRow>;
}

@Entity('credential')
export class CredentialRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @ManyToOne(() => PersonRow, (person) => person.credentials)
  @JoinColumn({ name: 'person_id' })
  person!: Relation<PersonRow>;
  @Column('text') kind!: string;
  @Column('text') number!: string;
  @Column('text') issuer!: string;
  @Column('date', { name: 'expires_on' }) expiresOn!: string;
}
