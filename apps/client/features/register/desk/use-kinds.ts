import { AssetKindsAnswer, type AssetKind } from '@ant-trail/contract/register';
import { useOffice } from '@/device/office.ts';

/** Kinds of thing the office has named, with what is known of each. */
export const useKinds = (): readonly AssetKind[] =>
  useOffice(AssetKindsAnswer, '/api/asset-kinds', ['asset kind']).answer?.kinds ?? [];
