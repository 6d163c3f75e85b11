import { Problem } from '@ant-trail/contract/common';
import type { z } from 'zod';
import { noteOfficeTime } from './clock.ts';

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

/** The office could not be reached: there is no network, or something else answered in its place. */
export class Unreachable extends Error {
  constructor(readonly why: 'no network' | 'office away' = 'no network') {
    super('The office can’t be reached just now.');
    this.name = 'Unreachable';
  }
}

const PATIENCE_MS = 30_000;

/** Browsers take little along when a page is left; what is larger is sent again at the next start. */
const TAKEN_ALONG = 8_000;

/** The header by which a window says for whom it asks: two people may sit at one browser. */
const PERSON_HEADER = 'X-Ant-Trail-Person';
let asking: string | null = null;

/** From now on everything is asked for this person; where another is signed in, the office refuses. */
export function askFor(person: string | null): void {
  asking = person;
}

/** What goes along with every request of this window. */
export const askingHeaders = (): Record<string, string> =>
  asking === null ? {} : { [PERSON_HEADER]: asking };

/** Why the office does not answer this window's person any more. */
export type Lapse = 'ended' | 'someone else';
let lapsed: (why: Lapse) => void = () => undefined;

/** Says who is to hear that the session has ended, whatever was asked just then. */
export function onLapse(hear: (why: Lapse) => void): void {
  lapsed = hear;
}

/** Takes note of a refusal for want of a session. */
export function noteRefusal({ status, problem }: Refused): void {
  if (status !== 401 || problem.code === 'wrong-sign-in') return;
  lapsed(problem.code === 'someone-else' ? 'someone else' : 'ended');
}

async function send(method: string, path: string, body: unknown): Promise<Response> {
  const askedAt = Date.now();
  const text = body === undefined ? null : JSON.stringify(body);
  try {
    const response = await fetch(path, {
      method,
      credentials: 'same-origin',
      // A page that is left just now must not take back what was said on it.
      keepalive: text !== null && text.length < TAKEN_ALONG,
      signal: AbortSignal.timeout(PATIENCE_MS),
      headers: {
        ...askingHeaders(),
        ...(text === null ? {} : { 'Content-Type': 'application/json' }),
      },
      ...(text === null ? {} : { body: text }),
    });
    noteOfficeTime(response, askedAt);
    return response;
  } catch {
    throw new Unreachable();
  }
}

async function refusalOf(response: Response): Promise<Error> {
  const read = Problem.safeParse(await response.json().catch(() => null));
  if (read.success) {
    const refused = new Refused(response.status, read.data);
    noteRefusal(refused);
    return refused;
  }
  // Not our server's own words: something between here and there answered.
  return new Unreachable('office away');
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
  // Words that are not our server’s: a network’s own page answered in its place.
  const said: unknown = await response.json().catch(() => {
    throw new Unreachable('office away');
  });
  return answer.parse(said);
}

/** Fetches a file of the office. Throws like {@link ask}: a refusal is told where it was asked, not in its place. */
export async function fetchFile(path: string, body?: unknown): Promise<Blob> {
  const response = await send(body === undefined ? 'GET' : 'POST', path, body);
  if (!response.ok) throw await refusalOf(response);
  return response.blob();
}

/** Tells the office something that has no answer. */
export async function tell(
  method: 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<void> {
  const response = await send(method, path, body);
  if (!response.ok) throw await refusalOf(response);
}

/** What to show a person for anything thrown. */
export const wordsFor = (error: unknown): string =>
  error instanceof Refused || error instanceof Unreachable
    ? error.message
    : 'Something went wrong here. Try again.';
