import { CataloguesAnswer, KeptCatalogue, LookedIn } from '@ant-trail/contract/catalogues';
import { isOurList, type Catalogue } from '@ant-trail/core/catalogues';
import { useOfficeHere } from '@/device/office-here.ts';

/**
 * What is looked in under this key as the office has it now: a catalogue, or what it knows of a place
 * anyway. Undefined while it is not here, or does not exist.
 */
export function useCatalogue(key: string, place: string | null): Catalogue | undefined {
  const ours = isOurList(key);
  const { answer } = useOfficeHere(CataloguesAnswer, ours ? null : '/api/catalogues');
  const id = answer?.catalogues.find((each) => each.key === key)?.id;
  const brought = useOfficeHere(KeptCatalogue, id ? `/api/catalogues/${id}` : null).answer;
  const known = useOfficeHere(
    LookedIn,
    ours && place !== null ? `/api/sites/${place}/lists/${key}` : null,
  ).answer;
  return ours ? known : brought;
}
