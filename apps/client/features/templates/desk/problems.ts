import { TemplateContent } from '@ant-trail/contract/templates';
import { missingCatalogues } from '@ant-trail/core/catalogues';
import { problemsOf, type TemplateBody, type TemplateProblem } from '@ant-trail/core/sheet';

/**
 * Everything that keeps a draft from being published, in words, each with its question. Catalogues
 * are looked for once the office has said which there are.
 */
export function allProblems(
  body: TemplateBody,
  catalogues: ReadonlySet<string> | null,
): TemplateProblem[] {
  const own = [...problemsOf(body), ...(catalogues ? missingCatalogues(body, catalogues) : [])];
  if (own.length > 0) return own;
  const read = TemplateContent.safeParse(body);
  if (read.success) return [];
  return read.error.issues.map(({ path, message }) => {
    const question = questionOn(body, path);
    const field = String(path.at(-1) ?? '');
    return {
      question: question?.key ?? null,
      message: `${question ? `“${question.label}”` : 'The sheet'}, ${field}: ${message}`,
    };
  });
}

/** The innermost question that a path through the draft leads over. */
function questionOn(
  body: TemplateBody,
  path: readonly PropertyKey[],
): { readonly key: string; readonly label: string } | null {
  let found: { key: string; label: string } | null = null;
  let here: unknown = body;
  for (const step of path) {
    if (typeof here !== 'object' || here === null) break;
    here = (here as Record<PropertyKey, unknown>)[step];
    if (isQuestion(here)) found = here;
  }
  return found;
}

const isQuestion = (value: unknown): value is { key: string; label: string } =>
  typeof value === 'object' && value !== null && 'key' in value && 'kind' in value;
