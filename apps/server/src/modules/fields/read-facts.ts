import { problemsWithFacts, type Fact, type Facts, type Field } from '@ant-trail/core/fields';
import { rulesOf } from '@ant-trail/core/sheet';
import { column, plain, type ImportLine } from '../../tables/import-target.ts';

/** Columns of fields are told from others by this. */
export const FIELD = 'field ';

/** A column for each field. */
export const columnsOf = (fields: readonly Field[]) =>
  fields.map(({ label }) => column(`${FIELD}${plain(label)}`, label, []));

/** What a line says under fields, or what is wrong with that. */
export function factsOf(fields: readonly Field[], line: ImportLine): Facts | string {
  const facts: Record<string, Fact> = {};
  for (const field of fields) {
    const text = line.get(`${FIELD}${plain(field.label)}`);
    if (text === undefined) continue;
    const given = optionOf(field, text) ??
      rulesOf(field).readTyped?.(field, text) ?? { value: text };
    if ('problem' in given) return `${field.label}: ${given.problem}`;
    const unit = rulesOf(field).units?.(field)[0];
    facts[field.key] = { value: given.value, ...(unit === undefined ? {} : { unit }) };
  }
  const [problem] = problemsWithFacts(fields, facts);
  return problem ? `${problem.label}: ${problem.words}` : facts;
}

/** An answer that is offered, by its own words. */
function optionOf(field: Field, text: string): { readonly value: Fact['value'] } | null {
  const option = rulesOf(field)
    .offers?.(field)
    .find(({ label }) => plain(label) === plain(text));
  return option ? { value: option.value } : null;
}
