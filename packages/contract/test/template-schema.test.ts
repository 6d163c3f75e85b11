import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { TEMPLATES } from '../../demo/src/templates/index.ts';
import { questionOf } from '../../core/test/every-kind.ts';
import { QUESTION_KINDS, type TemplateBody } from '@ant-trail/core/sheet';
import { TemplateContent } from '../src/templates/index.ts';
import { templateSchema } from '../src/templates/json-schema.ts';

const FILE = path.join(
  path.dirname(fileURLToPath(import.meta.url)),
  '../../../docs/template.schema.json',
);
const schema = templateSchema();
const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(schema);

const EVERY_KIND: TemplateBody = {
  title: 'Every kind',
  order: 'led',
  score: { target: 80, cap: 50, grades: [{ from: 90, word: 'A' }] },
  programmes: [{ key: 'p', name: 'P', required: ['a'], leftOut: [] }],
  followUp: {
    ...{ days: 7, title: '', template: null, when: 'amiss', person: 'the same' },
    only: { question: 'word', answer: 'accepts' },
  },
  demands: { credentials: ['Licence'], skills: ['ropes'] },
  variants: [{ name: 'Small', answers: [{ path: 'a', value: 1, unit: 'm' }] }],
  sections: [{ id: 's', title: 'S', questions: QUESTION_KINDS.map((kind) => questionOf(kind)) }],
};
const BODIES = [EVERY_KIND, ...TEMPLATES.map(({ body }) => body)];

test('the schema in the documents is the one the server checks by', () => {
  const written = `${JSON.stringify(schema, null, 2)}\n`;
  if (process.env['WRITE_SCHEMA']) writeFileSync(FILE, written);
  expect(JSON.parse(readFileSync(FILE, 'utf8'))).toEqual(JSON.parse(written));
});

test.each(BODIES.map((body) => [body.title, body] as const))(
  '“%s” goes out and comes in by it',
  (_, body) => {
    const file: unknown = JSON.parse(JSON.stringify(body));
    validate(file);
    expect(validate.errors).toBeNull();
    expect(TemplateContent.parse(file)).toEqual(body);
  },
);

/** Every place in a template, as the steps that lead there. */
function placesIn(value: unknown, at: readonly PropertyKey[] = []): (readonly PropertyKey[])[] {
  if (typeof value !== 'object' || value === null) return [at];
  return [at, ...Object.entries(value).flatMap(([key, inner]) => placesIn(inner, [...at, key]))];
}

function broken(body: TemplateBody, at: readonly PropertyKey[], how: string): unknown {
  const copy: unknown = structuredClone(body);
  const last = at.at(-1);
  let holder = copy as Record<PropertyKey, unknown>;
  for (const step of at.slice(0, -1)) holder = holder[step] as typeof holder;
  if (last === undefined) return how;
  if (how === 'gone') {
    if (Array.isArray(holder)) holder.splice(Number(last), 1);
    else delete holder[last];
  } else if (how === 'renamed') {
    holder[`${String(last)}_x`] = holder[last];
    if (!Array.isArray(holder)) delete holder[last];
  } else holder[last] = how === 'null' ? null : how === 'number' ? -7.5 : { odd: true };
  return copy;
}

test('the schema and the server agree on templates that were tampered with', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...BODIES),
      fc.nat(),
      fc.constantFrom('gone', 'renamed', 'null', 'number', 'object'),
      (body, seed, how) => {
        const places = placesIn(body);
        const made = JSON.parse(
          JSON.stringify(broken(body, places[seed % places.length] ?? [], how)),
        ) as unknown;
        expect(validate(made)).toBe(TemplateContent.safeParse(made).success);
      },
    ),
    { numRuns: 400 },
  );
});
