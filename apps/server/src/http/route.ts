import { may, type Ability } from '@ant-trail/core/accounts';
import { type Express, type Request, type Response } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { inOrganisation } from '../database/tenancy.ts';
import { notAllowed, notSignedIn, Refusal } from '../refusals/refusal.ts';
import { FileAnswer } from './file-answer.ts';
import { problemWithInput } from './readable.ts';
import { mustBeMeant, readSession, renewSession, sessionCookie, type Session } from './session.ts';

export { FileAnswer } from './file-answer.ts';

/** Who may use a route: any signed-in person, or those who have an ability. */
export type Allowed = 'signed in' | Ability;

/** Does work in one transaction that sees only the caller's organisation. */
export type Within = <Result>(work: (db: EntityManager) => Promise<Result>) => Promise<Result>;

interface Asked<Params, Query, Body> {
  readonly params: Params;
  readonly query: Query;
  readonly body: Body;
  readonly session: Session;
}

export interface Call<Params, Query, Body> extends Asked<Params, Query, Body> {
  /** Sees only the caller's organisation. */
  readonly db: EntityManager;
}

export interface LongCall<Params, Query, Body> extends Asked<Params, Query, Body> {
  readonly within: Within;
}

export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  readonly path: string;
  readonly allowed: Allowed;
  readonly summary: string;
  readonly params: z.ZodType;
  readonly query: z.ZodType;
  readonly body: z.ZodType;
  readonly answer: z.ZodType | null;
  /** Reads its body item by item: a bad one is refused by itself. */
  readonly itemByItem: boolean;
  readonly handle: (call: LongCall<never, never, never>) => Promise<unknown>;
}

/** What a handler has to give: what its answer’s schema takes, or anything where it has none (a file, nothing). */
type Given<A> = A extends z.ZodType ? Unchanged<z.input<A>> : unknown;

/** Lists and objects that are only read, however deep. */
type Unchanged<Value> = Value extends readonly (infer Item)[]
  ? readonly Unchanged<Item>[]
  : Value extends object
    ? { readonly [Key in keyof Value]: Unchanged<Value[Key]> }
    : Value;

interface RouteSpec<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, A, C> {
  method: Route['method'];
  path: string;
  allowed: Allowed;
  summary: string;
  params?: P;
  query?: Q;
  body?: B;
  answer?: A;
  itemByItem?: boolean;
  handle: (call: C & Asked<z.infer<P>, z.infer<Q>, z.infer<B>>) => Promise<Given<A>>;
}

/** Describes a route once: its check, its authorisation and its place in the API description. */
export function route<
  P extends z.ZodType = z.ZodUnknown,
  Q extends z.ZodType = z.ZodUnknown,
  B extends z.ZodType = z.ZodUnknown,
  A extends z.ZodType | undefined = undefined,
>(spec: RouteSpec<P, Q, B, A, { readonly db: EntityManager }>): Route {
  return longRoute<P, Q, B, A>({
    ...spec,
    handle: ({ within, ...call }) => within((db) => spec.handle({ ...call, db })),
  });
}

/**
 * A route that waits for something else than the database, such as a worker: it holds a connection
 * only for as long as it asks for one.
 */
export function longRoute<
  P extends z.ZodType = z.ZodUnknown,
  Q extends z.ZodType = z.ZodUnknown,
  B extends z.ZodType = z.ZodUnknown,
  A extends z.ZodType | undefined = undefined,
>(spec: RouteSpec<P, Q, B, A, { readonly within: Within }>): Route {
  return {
    ...spec,
    params: spec.params ?? z.unknown(),
    query: spec.query ?? z.unknown(),
    body: spec.body ?? z.unknown(),
    answer: spec.answer ?? null,
    itemByItem: spec.itemByItem ?? false,
    handle: spec.handle,
  };
}

export function isAllowed(allowed: Allowed, session: Session): boolean {
  return allowed === 'signed in' || may(session.roles, allowed);
}

export function mountRoutes(
  app: Express,
  data: DataSource,
  routes: readonly Route[],
  secure: boolean,
): void {
  for (const spec of routes)
    app[spec.method](spec.path, async (request: Request, response: Response) => {
      const session = await readSession(data, request);
      if (!session) throw notSignedIn();
      mustBeMeant(session, request.headers);
      const renewed = await renewSession(data, session, request);
      if (renewed) response.setHeader('Set-Cookie', sessionCookie(renewed, secure));
      if (!isAllowed(spec.allowed, session)) throw notAllowed();
      refuseUnreadable([request.params, request.query, spec.itemByItem ? null : request.body]);
      const call = {
        params: spec.params.parse(request.params),
        query: spec.query.parse(request.query),
        body: spec.body.parse(request.body),
        session,
        within: (work) => inOrganisation(data, session.organisation, work),
      } as LongCall<never, never, never>;
      send(response, await spec.handle(call));
    });
}

function refuseUnreadable(parts: readonly unknown[]): void {
  for (const part of parts) {
    const problem = problemWithInput(part);
    if (problem) throw new Refusal(400, 'wrong-input', problem);
  }
}

function send(response: Response, result: unknown): void {
  if (result instanceof FileAnswer) result.sendBy(response);
  else if (result === undefined) response.status(204).end();
  else response.json(result);
}
