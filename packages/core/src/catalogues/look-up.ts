import type { LookupValue } from '../log/index.ts';
import { writeNumber } from '../measure/index.ts';
import { questionsOf, type TemplateBody, type TemplateProblem } from '../sheet/index.ts';
import { fieldOf, type Catalogue, type CatalogueRow } from './catalogue.ts';
import { isOurList } from './lists-of-ours.ts';

/** The answer that choosing a row gives: the row as it is now, whatever the catalogue becomes. */
export const lookedUp = (catalogue: string, row: CatalogueRow): LookupValue => ({
  catalogue,
  row: row.code,
  label: row.label,
  fields: row.fields,
});

/** What a catalogue knows of a row besides code and name, in its own order; bare where it is not at hand. */
export function sayFields(
  catalogue: Pick<Catalogue, 'columns'> | null,
  { fields }: Pick<CatalogueRow, 'fields'>,
): string {
  const columns = catalogue?.columns ?? Object.keys(fields).map((key) => ({ key, label: key }));
  return columns
    .flatMap(({ key, label }) => {
      const value = fieldOf(fields, key);
      if (value === undefined) return [];
      return [`${label} ${typeof value === 'number' ? writeNumber(value) : value}`];
    })
    .join(' · ');
}

/** Questions that look in a catalogue which is not among these. */
export function missingCatalogues(
  body: TemplateBody,
  keys: ReadonlySet<string>,
): TemplateProblem[] {
  return questionsOf(body).flatMap((question) =>
    question.kind === 'lookup' && !isOurList(question.catalogue) && !keys.has(question.catalogue)
      ? [
          {
            question: question.key,
            message: `“${question.label}” looks in the catalogue “${question.catalogue}”, which is not here: choose another or import it.`,
          },
        ]
      : [],
  );
}
