/** What the visit before offers is kept once for each site and template, under the office's id for it. */
export const earlierId = (site: string, template: string, asset: string | null): string =>
  asset === null ? `${site} ${template}` : `${site} ${template} ${asset}`;
