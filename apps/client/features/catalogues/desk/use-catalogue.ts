import { CataloguesAnswer, KeptCatalogue } from '@ant-trail/contract/catalogues';
import { useOfficeHere } from '@/device/office-here.ts';

/** The catalogue of this key as the office has it now; undefined while it is not here, or does not exist. */
export function useCatalogue(key: string): KeptCatalogue | undefined {
  const { answer } = useOfficeHere(CataloguesAnswer, '/api/catalogues');
  const id = answer?.catalogues.find((each) => each.key === key)?.id;
  return useOfficeHere(KeptCatalogue, id ? `/api/catalogues/${id}` : null).answer;
}
