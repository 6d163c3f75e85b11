import { z } from 'zod';
import { Demands } from '../accounts/index.ts';
import { Id, ListQuery, listOf, Name, Words } from '../common/index.ts';
import { FactsContent, FieldsWhere } from '../fields/index.ts';
import { Contact } from './contact.ts';

export const ClientDraft = z
  .object({
    name: Name,
    /** What the organisation calls it by in its books. */
    number: z.string().trim().max(60),
    /** Where bills and letters go. */
    address: z.string().trim().max(400),
    contacts: z.array(Contact).max(12),
    note: Words,
    /** Where nothing is said of it, it stays as it is. */
    demands: Demands.exactOptional(),
    own: FactsContent.exactOptional(),
  })
  .strict();
export type ClientDraft = z.infer<typeof ClientDraft>;

/** Whom the work is for. Places name their client by its name. */
export const Client = ClientDraft.extend({
  id: Id,
  /** How many places in use are its. */
  places: z.int(),
}).strip();
export type Client = z.infer<typeof Client>;

export const ClientsQuery = ListQuery.extend({
  where: FieldsWhere.optional(),
  order: z.enum(['name', '-name']).default('name'),
});
export type ClientsQuery = z.infer<typeof ClientsQuery>;
export const ClientsAnswer = listOf(Client);
