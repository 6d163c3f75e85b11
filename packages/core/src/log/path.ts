/**
 * A path names one thing in a sheet that can be set by itself: a question's answer, the reason
 * given for it, one photo or file added to it, or a row. Photos have a path each, so that two
 * people adding photos to one question never disagree.
 *
 * A question in a row carries the rows it stands in before its key: `boards/r1/circuits/c7/load`.
 * What belongs to the sheet as a whole has no key: `~stage`, `~cover`, `~blanks~id`.
 */
export interface ParsedPath {
  /** The scope the question stands in: '' for the sheet, else `group/row/` for each row. */
  readonly scope: string;
  readonly key: string;
  readonly aspect: Aspect;
  /** Which photo, file, close-out or row it is. */
  readonly item?: string;
}

export type Aspect =
  'answer' | 'reason' | 'photo' | 'file' | 'row' | 'stage' | 'cover' | 'programme' | 'blanks';

/** The path on which finish, return and approve entries live. */
export const STAGE_PATH = '~stage';
/** The path that names the client's programme the work is done for. */
export const PROGRAMME_PATH = '~programme';
/** The path that names the photo on the report's cover. */
export const COVER_PATH = '~cover';

export const answerPath = (key: string): string => key;
export const reasonPath = (path: string): string => `${path}~reason`;
export const photoPath = (path: string, photo: string): string => `${path}~photo~${photo}`;
export const filePath = (path: string, file: string): string => `${path}~file~${file}`;
export const rowPath = (group: string, row: string): string => `${group}/${row}`;
export const rowScope = (group: string, row: string): string => `${group}/${row}/`;
export const blanksPath = (id: string): string => `~blanks~${id}`;

const QUESTION_KEY = /^[a-z][a-z0-9_]*$/;
const ITEM = /^[A-Za-z0-9-]{1,64}$/;

/** Whether the text can be a question's key: it is also a variable name in expressions. */
export const isQuestionKey = (text: string): boolean => QUESTION_KEY.test(text);

/** Takes a path apart; null when it is not one. */
export function parsePath(path: string): ParsedPath | null {
  const [place = '', aspect, item, ...rest] = path.split('~');
  if (rest.length > 0 || (item !== undefined && !ITEM.test(item))) return null;
  if (place === '') return ofSheet(aspect, item);
  const parts = place.split('/');
  if (!parts.every((part, index) => (index % 2 === 0 ? QUESTION_KEY : ITEM).test(part)))
    return null;
  if (parts.length % 2 === 0) {
    const row = parts.pop();
    const key = parts.pop();
    if (!key || !row || aspect !== undefined) return null;
    return { scope: scopeOf(parts), key, aspect: 'row', item: row };
  }
  const key = parts.pop() ?? '';
  const scope = scopeOf(parts);
  if (aspect === undefined) return { scope, key, aspect: 'answer' };
  if (aspect === 'reason' && item === undefined) return { scope, key, aspect };
  if ((aspect === 'photo' || aspect === 'file') && item) return { scope, key, aspect, item };
  return null;
}

function ofSheet(aspect: string | undefined, item: string | undefined): ParsedPath | null {
  if (aspect === 'stage' || aspect === 'cover' || aspect === 'programme')
    return item === undefined ? { scope: '', key: '', aspect } : null;
  return aspect === 'blanks' && item ? { scope: '', key: '', aspect, item } : null;
}

const scopeOf = (parts: readonly string[]): string =>
  parts.length === 0 ? '' : `${parts.join('/')}/`;
