import { Id } from '@ant-trail/contract/common';
import {
  ImportColumns,
  ImportKind,
  ImportOrder,
  ImportResult,
  TableFile,
  TableFormat,
  TableLines,
} from '@ant-trail/contract/exchange';
import { sketchToSvg } from '@ant-trail/core/sketch';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { FileAnswer, longRoute, type Route } from '../../http/route.ts';
import type { SheetAsText } from '../../log/fold-tasks.ts';
import type { Folding } from '../../log/folding.ts';
import { notFound } from '../../refusals/refusal.ts';
import { tableAnswer } from '../../tables/table-answer.ts';
import type { TableReader } from '../../tables/table-reader.ts';
import { peopleNamed } from '../accounts/people.ts';
import { sheetAsText } from '../capture/sheet-as-text.ts';
import type { MediaFiles } from '../media/files.ts';
import { findJob } from '../planning/jobs.ts';
import { takeIn, targetFor } from './imports.ts';

export const exchangeRoutes = (
  tables: TableReader,
  files: MediaFiles,
  folding: Folding,
): Route[] => [
  longRoute({
    method: 'post',
    path: '/api/tables',
    // Whoever takes in catalogues, people, places or things reads files first.
    allowed: 'keep places',
    summary: 'Read a CSV or XLSX file into lines; nothing is kept',
    body: TableFile,
    answer: TableLines,
    handle: async ({ body, session }) => ({
      lines: await tables.read(session.organisation, Buffer.from(body.content, 'base64')),
    }),
  }),
  longRoute({
    method: 'get',
    path: '/api/imports/:kind/columns',
    allowed: 'keep places',
    summary: 'What the columns of a file can be that is taken in',
    params: z.object({ kind: ImportKind }),
    answer: ImportColumns,
    handle: ({ within, params, session }) =>
      within(async (db) => ({
        columns: [...(await targetFor(params.kind, session).columns(db))],
      })),
  }),
  longRoute({
    method: 'post',
    path: '/api/imports/:kind',
    allowed: 'keep places',
    summary:
      'Take in people, clients, places or things from a CSV or XLSX file, or look what would come in',
    params: z.object({ kind: ImportKind }),
    body: ImportOrder,
    answer: ImportResult,
    handle: async ({ within, params, body, session }) => {
      const target = targetFor(params.kind, session);
      const bytes = Buffer.from(body.content, 'base64');
      const lines = await tables.read(session.organisation, bytes);
      return within((db) => takeIn(db, session, target, lines, body));
    },
  }),
  longRoute({
    method: 'get',
    path: '/api/sheets/:id/answers.:format',
    allowed: 'read',
    summary: 'The answers of a sheet as a CSV or XLSX file',
    params: z.object({ id: Id, format: TableFormat }),
    handle: async ({ within, params, session }) => {
      const { sheet, people, name } = await within(async (db) => {
        const row = await findJob(db, { sheets: { id: params.id } });
        return {
          sheet: await mustBeThere(db, params.id),
          people: (await peopleNamed(db)).map(({ id, name: called }) => ({ id, name: called })),
          name: `${row.site.name}, ${row.title}`,
        };
      });
      const lines = await folding.do(session.organisation, 'table', { sheet, people });
      return tableAnswer(lines, name, params.format);
    },
  }),
  longRoute({
    method: 'get',
    path: '/api/sheets/:id/sketch.svg',
    allowed: 'read',
    summary: 'A sketch of a sheet as an SVG file',
    params: z.object({ id: Id }),
    query: z.object({ path: z.string().max(300) }),
    handle: async ({ within, params, query, session }) => {
      const { sheet, site } = await within(async (db) => ({
        sheet: await mustBeThere(db, params.id),
        site: (await findJob(db, { sheets: { id: params.id } })).site.name,
      }));
      const found = await folding.do(session.organisation, 'sketch', { sheet, path: query.path });
      if (!found) throw notFound('This sketch');
      const { under } = found.sketch;
      const picture = under && (await files.read(session.organisation, under.sha256));
      const svg = sketchToSvg(
        found.sketch,
        found.symbols,
        picture ? `data:${under.type};base64,${picture.toString('base64')}` : undefined,
      );
      return new FileAnswer('image/svg+xml', Buffer.from(svg), `${site}, ${found.label}.svg`);
    },
  }),
];

async function mustBeThere(db: EntityManager, sheet: string): Promise<SheetAsText> {
  const text = await sheetAsText(db, sheet);
  if (!text) throw notFound('This sheet');
  return text.sheet;
}
