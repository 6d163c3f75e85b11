import type { RowsQuestion } from '../template.ts';
import type { KindRules } from './rules.ts';

export const rows: KindRules<RowsQuestion> = {
  celType: 'list<map<string, dyn>>',
  keeps: 'rows',
  mayCloseOut: false,
  carries: true,
  problem: () => 'Rows are added one by one.',
  say: ({ each }) => `Rows, one for each ${each}`,
};
