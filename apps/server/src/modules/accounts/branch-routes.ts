import {
  Branch,
  BranchChoice,
  BranchDraft,
  BranchesAnswer,
  Me,
} from '@ant-trail/contract/accounts';
import { Id } from '@ant-trail/contract/common';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { allBranches, changeBranch, keepBranch } from './branches.ts';
import { describeMe } from './people.ts';

export const branchRoutes = [
  route({
    method: 'get',
    path: '/api/branches',
    allowed: 'read',
    summary: 'The branches of the organisation',
    answer: BranchesAnswer,
    handle: async ({ db }) => ({ branches: await allBranches(db) }),
  }),
  route({
    method: 'post',
    path: '/api/branches',
    allowed: 'keep people',
    summary: 'Add a branch',
    body: BranchDraft,
    answer: Branch,
    handle: ({ db, body, session }) => keepBranch(db, session.organisation, null, body.name),
  }),
  route({
    method: 'put',
    path: '/api/branches/:id',
    allowed: 'keep people',
    summary: 'Give a branch another name',
    params: z.object({ id: Id }),
    body: BranchDraft,
    answer: Branch,
    handle: ({ db, params, body, session }) =>
      keepBranch(db, session.organisation, params.id, body.name),
  }),
  route({
    method: 'put',
    path: '/api/me/branch',
    allowed: 'signed in',
    summary: 'Go on in another of one’s branches',
    body: BranchChoice,
    answer: Me,
    handle: async ({ db, body, session }) => {
      await changeBranch(db, session, body.branch);
      return describeMe(db, { ...session, branch: body.branch });
    },
  }),
];
