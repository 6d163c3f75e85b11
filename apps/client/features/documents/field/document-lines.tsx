import type { OfficeDocument } from '@ant-trail/contract/documents';
import type { About } from '@ant-trail/core/documents';
import { useRouter } from 'expo-router';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body } from '@/design/text.tsx';
import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { sayFile } from '../say-file.ts';
import { documentsAbout } from './documents-about.ts';

/** Documents about something, as long as that is known. */
export function useDocumentsAbout(
  load: (store: LocalStore) => Promise<About>,
  dependencies: readonly unknown[],
): readonly OfficeDocument[] {
  const { store } = usePhone();
  return (
    useLive(async () => documentsAbout(store, await load(store)), [store, ...dependencies]) ?? []
  );
}

/** Documents, each with whether it is on this phone. */
export function DocumentLines({ documents }: { readonly documents: readonly OfficeDocument[] }) {
  const router = useRouter();
  const { store } = usePhone();
  const kept = useLive(
    async () => new Set<string>(await store.documentFiles.toCollection().primaryKeys()),
    [store],
  );
  return (
    <Column role="list" aria-label="Documents">
      {documents.map(({ id, name, version }) => {
        const here = kept?.has(version.sha256) === true;
        return (
          <Column key={id} role="listitem">
            <PressableRow
              minHeight={56}
              justifyContent="center"
              paddingVertical="$2"
              onPress={() => router.navigate(`/document/${id}`)}
            >
              <Body strong>{name}</Body>
              <Row gap="$2">
                <Mark name={here ? 'received' : 'planned'} size={16} silent />
                <Body small quiet>
                  {sayFile(version)} · {here ? 'on this phone' : 'not on this phone'}
                </Body>
              </Row>
            </PressableRow>
            <Rule />
          </Column>
        );
      })}
    </Column>
  );
}
