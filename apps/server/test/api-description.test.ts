import { Validator } from '@seriousme/openapi-schema-validator';
import { openOffice, type Office } from './support/office.ts';

type Described = {
  openapi: string;
  paths: Record<string, Record<string, { requestBody?: unknown; parameters?: { name: string }[] }>>;
};

let office: Office;
let described: Described;
beforeAll(async () => {
  office = await openOffice();
  const { technician } = await office.newTeam('described');
  described = (await technician.call('GET', '/api/openapi.json')).body as Described;
});
afterAll(() => office.close());

test('is valid OpenAPI 3.1, by the published schema of that', async () => {
  // The schema of https://spec.openapis.org/oas/3.1 as the validator ships it.
  const validator = new Validator();
  const result = await validator.validate(structuredClone(described));
  expect(result.errors ?? []).toEqual([]);
  expect(validator.version).toBe('3.1');
});

test('names every route there is, with its parameters and its body', () => {
  const named = Object.entries(described.paths).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => `${method} ${path}`),
  );
  expect(named.sort()).toEqual(
    office.routes
      .map(({ method, path }) => `${method} ${path.replaceAll(/:(\w+)/g, '{$1}')}`)
      .sort(),
  );
  const rows = described.paths['/api/catalogues/{id}/rows.{format}']?.['get'];
  expect(rows?.parameters?.map(({ name }) => name)).toEqual(['id', 'format']);
  expect(described.paths['/api/jobs']?.['post']?.requestBody).toBeTruthy();
});

test('every reference in it leads somewhere', () => {
  const text = JSON.stringify(described);
  const refs = [...text.matchAll(/"\$ref":"#\/([^"]+)"/g)].map(([, at]) => at ?? '');
  expect(refs.length).toBeGreaterThan(0);
  for (const ref of new Set(refs)) {
    let at: unknown = described;
    for (const step of ref.split('/')) at = (at as Record<string, unknown> | undefined)?.[step];
    expect({ ref, leads: at !== undefined }).toEqual({ ref, leads: true });
  }
});
