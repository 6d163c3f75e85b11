import { z } from 'zod';
import { createDocument, type ZodOpenApiOperationObject } from 'zod-openapi';
import { Problem } from '@ant-trail/contract/common';
import { route, type Route } from './route.ts';

/** Rises when something that was there is no longer, or means something else. */
const API_VERSION = '1';

/** A path as OpenAPI writes it: `/api/jobs/{id}`. */
const written = (path: string): string => path.replaceAll(/:(\w+)/g, '{$1}');

const json = (schema: z.ZodType) => ({ content: { 'application/json': { schema } } });

function operationOf(spec: Route): ZodOpenApiOperationObject {
  const { method, path, params, query, body, answer, allowed } = spec;
  return {
    summary: spec.summary,
    operationId: `${method} ${path}`.replaceAll(/[^a-z]+/gi, '-').replace(/-$/, ''),
    tags: [path.split('/')[2] ?? 'api'],
    ...(allowed === 'signed in' ? {} : { description: `For whoever may: ${allowed}.` }),
    requestParams: {
      ...(params instanceof z.ZodObject ? { path: params } : {}),
      ...(query instanceof z.ZodObject ? { query } : {}),
    },
    ...(body instanceof z.ZodUnknown ? {} : { requestBody: { required: true, ...json(body) } }),
    responses: {
      200: { description: 'Done', ...(answer ? json(answer) : {}) },
      default: { description: 'What happened and what to do, in words', ...json(Problem) },
    },
  };
}

/** All routes as an OpenAPI 3.1 document, made from what they check and answer. */
export function describeApi(routes: readonly Route[]): object {
  const paths: Record<string, Record<string, ZodOpenApiOperationObject>> = {};
  for (const spec of routes) (paths[written(spec.path)] ??= {})[spec.method] = operationOf(spec);
  return createDocument({
    openapi: '3.1.0',
    info: { title: 'Ant Trail', version: API_VERSION },
    servers: [{ url: '/' }],
    security: [{ session: [] }],
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'trail_session' } },
    },
  });
}

/** The route at which the description is read; it stands in it as well. */
export function describedBy(routes: readonly Route[]): Route {
  let made: object | null = null;
  const own: Route = route({
    method: 'get',
    path: '/api/openapi.json',
    allowed: 'signed in',
    summary: 'This description of all routes (OpenAPI 3.1)',
    handle: () => Promise.resolve((made ??= describeApi([...routes, own]))),
  });
  return own;
}
