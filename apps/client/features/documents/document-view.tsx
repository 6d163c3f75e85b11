import { View } from '@tamagui/core';
import { useEffect, useState } from 'react';
import { PdfPages } from './pdf-pages.tsx';

export interface DocumentViewProps {
  readonly bytes: Blob;
  readonly type: string;
  readonly name: string;
}

/** A document to be looked at: its pages, or its picture. */
export const DocumentView = ({ bytes, type, name }: DocumentViewProps) =>
  type === 'application/pdf' ? (
    <PdfPages {...{ bytes, name }} />
  ) : (
    <PictureView {...{ bytes, name }} />
  );

function PictureView({ bytes, name }: Pick<DocumentViewProps, 'bytes' | 'name'>) {
  const [url, setUrl] = useState<string>();
  const [whole, setWhole] = useState(true);
  useEffect(() => {
    const made = URL.createObjectURL(bytes);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [bytes]);
  return (
    <View flex={1} minHeight={0} position="relative">
      <button
        type="button"
        aria-label={whole ? 'Larger' : 'All of it'}
        onClick={() => setWhole(!whole)}
        style={{
          ...{ position: 'absolute', inset: 0, overflow: 'auto', padding: 0, border: 0 },
          ...{ background: 'transparent', cursor: whole ? 'zoom-in' : 'zoom-out' },
        }}
      >
        {url ? (
          <img
            src={url}
            alt={name}
            style={
              whole
                ? { width: '100%', height: '100%', objectFit: 'contain', display: 'block' }
                : { display: 'block', maxWidth: 'none' }
            }
          />
        ) : null}
      </button>
    </View>
  );
}
