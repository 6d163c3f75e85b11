import type { Problem } from '@ant-trail/contract/common';

/** A refusal the person can understand and act on. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly fields?: Problem['fields'],
  ) {
    super(message);
    this.name = 'Refusal';
  }
}
