/**
 * A path names one thing in a sheet that can be set by itself: a question's answer, the reason
 * given for it, or one photo added to it. Photos have a path each, so that two people adding
 * photos to one question never disagree.
 */
export interface ParsedPath {
  readonly key: string;
  readonly aspect: 'answer' | 'reason' | 'photo' | 'stage';
  readonly photo?: string;
}

export const answerPath = (key: string): string => key;
export const reasonPath = (key: string): string => `${key}~reason`;
export const photoPath = (key: string, photo: string): string => `${key}~photo~${photo}`;

const QUESTION_KEY = /^[a-z][a-z0-9_]*$/;

/** Whether the text can be a question's key: it is also a variable name in expressions. */
export const isQuestionKey = (text: string): boolean => QUESTION_KEY.test(text);

/** Takes a path apart; null when it is not one. */
export function parsePath(path: string): ParsedPath | null {
  const [key = '', aspect, photo, ...rest] = path.split('~');
  if (rest.length > 0) return null;
  if (key === '') return aspect === 'stage' && photo === undefined ? { key, aspect } : null;
  if (!isQuestionKey(key)) return null;
  if (aspect === undefined) return { key, aspect: 'answer' };
  if (aspect === 'reason' && photo === undefined) return { key, aspect };
  if (aspect === 'photo' && photo) return { key, aspect, photo };
  return null;
}
