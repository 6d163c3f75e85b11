import { useCallback } from 'react';
import type { Catalogue } from '@ant-trail/core/catalogues';
import { listKept } from '@/features/catalogues/field/use-list.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import type { Said } from '@/features/trades/part.ts';
import { useSheetSession } from '../session/sheet-context.tsx';

interface KitWords {
  readonly write: (said: readonly Said[]) => Promise<string | null>;
  readonly listOf: (key: string) => Promise<Catalogue | null>;
}

/** How a kit says things on the sheet, and where it looks them up; the same ones as long as the sheet is. */
export function useKitWords(): KitWords {
  const session = useSheetSession();
  const { store } = usePhone();
  const { site } = session.context;
  const write = useCallback(
    (said: readonly Said[]) =>
      session.writeAll(
        said.map((each) => ({ ...each, kind: each.value === null ? 'clear' : 'answer' })),
      ),
    [session],
  );
  const listOf = useCallback((key: string) => listKept(store, key, site.id), [store, site.id]);
  return { write, listOf };
}
