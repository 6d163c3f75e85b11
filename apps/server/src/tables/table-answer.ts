import type { TableFormat } from '@ant-trail/contract/exchange';
import { FileAnswer } from '../http/file-answer.ts';
import { writeCsv, writeXlsx, type Cell } from './table-file.ts';

const TYPES: Record<TableFormat, string> = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
};

/** Lines as a file to keep. */
export async function tableAnswer(
  lines: readonly (readonly Cell[])[],
  name: string,
  format: TableFormat,
): Promise<FileAnswer> {
  const bytes = format === 'csv' ? writeCsv(lines) : await writeXlsx(lines, name);
  return new FileAnswer(TYPES[format], bytes, `${name}.${format}`);
}
