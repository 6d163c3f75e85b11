import { z } from 'zod';
import { Name } from '../common/index.ts';

const ListName = z.string().regex(/^[a-z]{1,40}$/);
const Column = z.string().max(60);

/** A way of looking at a list that somebody gave a name: narrowed so, ordered so, with these columns. */
export const KeptView = z
  .object({
    list: ListName,
    name: Name,
    query: z
      .record(z.string().max(60), z.string().max(400))
      .refine((query) => Object.keys(query).length <= 30, 'This is narrowed by too much.'),
    /** Columns that are left out. */
    hidden: z.array(Column).max(60),
  })
  .strict();
export type KeptView = z.infer<typeof KeptView>;

export const KeptViewName = KeptView.pick({ list: true, name: true });
export const KeptViewsAnswer = z.object({ views: z.array(KeptView) });
