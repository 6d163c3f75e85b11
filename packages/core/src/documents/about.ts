/** What a document can be attached to: a place, a thing, all things of a kind, all sheets of a template. */
export const LINKED_TO = ['site', 'asset', 'kind', 'template'] as const;

export interface DocumentLink {
  readonly to: (typeof LINKED_TO)[number];
  /** Id of what it is attached to. */
  readonly ref: string;
}

/** What somebody stands before: ids of places, things, their kinds, templates. */
export type About = Readonly<Record<DocumentLink['to'], ReadonlySet<string>>>;

/** Whether a document is about any of this. */
export const isAbout = (links: readonly DocumentLink[], about: About): boolean =>
  links.some(({ to, ref }) => about[to].has(ref));
