import type { OfficeDocument } from '@ant-trail/contract/documents';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body, Title } from '@/design/text.tsx';
import { fetchFile, wordsFor } from '@/device/api.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { DocumentView } from '../document-view.tsx';
import { sayFile } from '../say-file.ts';
import type { KeptFile } from './on-phone.ts';

async function load(store: LocalStore, id: string) {
  const document = (await store.documents.get(id)) ?? null;
  const files = await store.documentFiles.where('document').equals(id).toArray();
  const byHand = (await store.documentsWanted.get(id)) !== undefined;
  const newest = files.sort((a, b) => b.number - a.number);
  return {
    document,
    byHand,
    // Where the version that counts is not here yet, one of before is better than none, and says so.
    file: newest.find(({ sha256 }) => sha256 === document?.version.sha256) ?? newest[0] ?? null,
  };
}

/** A document, read with no network where it is kept here. */
export function DocumentScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { store, engine } = usePhone();
  const router = useRouter();
  const found = useLive(() => load(store, id), [store, id]);
  const { document, file, byHand } = found ?? {};
  const keep = async (): Promise<void> => {
    if (byHand) await store.documentsWanted.delete(id);
    else await store.documentsWanted.put({ id });
    engine.soon();
  };
  return (
    <FieldPage title={document?.name ?? 'A document'} wide>
      <FieldHead>
        <Row className="to-hand" justifyContent="space-between" gap="$2">
          <Button
            plain
            dense
            onPress={() =>
              router.canGoBack() ? router.back() : router.navigate('/documents-here')
            }
          >
            ‹ Back
          </Button>
          {document ? (
            <Button dense onPress={keep}>
              {byHand ? 'No need to keep it' : 'Keep it here'}
            </Button>
          ) : null}
        </Row>
        {document ? (
          <Column gap="$1">
            <Title>{document.name}</Title>
            <Body small quiet>
              Version {document.version.number} of {sayDatedDay(document.version.at.slice(0, 10))}
              {document.note ? ` · ${document.note}` : ''}
            </Body>
          </Column>
        ) : null}
      </FieldHead>
      {found && !document ? (
        <Column padding="$4">
          <Body quiet>This document is not in use any more.</Body>
        </Column>
      ) : null}
      {document && file && file.sha256 !== document.version.sha256 ? (
        <Notice tone="eyes" mark="needs eyes">
          This is version {file.number}. Version {document.version.number} counts now, and is not on
          this phone yet.
        </Notice>
      ) : null}
      <Column flex={1} minHeight={0} render="main" id="main">
        {document && file ? <DocumentView {...file} name={document.name} /> : null}
        {document && found && !file ? <FromOffice document={document} /> : null}
      </Column>
    </FieldPage>
  );
}

/** One that is not kept here is looked at over the network. */
function FromOffice({ document }: { readonly document: OfficeDocument }) {
  const { version } = document;
  const [bytes, setBytes] = useState<KeptFile['bytes'] | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const fetchIt = async (): Promise<void> => {
    setSaid('Fetching it …');
    try {
      setBytes(await fetchFile(`/api/documents/${document.id}/versions/${version.id}/file`));
      setSaid(null);
    } catch (error) {
      setSaid(wordsFor(error));
    }
  };
  if (bytes) return <DocumentView bytes={bytes} type={version.type} name={document.name} />;
  return (
    <Column padding="$4" gap="$3">
      <Body>It is not on this phone ({sayFile(version)}).</Body>
      <Button main onPress={fetchIt}>
        Look at it now
      </Button>
      <Body small quiet>
        “Keep it here” fetches it with the next exchange, to be read with no network.
      </Body>
      {said ? (
        <Body small role="status">
          {said}
        </Body>
      ) : null}
    </Column>
  );
}
