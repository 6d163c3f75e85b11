import canonicalize from 'canonicalize';
import { withMembers, type Question, type TemplateBody } from '../sheet/index.ts';
import { freeKey } from '../logic/index.ts';

/** A question that some template asks already, to be asked again elsewhere. */
export interface BankedQuestion {
  readonly question: Question;
  /** The template it was found in. */
  readonly category: string;
}

/** Every question of these templates once, row groups whole, by the template that asks it. */
export function questionBank(templates: readonly TemplateBody[]): BankedQuestion[] {
  const known = new Set<string>();
  return templates.flatMap(({ title, sections }) =>
    sections
      .flatMap(({ questions }) => questions)
      .filter((question) => {
        const print = canonicalize({ ...question, key: '' }) ?? '';
        return known.has(print) ? false : Boolean(known.add(print));
      })
      .map((question) => ({ question, category: title })),
  );
}

/**
 * A question as it is asked elsewhere, for a template in which some keys are taken. It keeps its
 * keys where they are free, so that its readings line up with those taken before; where one is
 * not, it is renamed in its own expressions too.
 */
export function copyOf(question: Question, taken: ReadonlySet<string>): Question {
  const renamed = new Map<string, string>();
  const all = new Set(taken);
  for (const { key } of withMembers(question)) {
    const free = freeKey(key, all);
    all.add(free);
    if (free !== key) renamed.set(key, free);
  }
  return renamed.size === 0 ? question : (renameIn(question, renamed) as Question);
}

/** Fields whose text is an expression; in every other one words stay words. */
const EXPRESSIONS: ReadonlySet<string> = new Set([
  'visibleWhen',
  'requiredWhen',
  'reasonWhen',
  'photoWhen',
  'suggest',
  'when',
  'must',
  'formula',
  'lowFrom',
  'highFrom',
]);

function renameIn(value: unknown, renamed: ReadonlyMap<string, string>): unknown {
  if (Array.isArray(value)) return value.map((item) => renameIn(item, renamed));
  if (typeof value !== 'object' || value === null) return value;
  const asked = 'kind' in value;
  return Object.fromEntries(
    Object.entries(value).map(([field, inner]) => {
      if (typeof inner !== 'string') return [field, renameIn(inner, renamed)];
      if (EXPRESSIONS.has(field)) return [field, renameNames(inner, renamed)];
      const isName = asked && (field === 'key' || field === 'follows');
      return [field, isName ? (renamed.get(inner) ?? inner) : inner];
    }),
  );
}

/** Names in an expression, and names of columns in quotes; fields after a dot are no names. */
const renameNames = (source: string, renamed: ReadonlyMap<string, string>): string =>
  source.replaceAll(/(?<![\w.])[a-z]\w*/g, (name) => renamed.get(name) ?? name);
