import { Feedback, FeedbackAnswer, FeedbackQuery } from '@ant-trail/contract/feedback';
import { route } from '../../http/route.ts';
import { listFeedback, tellOffice } from './feedback.ts';

export const feedbackRoutes = [
  route({
    method: 'get',
    path: '/api/feedback',
    allowed: 'keep people',
    summary: 'What people told about the application, the newest first',
    query: FeedbackQuery,
    answer: FeedbackAnswer,
    handle: ({ db, query }) => listFeedback(db, query),
  }),
  route({
    method: 'post',
    path: '/api/feedback',
    allowed: 'signed in',
    summary: 'Tell the office something about the application',
    body: Feedback,
    answer: Feedback.strip(),
    handle: ({ db, body, session }) => tellOffice(db, session, body),
  }),
];
