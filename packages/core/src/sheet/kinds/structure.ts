import { rowPath } from '../../log/index.ts';
import type { RowsQuestion } from '../template.ts';
import { SAMPLE, type KindRules } from './rules.ts';

/** Rows an expression expects at most, where the template sets no end. */
const MOST_ROWS = 5_000;

export const rows: KindRules<RowsQuestion> = {
  celType: 'list<map<string, dyn>>',
  keeps: 'rows',
  mayCloseOut: false,
  carries: true,
  problem: () => 'Rows are added one by one.',
  begins: { required: false, each: 'row', questions: [] },
  largest: ({ most = MOST_ROWS }) => most,
  lacks: ({ questions }) => (questions.length === 0 ? 'asks nothing in its rows' : null),
  sample: ({ fixed, each }, { path, rows: there }) =>
    fixed
      ? null
      : {
          path: rowPath(path, `${SAMPLE}${there + 1}`),
          value: { order: there + 1, name: `${each} ${there + 1}` },
        },
  say: ({ each }) => `Rows, one for each ${each}`,
};
