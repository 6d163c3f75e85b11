/** A pattern made ready; how long finding takes grows with the text alone, whatever the pattern. */
type Pattern = { readonly matches: (text: string) => boolean };
type Engine = (pattern: string) => Pattern;

let engine: Engine | null = null;
let loading: Promise<void> | null = null;

const PATTERNS_KEPT = 200;
const LONGEST_PATTERN = 500;
const made = new Map<string, Pattern | null>();

/** Whether any of these expressions looks for a pattern. */
export const usesPatterns = (texts: string): boolean => /\bmatches\s*\(/.test(texts);

/**
 * Brings the engine that finds patterns in linear time, as CEL prescribes (RE2). It is large, so it
 * comes only where a template looks for patterns; afterwards {@link matchesPattern} works.
 */
export function loadPatterns(): Promise<void> {
  loading ??= import('re2js').then(({ RE2JS }) => {
    engine = (pattern) => {
      const compiled = RE2JS.compile(pattern);
      return { matches: (text) => compiled.matcher(text).find() };
    };
  });
  return loading;
}

/** Brings the engine when something holds an expression that needs it. */
export const loadPatternsFor = (template: unknown): Promise<void> =>
  usesPatterns(JSON.stringify(template)) ? loadPatterns() : Promise.resolve();

export const arePatternsLoaded = (): boolean => engine !== null;

/** Why a pattern can't be used, in words; null when it can. Needs the engine. */
export function problemWithPattern(pattern: string): string | null {
  return patternOf(pattern)
    ? null
    : `the pattern “${pattern.slice(0, 60)}” can’t be used: it may not look back or ahead`;
}

/** Whether a text holds what a pattern describes. Throws an Error without the engine, or for a pattern it does not know. */
export function matchesPattern(text: string, pattern: string): boolean {
  const compiled = patternOf(pattern);
  if (!compiled) throw new Error('not a pattern');
  return compiled.matches(text);
}

function patternOf(pattern: string): Pattern | null {
  if (!engine) throw new Error('patterns are not loaded');
  const known = made.get(pattern);
  if (known !== undefined) return known;
  const compiled = compile(engine, pattern);
  const oldest = made.keys().next();
  if (made.size >= PATTERNS_KEPT && !oldest.done) made.delete(oldest.value);
  made.set(pattern, compiled);
  return compiled;
}

function compile(with_: Engine, pattern: string): Pattern | null {
  if (pattern.length > LONGEST_PATTERN) return null;
  try {
    return with_(pattern);
  } catch {
    return null;
  }
}
