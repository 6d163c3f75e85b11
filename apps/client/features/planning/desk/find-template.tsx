import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { FindAmong, type FindAmongProps } from '@/design/find-among.tsx';

export interface FindTemplateProps extends Omit<FindAmongProps, 'options'> {
  readonly templates: readonly PublishedTemplate[];
}

/** A sheet out of the published ones, by part of its title. */
export const FindTemplate = ({ templates, ...field }: FindTemplateProps) => (
  <FindAmong
    {...field}
    options={templates.map(({ template, body, number }) => ({
      ...{ value: template, label: body.title, about: `version ${number}` },
    }))}
  />
);
