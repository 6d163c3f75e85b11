/** Names that somebody wrote one after the other, between commas or semicolons: each once, in their order. */
export const namesIn = (text: string): string[] => [
  ...new Set(
    text
      .split(/[,;]/)
      .map((each) => each.trim())
      .filter(Boolean),
  ),
];
