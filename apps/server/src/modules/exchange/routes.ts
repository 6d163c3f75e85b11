import { Id } from '@ant-trail/contract/common';
import { TableFile, TableFormat, TableLines } from '@ant-trail/contract/exchange';
import { answerTable } from '@ant-trail/core/exchange';
import { fold, isSketch, questionAtPath } from '@ant-trail/core/sheet';
import { sketchToSvg } from '@ant-trail/core/sketch';
import { z } from 'zod';
import { notFound } from '../../http/problem.ts';
import { FileAnswer, OFFICE, PLANNERS, route, type Route } from '../../http/route.ts';
import { listPeople } from '../accounts/people.ts';
import { findDossier } from '../review/dossier.ts';
import type { MediaFiles } from '../media/files.ts';
import { planOf } from '../templates/versions.ts';
import { writeCsv, writeXlsx, type Cell } from './table-file.ts';
import type { TableReader } from './table-reader.ts';

export const exchangeRoutes = (tables: TableReader, files: MediaFiles): Route[] => [
  route({
    method: 'post',
    path: '/api/tables',
    allowed: PLANNERS,
    summary: 'Read a CSV or XLSX file into lines; nothing is kept',
    body: TableFile,
    answer: TableLines,
    handle: async ({ body }) => ({
      lines: await tables.read(Buffer.from(body.content, 'base64')),
    }),
  }),
  route({
    method: 'get',
    path: '/api/sheets/:id/answers.:format',
    allowed: OFFICE,
    summary: 'The answers of a sheet as a CSV or XLSX file',
    params: z.object({ id: Id, format: TableFormat }),
    handle: async ({ db, params }) => {
      const { version, entries, site, job } = await findDossier(db, params.id);
      const names = new Map((await listPeople(db)).map(({ id, name }) => [id, name]));
      const lines = answerTable(fold(planOf(version), entries), (id) => names.get(id) ?? '');
      return tableAnswer(lines, `${site.name}, ${job.title}`, params.format);
    },
  }),
  route({
    method: 'get',
    path: '/api/sheets/:id/sketch.svg',
    allowed: OFFICE,
    summary: 'A sketch of a sheet as an SVG file',
    params: z.object({ id: Id }),
    query: z.object({ path: z.string().max(300) }),
    handle: async ({ db, params, query, session }) => {
      const { version, entries, site } = await findDossier(db, params.id);
      const found = questionAtPath(fold(planOf(version), entries), query.path);
      const sketch = found?.answer?.value;
      if (found?.question.kind !== 'sketch' || !isSketch(sketch)) throw notFound('This sketch');
      const under = sketch.under && (await files.read(session.organisation, sketch.under.sha256));
      const svg = sketchToSvg(
        sketch,
        found.question.symbols,
        under
          ? `data:${sketch.under?.type};base64,${Buffer.from(under).toString('base64')}`
          : undefined,
      );
      const name = `${site.name}, ${found.question.label}.svg`;
      return new FileAnswer('image/svg+xml', Buffer.from(svg), name);
    },
  }),
];

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
