import { DocumentsAnswer } from '@ant-trail/contract/documents';
import { may } from '@ant-trail/core/accounts';
import type { DocumentLink } from '@ant-trail/core/documents';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayFile } from '../say-file.ts';
import { DocumentDialog } from './document-dialog.tsx';
import { NewDocumentDialog } from './new-document-dialog.tsx';

export interface DocumentsPanelProps {
  readonly link: DocumentLink;
  /** What the office calls it. */
  readonly name: string;
}

/** Documents attached to a place or a thing, and the way to attach another. */
export function DocumentsPanel({ link, name }: DocumentsPanelProps) {
  const { person } = useMe();
  const { to, ref } = link;
  const { answer } = useOffice(DocumentsAnswer, `/api/documents?to=${to}&ref=${ref}&most=100`, [
    'document',
  ]);
  const [opened, setOpened] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const rows = answer?.rows ?? [];
  return (
    <Column gap="$2" role="region" aria-label={`Documents about ${name}`}>
      <Heading>Documents</Heading>
      {answer && rows.length === 0 ? (
        <Body small quiet>
          None is attached.
        </Body>
      ) : null}
      {rows.map((document) => (
        <Row key={document.id} gap="$3" justifyContent="space-between">
          <Column flex={1}>
            <Body>{document.name}</Body>
            <Body small quiet>
              version {document.version.number}, {sayFile(document.version)}
            </Body>
          </Column>
          <Button
            dense
            plain
            label={`Open ${document.name}`}
            onPress={() => setOpened(document.id)}
          >
            Open
          </Button>
        </Row>
      ))}
      {may(person.roles, 'keep documents') ? (
        <Row>
          <Button dense onPress={() => setAdding(true)}>
            Attach a document
          </Button>
        </Row>
      ) : null}
      {opened ? <DocumentDialog id={opened} onClose={() => setOpened(null)} /> : null}
      {adding ? <NewDocumentDialog links={[link]} onClose={() => setAdding(false)} /> : null}
    </Column>
  );
}
