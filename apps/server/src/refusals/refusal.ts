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

export const notSignedIn = (): Refusal =>
  new Refusal(401, 'not-signed-in', 'You are not signed in any more. Sign in again to go on.');
export const notAllowed = (): Refusal =>
  new Refusal(403, 'not-allowed', 'Your role does not allow this. Ask a manager.');
export const notFound = (what: string): Refusal =>
  new Refusal(404, 'not-found', `${what} is not here, or not yours to see.`);
