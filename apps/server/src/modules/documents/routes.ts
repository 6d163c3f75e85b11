import { Id } from '@ant-trail/contract/common';
import {
  CurrentVersion,
  DocumentDetails,
  DocumentDraft,
  DocumentsAnswer,
  DocumentsQuery,
  NewDocument,
  OfficeDocument,
  RetireDocument,
  VersionDraft,
} from '@ant-trail/contract/documents';
import { z } from 'zod';
import { FileAnswer, longRoute, route, type Route } from '../../http/route.ts';
import { notFound } from '../../refusals/refusal.ts';
import type { MediaFiles } from '../media/files.ts';
import {
  addDocument,
  addVersion,
  changeDocument,
  documentDetails,
  fileOf,
  retireDocument,
  setCurrent,
} from './documents.ts';
import { listDocuments } from './list-documents.ts';

const one = z.object({ id: Id });

export const documentRoutes = (files: MediaFiles): Route[] => [
  longRoute({
    method: 'get',
    path: '/api/documents/:id/versions/:version/file',
    allowed: 'signed in',
    summary: 'The file of a version of a document',
    params: one.extend({ version: Id }),
    handle: async ({ within, params, session }) => {
      const [file] = await within((db) => fileOf(db, params));
      const bytes = file && (await files.read(session.organisation, file.sha256));
      if (!bytes) throw notFound('This file');
      return new FileAnswer(file.type, bytes, file.file);
    },
  }),
  route({
    method: 'get',
    path: '/api/documents',
    allowed: 'read',
    summary: 'Documents that are looked for, a page at a time',
    query: DocumentsQuery,
    answer: DocumentsAnswer,
    handle: ({ db, query }) => listDocuments(db, query),
  }),
  route({
    method: 'get',
    path: '/api/documents/:id',
    allowed: 'read',
    summary: 'A document with its versions, and which counted when',
    params: one,
    answer: DocumentDetails,
    handle: ({ db, params }) => documentDetails(db, params.id),
  }),
  route({
    method: 'post',
    path: '/api/documents',
    allowed: 'keep documents',
    summary: 'Add a document, whose file was uploaded before',
    body: NewDocument,
    answer: OfficeDocument,
    handle: ({ db, body, session }) => addDocument(db, session, body),
  }),
  route({
    method: 'put',
    path: '/api/documents/:id',
    allowed: 'keep documents',
    summary: 'Change what a document is called and what it is attached to',
    params: one,
    body: DocumentDraft,
    answer: OfficeDocument,
    handle: ({ db, params, body, session }) => changeDocument(db, session, params.id, body),
  }),
  route({
    method: 'put',
    path: '/api/documents/:id/retired',
    allowed: 'keep documents',
    summary: 'Retire a document, or take it into use again',
    params: one,
    body: RetireDocument,
    answer: OfficeDocument,
    handle: ({ db, params, body, session }) => retireDocument(db, session, params.id, body.retired),
  }),
  route({
    method: 'post',
    path: '/api/documents/:id/versions',
    allowed: 'keep documents',
    summary: 'Add a version of a document',
    params: one,
    body: VersionDraft,
    answer: DocumentDetails,
    handle: ({ db, params, body, session }) => addVersion(db, session, params.id, body),
  }),
  route({
    method: 'put',
    path: '/api/documents/:id/current',
    allowed: 'keep documents',
    summary: 'Say which version of a document counts from now on',
    params: one,
    body: CurrentVersion,
    answer: DocumentDetails,
    handle: ({ db, params, body, session }) => setCurrent(db, session, params.id, body.version),
  }),
];
