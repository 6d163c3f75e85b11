import canonicalize from 'canonicalize';
import { questionsOf, type Question, type TemplateBody } from '../sheet/index.ts';

/** What changed from one version of a template to the next, in sentences for people. */
export function differences(before: TemplateBody, after: TemplateBody): string[] {
  const said: string[] = [];
  if (before.title !== after.title)
    said.push(`Called “${after.title}” instead of “${before.title}”.`);
  if ((before.order ?? 'free') !== (after.order ?? 'free'))
    said.push(after.order === 'led' ? 'Led step by step now.' : 'Sections in any order now.');
  const old = new Map(questionsOf(before).map((question) => [question.key, question]));
  const now = new Map(questionsOf(after).map((question) => [question.key, question]));
  for (const [key, question] of now) if (!old.has(key)) said.push(`New: “${question.label}”.`);
  for (const [key, question] of old)
    if (!now.has(key)) said.push(`No longer asked: “${question.label}”.`);
  for (const [key, question] of now) {
    const was = old.get(key);
    if (was) said.push(...changesIn(was, question));
  }
  const order = (questions: Map<string, Question>, other: Map<string, Question>): string =>
    [...questions.keys()].filter((key) => other.has(key)).join();
  if (order(old, now) !== order(now, old)) said.push('Asked in another order.');
  const same = (one: unknown, other: unknown): boolean =>
    canonicalize(one ?? []) === canonicalize(other ?? []);
  if (!same(before.programmes, after.programmes)) said.push('Changed the programmes.');
  if (!same(before.variants, after.variants)) said.push('Changed the variants to begin with.');
  if (!same(before.demands, after.demands)) said.push('Changed what it takes to do it.');
  if (!same(before.followUp, after.followUp)) said.push('Changed what follows.');
  if ((before.signedOnSite ?? false) !== (after.signedOnSite ?? false))
    said.push('Changed whether it is signed on site.');
  return said;
}

const WORDS: Readonly<Record<string, string>> = {
  help: 'its help',
  visibleWhen: 'when it is asked',
  requiredWhen: 'when it is required',
  reasonWhen: 'when a reason is wanted',
  photoWhen: 'when a photo is wanted',
  whenAmiss: 'what happens when it is amiss',
  messages: 'its messages',
  findings: 'its finding rules',
  checks: 'its checks',
  options: 'its answers',
  unit: 'its unit',
  expected: 'its expected range',
  formula: 'its formula',
  consent: 'what is consented to',
  offScale: 'whether it may be off the scale',
  points: 'its points',
  carries: 'whether it is offered at the next visit',
  catalogue: 'the catalogue it looks in',
  of: 'which things of the register its rows are',
  kind: 'what kind of question it is',
};

function changesIn(was: Question, now: Question): string[] {
  const said: string[] = [];
  if (was.label !== now.label) said.push(`“${was.label}” reads “${now.label}” now.`);
  if (was.required !== now.required)
    said.push(`“${now.label}” is ${now.required ? 'required' : 'no longer required'}.`);
  const fields = new Set([...Object.keys(was), ...Object.keys(now)]);
  const changed = [...fields].filter((field) => {
    if (['label', 'required', 'key', 'questions'].includes(field)) return false;
    const value = (of: Question): unknown => (of as unknown as Record<string, unknown>)[field];
    return canonicalize(value(was) ?? null) !== canonicalize(value(now) ?? null);
  });
  if (changed.length > 0)
    said.push(
      `“${now.label}”: changed ${changed.map((field) => WORDS[field] ?? field).join(', ')}.`,
    );
  return said;
}
