import {
  RecordPointsAnswer,
  RecordsAnswer,
  RecordsChosen,
  RecordsMailing,
  RecordsQuery,
  RecordTemplatesAnswer,
} from '@ant-trail/contract/records';
import { FileAnswer, longRoute, route, type Route } from '../../http/route.ts';
import { sendLetter } from '../../mail/letters.ts';
import { finishedByTemplate, listRecords, placesOfRecords } from './list-records.ts';
import { reportsTogether, type ReportSources } from './reports-together.ts';

const PDF = 'application/pdf';
const sayReports = (count: number): string => (count === 1 ? 'One report' : `${count} reports`);

export const recordRoutes = (sources: ReportSources, mailPort: number): Route[] => [
  route({
    method: 'get',
    path: '/api/records',
    allowed: 'read',
    summary: 'Finished sheets of a template that are looked for by what they say, a page at a time',
    query: RecordsQuery,
    answer: RecordsAnswer,
    handle: ({ db, query }) => listRecords(db, query),
  }),
  route({
    method: 'get',
    path: '/api/records/places',
    allowed: 'read',
    summary: 'Where the finished sheets lie that are looked for',
    query: RecordsQuery,
    answer: RecordPointsAnswer,
    handle: async ({ db, query }) => ({ points: await placesOfRecords(db, query) }),
  }),
  route({
    method: 'get',
    path: '/api/records/templates',
    allowed: 'read',
    summary: 'How many finished sheets there are of each template',
    answer: RecordTemplatesAnswer,
    handle: async ({ db }) => ({ templates: await finishedByTemplate(db) }),
  }),
  longRoute({
    method: 'post',
    path: '/api/records/reports',
    allowed: 'read',
    summary: 'The reports of several sheets in one PDF file, to print',
    body: RecordsChosen,
    handle: async ({ within, body, session }) =>
      new FileAnswer(
        PDF,
        await reportsTogether(sources, session.organisation, body.sheets, within),
        'Reports.pdf',
      ),
  }),
  longRoute({
    method: 'post',
    path: '/api/records/mailing',
    allowed: 'read',
    summary: 'Send the reports of several sheets in one PDF file',
    body: RecordsMailing,
    handle: async ({ within, body, session }) => {
      const { sheets, to, words } = body;
      const bytes = await reportsTogether(sources, session.organisation, sheets, within);
      const said = sayReports(new Set(sheets).size);
      await sendLetter(mailPort, {
        ...{ organisation: session.organisation, to, subject: said },
        text: words || `${said} attached.`,
        attachments: [{ name: 'Reports.pdf', type: PDF, bytes }],
      });
    },
  }),
];
