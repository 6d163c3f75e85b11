import type { AnswerValue } from '@ant-trail/core/log';

/** One answer as somebody gave it. */
export interface Given {
  readonly path: string;
  readonly value: AnswerValue;
  readonly unit?: string;
}
