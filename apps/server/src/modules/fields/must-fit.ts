import { problemsWithFacts, type Facts, type Field } from '@ant-trail/core/fields';
import { Refusal } from '../../refusals/refusal.ts';

/**
 * Throws a Refusal where facts don't fit their fields. What was known before stays known, whatever
 * became of the fields meanwhile.
 */
export function mustFit(
  fields: readonly Field[],
  facts: Facts,
  before: Facts,
  under: string,
): void {
  const changed = Object.fromEntries(
    Object.entries(facts).filter(
      ([key, fact]) => JSON.stringify(before[key]) !== JSON.stringify(fact),
    ),
  );
  const problems = problemsWithFacts(fields, changed);
  const [first] = problems;
  if (!first) return;
  throw new Refusal(
    422,
    'unfitting-facts',
    `${first.label}: ${first.words}`,
    problems.map(({ field, words }) => ({ field: `${under}.${field}`, message: words })),
  );
}
