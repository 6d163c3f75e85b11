/** How bad a thing is: 0 fine, 1 note, 2 fault, 3 serious, 4 danger. */
export const SEVERITIES = [0, 1, 2, 3, 4] as const;
export type Severity = (typeof SEVERITIES)[number];

const WORDS: Record<Severity, string> = {
  0: 'fine',
  1: 'note',
  2: 'fault',
  3: 'serious',
  4: 'danger',
};

export const severityWord = (severity: Severity): string => WORDS[severity];
