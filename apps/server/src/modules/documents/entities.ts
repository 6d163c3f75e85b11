import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('document')
export class DocumentRow {
  @PrimaryColumn('uuid', { name: 'org_id' }) org!: string;
  @PrimaryColumn('uuid') id!: string;
  @Column('text') name!: string;
  @Column('text') note!: string;
  @Column('boolean') retired!: boolean;
  /** The version that counts. */
  @Column('uuid') current!: string;
}
