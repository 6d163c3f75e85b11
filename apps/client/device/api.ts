import { Problem } from '@ant-trail/contract/common';
import type { z } from 'zod';

/** The office answered, and said no. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.message);
    this.name = 'Refused';
  }
}

/** The office could not be reached. */
export class Unreachable extends Error {
  constructor() {
    super('The office can’t be reached just now.');
    this.name = 'Unreachable';
  }
}

const PATIENCE_MS = 30_000;

async function send(method: string, path: string, body: unknown): Promise<Response> {
  try {
    return await fetch(path, {
      method,
      credentials: 'same-origin',
      signal: AbortSignal.timeout(PATIENCE_MS),
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
    });
  } catch {
    throw new Unreachable();
  }
}

async function refusalOf(response: Response): Promise<Error> {
  const read = Problem.safeParse(await response.json().catch(() => null));
  if (read.success) return new Refused(response.status, read.data);
  // Not our server's own words: something between here and there answered.
  return new Unreachable();
}

/** Asks the office, and checks its answer. Throws {@link Refused} or {@link Unreachable}. */
export async function ask<Answer extends z.ZodType>(
  answer: Answer,
  method: 'GET' | 'POST' | 'PUT',
  path: string,
  body?: unknown,
): Promise<z.infer<Answer>> {
  const response = await send(method, path, body);
  if (!response.ok) throw await refusalOf(response);
  return answer.parse(await response.json());
}

/** Fetches a file of the office. Throws like {@link ask}: a refusal is told where it was asked, not in its place. */
export async function fetchFile(path: string): Promise<Blob> {
  const response = await send('GET', path, undefined);
  if (!response.ok) throw await refusalOf(response);
  return response.blob();
}

/** Tells the office something that has no answer. */
export async function tell(method: 'POST', path: string, body?: unknown): Promise<void> {
  const response = await send(method, path, body);
  if (!response.ok) throw await refusalOf(response);
}

/** What to show a person for anything thrown. */
export const wordsFor = (error: unknown): string =>
  error instanceof Refused || error instanceof Unreachable
    ? error.message
    : 'Something went wrong here. Try again.';
