/** A column of a catalogue besides the code and the name of each row. */
export interface CatalogueColumn {
  /** How rules call it: small letters, digits and _. */
  readonly key: string;
  readonly label: string;
  readonly kind: 'text' | 'number';
}

export interface CatalogueRow {
  /** Tells the rows of a catalogue apart. */
  readonly code: string;
  readonly label: string;
  readonly fields: Readonly<Record<string, string | number>>;
}

/** A list that answers are looked up in. */
export interface Catalogue {
  /** What questions call it. */
  readonly key: string;
  readonly name: string;
  readonly columns: readonly CatalogueColumn[];
  readonly rows: readonly CatalogueRow[];
}

/** A catalogue goes to phones whole, so it has an end. */
export const MOST_ROWS = 10_000;
export const MOST_COLUMNS = 30;
export const LONGEST_NAME = 200;
export const LONGEST_CODE = 80;
export const LONGEST_TEXT = 500;

/** The names by which rules know a row's code and name. */
export const OWN_NAMES: ReadonlySet<string> = new Set(['row', 'label']);

/** What a row says under a column; undefined where it says nothing. Columns may be called anything. */
export const fieldOf = (
  fields: CatalogueRow['fields'],
  key: string,
): string | number | undefined => (Object.hasOwn(fields, key) ? fields[key] : undefined);
