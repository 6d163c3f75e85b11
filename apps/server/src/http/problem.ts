import type { ErrorRequestHandler } from 'express';
import { QueryFailedError } from 'typeorm';
import { ZodError } from 'zod';
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

export function wrongInput(error: ZodError): Refusal {
  const fields = error.issues.map((issue) => ({
    field: issue.path.join('.'),
    message: issue.message,
  }));
  const first = fields[0];
  const where = first?.field ? ` (${first.field}: ${first.message})` : '';
  return new Refusal(400, 'wrong-input', `Something in the input is not right${where}.`, fields);
}

interface BodyParserError {
  readonly type: string;
}
const isBodyParserError = (error: unknown): error is BodyParserError =>
  typeof error === 'object' && error !== null && 'type' in error && typeof error.type === 'string';

const FOREIGN_KEY_VIOLATION = '23503';
const INVALID_TEXT = '22P02';

/** Turns anything thrown into a refusal; what was not foreseen stays vague for the person. */
export function asRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error;
  if (error instanceof ZodError) return wrongInput(error);
  if (isBodyParserError(error)) {
    if (error.type === 'entity.too.large')
      return new Refusal(
        413,
        'too-large',
        'This is too large to take at once. Send less at a time.',
      );
    if (error.type === 'entity.parse.failed')
      return new Refusal(400, 'not-json', 'What arrived is not readable as JSON.');
  }
  if (error instanceof QueryFailedError) {
    const code: unknown = (error.driverError as { code?: unknown }).code;
    if (code === FOREIGN_KEY_VIOLATION || code === INVALID_TEXT) return notFound('What this names');
  }
  return new Refusal(500, 'failed', 'The office could not do this. Try again in a minute.');
}

export const answerProblems: ErrorRequestHandler = (error, request, response, next) => {
  const refusal = asRefusal(error);
  if (refusal.status >= 500) request.log.error({ err: error as unknown }, 'request failed');
  if (response.headersSent) {
    next(error);
    return;
  }
  const problem: Problem = {
    code: refusal.code,
    message: refusal.message,
    ...(refusal.fields ? { fields: refusal.fields } : {}),
  };
  response.status(refusal.status).json(problem);
};
