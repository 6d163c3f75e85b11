import type { FollowUp } from '@ant-trail/core/sheet';

/** What a rule begins with. */
export const FIRST_RULE: FollowUp = {
  ...{ days: 7, title: '', template: null, when: 'always', person: 'the same' },
};
