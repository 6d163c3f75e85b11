import { CataloguesAnswer, KeptCatalogue } from '@ant-trail/contract/catalogues';
import { useOffice } from '@/device/office.ts';

/** The catalogue of this key as the office has it now; undefined while it is not here, or does not exist. */
export function useCatalogue(key: string): KeptCatalogue | undefined {
  const { answer } = useOffice(CataloguesAnswer, '/api/catalogues');
  const id = answer?.catalogues.find((each) => each.key === key)?.id;
  return useOffice(KeptCatalogue, id ? `/api/catalogues/${id}` : null).answer;
}
