import type { DocumentVersion } from '@ant-trail/contract/documents';
import { View } from '@tamagui/core';
import { useEffect, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { fetchFile, wordsFor } from '@/device/api.ts';
import { saveFile } from '@/device/save-file.ts';
import { DocumentView } from '../document-view.tsx';

export interface LookAtProps {
  readonly document: string;
  readonly name: string;
  readonly version: DocumentVersion;
  readonly onClose: () => void;
}

/** A version of a document, looked at. */
export function LookAt({ document, name, version, onClose }: LookAtProps) {
  const [bytes, setBytes] = useState<Blob | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    fetchFile(`/api/documents/${document}/versions/${version.id}/file`).then(
      setBytes,
      (error: unknown) => setProblem(wordsFor(error)),
    );
  }, [document, version.id]);
  return (
    <Dialog title={`${name}, version ${version.number}`} onClose={onClose} width={980} easy>
      <Column gap="$2">
        <View height="calc(100dvh - 190px)" minHeight={300}>
          {bytes ? <DocumentView {...{ bytes, name }} type={version.type} /> : null}
          {problem ? (
            <Body eyes role="alert">
              {problem}
            </Body>
          ) : null}
        </View>
        {bytes ? (
          <Row>
            <Button dense onPress={() => saveFile(bytes, version.file)}>
              Save it as a file
            </Button>
          </Row>
        ) : null}
      </Column>
    </Dialog>
  );
}
