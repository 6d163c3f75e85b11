/** Answers of one row, by the keys of its questions. */
export type RowAnswers = Readonly<Record<string, unknown>>;

/** The rows of a group among the answers of a sheet; none where there is nothing like it. */
export const rowsOf = (value: unknown): readonly RowAnswers[] =>
  Array.isArray(value)
    ? value.filter((row): row is RowAnswers => typeof row === 'object' && row !== null)
    : [];
