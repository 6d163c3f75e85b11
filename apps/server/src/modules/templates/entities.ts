import type { TemplateBody } from '@ant-trail/core/sheet';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('template_version')
export class TemplateVersionRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('uuid', { name: 'org_id' }) org!: string;
  @Column('uuid', { name: 'template_id' }) template!: string;
  @Column('int') number!: number;
  @Column('timestamptz', { name: 'published_at' }) publishedAt!: Date;
  @Column('jsonb') body!: TemplateBody;
}
