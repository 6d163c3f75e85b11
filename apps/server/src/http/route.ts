import { type Express, type Request, type Response } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import type { Role } from '@ant-trail/contract/accounts';
import { inOrganisation } from '../database/tenancy.ts';
import { notAllowed, notSignedIn } from './problem.ts';
import { readSession, type Session } from './session.ts';

/** Who may use a route: any signed-in person, or those with one of the roles. */
export type Allowed = 'signed in' | readonly Role[];
export const OFFICE: readonly Role[] = ['manager', 'reviewer', 'administrator'];
export const PLANNERS: readonly Role[] = ['manager', 'administrator'];

export interface Call<Params, Query, Body> {
  readonly params: Params;
  readonly query: Query;
  readonly body: Body;
  readonly session: Session;
  /** Sees only the caller's organisation. */
  readonly db: EntityManager;
}

/** Bytes to send instead of JSON. */
export class FileAnswer {
  constructor(
    readonly type: string,
    readonly bytes: Buffer,
    readonly name: string,
  ) {}
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
  readonly handle: (call: Call<never, never, never>) => Promise<unknown>;
}

interface RouteSpec<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType> {
  method: Route['method'];
  path: string;
  allowed: Allowed;
  summary: string;
  params?: P;
  query?: Q;
  body?: B;
  answer?: z.ZodType;
  handle: (call: Call<z.infer<P>, z.infer<Q>, z.infer<B>>) => Promise<unknown>;
}

/** Describes a route once: its check, its authorisation and its place in the API description. */
export function route<
  P extends z.ZodType = z.ZodUnknown,
  Q extends z.ZodType = z.ZodUnknown,
  B extends z.ZodType = z.ZodUnknown,
>(spec: RouteSpec<P, Q, B>): Route {
  return {
    ...spec,
    params: spec.params ?? z.unknown(),
    query: spec.query ?? z.unknown(),
    body: spec.body ?? z.unknown(),
    answer: spec.answer ?? null,
    handle: spec.handle,
  };
}

export function isAllowed(allowed: Allowed, session: Session): boolean {
  return allowed === 'signed in' || session.roles.some((role) => allowed.includes(role));
}

export function mountRoutes(app: Express, data: DataSource, routes: readonly Route[]): void {
  for (const spec of routes)
    app[spec.method](spec.path, async (request: Request, response: Response) => {
      const session = await readSession(data, request);
      if (!session) throw notSignedIn();
      if (!isAllowed(spec.allowed, session)) throw notAllowed();
      const call = {
        params: spec.params.parse(request.params),
        query: spec.query.parse(request.query),
        body: spec.body.parse(request.body),
        session,
      };
      const result = await inOrganisation(data, session.organisation, (db) =>
        spec.handle({ ...call, db } as Call<never, never, never>),
      );
      send(response, result);
    });
}

function send(response: Response, result: unknown): void {
  if (result instanceof FileAnswer) {
    response
      .type(result.type)
      .set('Content-Disposition', `inline; filename="${result.name.replaceAll(/[^\w .-]/g, '_')}"`)
      .set('Cache-Control', 'private, max-age=0')
      .send(result.bytes);
  } else if (result === undefined) response.status(204).end();
  else response.json(result);
}
