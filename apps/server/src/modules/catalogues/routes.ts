import {
  CatalogueImport,
  CataloguesAnswer,
  CatalogueSummary,
  KeptCatalogue,
  LookedIn,
  OurListOf,
} from '@ant-trail/contract/catalogues';
import { Id } from '@ant-trail/contract/common';
import { TableFormat } from '@ant-trail/contract/exchange';
import { writeTable } from '@ant-trail/core/exchange';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { tableAnswer } from '../../tables/table-answer.ts';
import { ourList } from './lists-of-ours.ts';
import { findCatalogue, importCatalogue, listCatalogues } from './catalogues.ts';

export const catalogueRoutes = [
  route({
    method: 'get',
    path: '/api/catalogues',
    allowed: 'read',
    summary: 'The catalogues answers are looked up in, without their rows',
    answer: CataloguesAnswer,
    handle: async ({ db }) => ({ catalogues: await listCatalogues(db) }),
  }),
  route({
    method: 'get',
    path: '/api/catalogues/:id',
    allowed: 'read',
    summary: 'One catalogue with all its rows',
    params: z.object({ id: Id }),
    answer: KeptCatalogue,
    handle: ({ db, params }) => findCatalogue(db, params.id),
  }),
  route({
    method: 'get',
    path: '/api/catalogues/:id/rows.:format',
    allowed: 'read',
    summary: 'One catalogue as a CSV or XLSX file',
    params: z.object({ id: Id, format: TableFormat }),
    handle: async ({ db, params }) => {
      const { columns, rows, name } = await findCatalogue(db, params.id);
      return tableAnswer(writeTable(columns, rows), name, params.format);
    },
  }),
  route({
    method: 'get',
    path: '/api/sites/:site/lists/:list',
    allowed: 'read',
    summary: 'What the office knows anyway, as a question at a place looks it up',
    params: OurListOf,
    answer: LookedIn,
    handle: ({ db, params }) => ourList(db, params.list, params.site),
  }),
  route({
    method: 'post',
    path: '/api/catalogues',
    allowed: 'keep catalogues',
    summary: 'Import a catalogue whole',
    body: CatalogueImport,
    answer: CatalogueSummary,
    handle: ({ db, body, session }) => importCatalogue(db, session.organisation, body),
  }),
];
