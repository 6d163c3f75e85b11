import { parsePath } from '../log/index.ts';
import { questionsOf, type TemplateBody } from './template.ts';

/** What a path of a sheet is about, as people call it: “Brake 1”, “Photo of Brake 1”. */
export function sayPath(body: TemplateBody, path: string): string {
  const parsed = parsePath(path);
  const label = questionsOf(body).find(({ key }) => key === parsed?.key)?.label;
  switch (parsed?.aspect) {
    case 'stage':
      return 'The sheet as a whole';
    case 'cover':
      return 'The photo on the cover';
    case 'programme':
      return 'The programme';
    case 'blanks':
      return 'Blanks closed out';
    case 'reason':
      return `Reason for ${label ?? 'an answer'}`;
    case 'photo':
      return `Photo of ${label ?? 'an answer'}`;
    case 'file':
      return `File of ${label ?? 'an answer'}`;
    case 'row':
      return `Row of ${label ?? 'a row group'}`;
    default:
      return label ?? 'Something this version does not ask';
  }
}
