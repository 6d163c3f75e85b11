import type { Facts, Field, FieldHolder, FoundBy } from '@ant-trail/core/fields';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('own_fields')
export class OwnFieldsRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid') id!: string;
  @Column('text') holder!: FieldHolder;
  @Column('jsonb') fields!: Field[];
  @Column('jsonb') reported!: string[];
}

/** What is known of a row by the office's own fields, and how it is found by that. */
export class OwnFacts {
  @Column('jsonb') own!: Facts;
  @Column('jsonb', { name: 'own_found' }) ownFound!: FoundBy;
  @Column('text', { name: 'own_words' }) ownWords!: string;
}
