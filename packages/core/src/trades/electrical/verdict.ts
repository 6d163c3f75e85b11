/**
 * How much an observation matters: danger there now, danger that may come, better put right, or not
 * known before more is found out. The codes are those of BS 7671, model forms of a condition report
 * (from memory).
 */
export const OBSERVATION_CODES = ['C1', 'C2', 'C3', 'FI'] as const;
export type ObservationCode = (typeof OBSERVATION_CODES)[number];

const isCode = (said: unknown): said is ObservationCode =>
  OBSERVATION_CODES.some((code) => code === said);

/**
 * Whether an installation may go on in use as it is: not with anything that is dangerous, may become
 * so, or has to be looked into. What is only better put right leaves it satisfactory. Source: BS 7671,
 * model forms (from memory).
 */
export const isSatisfactory = (codes: readonly ObservationCode[]): boolean =>
  codes.every((code) => code === 'C3');

/** The codes of rows of observations, whatever else they say. */
export const codesOf = (rows: unknown): ObservationCode[] =>
  Array.isArray(rows)
    ? rows.flatMap((row: { readonly code?: unknown } | null) =>
        isCode(row?.code) ? [row.code] : [],
      )
    : [];
