import { lookedUp, type Catalogue } from '@ant-trail/core/catalogues';
import type { AnswerValue } from '@ant-trail/core/log';

/** Finds a row by its code in one of some catalogues, as an answer. */
export const lookUpIn =
  (lists: readonly Catalogue[]) =>
  (catalogue: string, code: string): AnswerValue => {
    const row = lists.find(({ key }) => key === catalogue)?.rows.find((each) => each.code === code);
    if (!row) throw new Error(`there is no ${code} in ${catalogue}`);
    return lookedUp(catalogue, row);
  };
