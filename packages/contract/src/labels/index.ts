import { z } from 'zod';
import { Id } from '../common/index.ts';

const Millimetres = z.number().min(0).max(400);

/** A sheet of labels by its dimensions, all in millimetres. */
export const LabelGrid = z
  .object({
    paper: z.enum(['A4', 'Letter']),
    columns: z.int().min(1).max(20),
    rows: z.int().min(1).max(40),
    /** Of one label. */
    width: Millimetres.min(15, 'A label that can be read is at least 15 mm wide.'),
    height: Millimetres.min(10, 'A label that can be read is at least 10 mm high.'),
    /** From the edge of the paper to the first label. */
    left: Millimetres,
    top: Millimetres,
    /** Between two labels. */
    gapX: Millimetres,
    gapY: Millimetres,
  })
  .strict();
export type LabelGrid = z.infer<typeof LabelGrid>;

const Offset = z.number().min(-20, 'At most 20 mm.').max(20, 'At most 20 mm.');

/** Labels to be printed: so many loose ones, or one for each of some things. */
export const LabelOrder = z
  .object({
    loose: z.int().min(1).max(1000).optional(),
    assets: z.array(Id).min(1).max(1000).optional(),
    grid: LabelGrid,
    /** Which label of the first sheet is the first to be printed, counted along the rows from 1. */
    first: z.int().min(1).default(1),
    /** How far this printer shifts what it prints, in millimetres to the right and down. */
    shift: z.object({ x: Offset, y: Offset }).strict().default({ x: 0, y: 0 }),
  })
  .strict()
  .refine(({ loose, assets }) => (loose === undefined) !== (assets === undefined), {
    message: 'Print loose labels, or labels for things.',
    path: ['loose'],
  })
  .refine(({ first, grid }) => first <= grid.columns * grid.rows, {
    message: 'The sheet has fewer labels than that.',
    path: ['first'],
  });
export type LabelOrder = z.infer<typeof LabelOrder>;
