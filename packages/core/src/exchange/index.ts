export { namesIn } from './names-in.ts';
export { isForCell, readCell, type ReadCell, writeCell } from './read-cell.ts';
export { answerTable, type TableCell } from './answer-table.ts';
export {
  type ColumnUse,
  guessColumns,
  readTable,
  type ReadTable,
  writeTable,
} from './read-table.ts';
