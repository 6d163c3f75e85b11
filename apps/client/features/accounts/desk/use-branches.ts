import { BranchesAnswer, type Branch } from '@ant-trail/contract/accounts';
import { useOffice } from '@/device/office.ts';

/** The branches of the organisation, by name. */
export const useBranches = (): readonly Branch[] =>
  useOffice(BranchesAnswer, '/api/branches', ['branch']).answer?.branches ?? [];
