/** More would break what reads it; no honest input comes near. */
const DEEPEST = 40;

/** A half of a character that takes two, alone. */
const LONE_HALF = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

const unkeepable = (text: string): boolean => text.includes('\u0000') || LONE_HALF.test(text);

/**
 * Why input can't be kept whatever it means, in words for the person; null when it can. Looks at it
 * without calling itself, since input may be nested deeper than any stack.
 */
export function problemWithInput(input: unknown): string | null {
  const waiting: { readonly value: unknown; readonly depth: number }[] = [
    { value: input, depth: 0 },
  ];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { value, depth } = next;
    if (typeof value === 'string' && unkeepable(value))
      return 'It holds a character that can’t be kept. Write it again.';
    if (typeof value !== 'object' || value === null) continue;
    if (depth >= DEEPEST) return 'It is nested too deep to be read.';
    for (const [key, inner] of Object.entries(value)) {
      if (unkeepable(key)) return 'It holds a character that can’t be kept. Write it again.';
      waiting.push({ value: inner, depth: depth + 1 });
    }
  }
  return null;
}
