import type { DocumentThen } from '@ant-trail/contract/documents';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { LookAt } from './look-at.tsx';

/** Documents that counted when a sheet was done, each as it was then. */
export function DocumentsThen({ documents }: { readonly documents: readonly DocumentThen[] }) {
  const [looking, setLooking] = useState<DocumentThen | null>(null);
  if (documents.length === 0) return null;
  return (
    <Column gap="$2">
      <Body small quiet>
        {documents.length === 1 ? 'The document' : 'Documents'} that counted for it:
      </Body>
      <Row gap="$2" flexWrap="wrap">
        {documents.map((each) => (
          <Button key={each.id} dense onPress={() => setLooking(each)}>
            {each.name}, version {each.version.number}
          </Button>
        ))}
      </Row>
      {looking ? (
        <LookAt
          document={looking.id}
          name={looking.name}
          version={looking.version}
          onClose={() => setLooking(null)}
        />
      ) : null}
    </Column>
  );
}
