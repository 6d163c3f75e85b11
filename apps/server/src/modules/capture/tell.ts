import type { DataSource } from 'typeorm';
import { inOrganisation } from '../../database/tenancy.ts';
import type { Folding } from '../../log/folding.ts';
import type { Teller } from '../planning/follow-up-queue.ts';
import { sheetAsText } from './sheet-as-text.ts';

/** Folds a sheet for what it tells the one that follows it. */
export const tellBy =
  (data: DataSource, folding: Folding): Teller =>
  async (organisation, id) => {
    const text = await inOrganisation(data, organisation, (db) => sheetAsText(db, id));
    return text && folding.do(organisation, 'tell', { sheet: text.sheet });
  };
