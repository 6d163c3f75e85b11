import { CataloguesAnswer, KeptCatalogue, LookedIn } from '@ant-trail/contract/catalogues';
import { isOurList, type Catalogue } from '@ant-trail/core/catalogues';
import { ask } from '@/device/api.ts';

/** What is looked in under this key as the office has it now; null where there is no such thing, or no answer. */
export async function catalogueNow(key: string, place: string | null): Promise<Catalogue | null> {
  try {
    if (isOurList(key))
      return place === null ? null : await ask(LookedIn, 'GET', `/api/sites/${place}/lists/${key}`);
    const { catalogues } = await ask(CataloguesAnswer, 'GET', '/api/catalogues');
    const id = catalogues.find((each) => each.key === key)?.id;
    return id ? await ask(KeptCatalogue, 'GET', `/api/catalogues/${id}`) : null;
  } catch {
    // The cell says that the catalogue is not here.
    return null;
  }
}
