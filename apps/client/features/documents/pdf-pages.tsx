import { View } from '@tamagui/core';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import { useEffect, useRef, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { openPdf, wordsOf } from './pdf-reader.ts';
import { PdfPage } from './pdf-page.tsx';

const ZOOMS = [1, 1.5, 2, 3] as const;

/** A PDF file, page under page; drawn as one comes to it, read out, and searched. */
export function PdfPages({ bytes, name }: { readonly bytes: Blob; readonly name: string }) {
  const [file, setFile] = useState<PDFDocumentProxy | null>(null);
  const [problem, setProblem] = useState(false);
  const [zoom, setZoom] = useState(0);
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let gone = false;
    let opened: PDFDocumentProxy | null = null;
    openPdf(bytes).then(
      (pdf) => {
        opened = pdf;
        if (gone) void pdf.destroy();
        else setFile(pdf);
      },
      () => setProblem(true),
    );
    return () => {
      gone = true;
      void opened?.destroy();
    };
  }, [bytes]);
  const goTo = (page: number): void =>
    frame.current?.querySelector(`[data-page="${page}"]`)?.scrollIntoView({ block: 'start' });
  if (problem)
    return (
      <Body padding="$4" eyes role="alert">
        This file can’t be shown. It may be damaged, or locked with a password.
      </Body>
    );
  if (!file) return <Body padding="$4">Opening …</Body>;
  return (
    <Column flex={1} minHeight={0}>
      <Row padding="$2" gap="$2" flexWrap="wrap" alignItems="flex-end">
        <FindWords file={file} onFound={goTo} />
        <Button
          dense
          label="Smaller"
          disabled={zoom === 0}
          onPress={() => setZoom(Math.max(0, zoom - 1))}
        >
          −
        </Button>
        <Button
          dense
          label="Larger"
          disabled={zoom === ZOOMS.length - 1}
          onPress={() => setZoom(Math.min(ZOOMS.length - 1, zoom + 1))}
        >
          +
        </Button>
      </Row>
      <View flex={1} minHeight={0} position="relative" backgroundColor="$rule">
        <div
          ref={frame}
          tabIndex={0}
          role="document"
          aria-label={name}
          style={{ position: 'absolute', inset: 0, overflow: 'auto' }}
        >
          {Array.from({ length: file.numPages }, (_, at) => (
            <PdfPage
              key={at}
              file={file}
              number={at + 1}
              of={file.numPages}
              zoom={ZOOMS[zoom] ?? 1}
            />
          ))}
        </div>
      </View>
    </Column>
  );
}

interface FindWordsProps {
  readonly file: PDFDocumentProxy;
  readonly onFound: (page: number) => void;
}

/** Looks for words, from page to page and round again. */
function FindWords({ file, onFound }: FindWordsProps) {
  const [words, setWords] = useState('');
  const [said, setSaid] = useState('');
  const last = useRef(0);
  const find = async (): Promise<void> => {
    const wanted = plain(words);
    if (!wanted) return;
    for (let step = 1; step <= file.numPages; step++) {
      const page = ((last.current + step - 1) % file.numPages) + 1;
      if (!plain(await wordsOf(await file.getPage(page))).includes(wanted)) continue;
      last.current = page;
      setSaid(`On page ${page}`);
      return onFound(page);
    }
    setSaid('Not in this document');
    return undefined;
  };
  return (
    <Row gap="$2" alignItems="flex-end" flex={1} flexWrap="wrap">
      <Column width={150}>
        <Input
          label="Find words"
          value={words}
          onChange={(text) => {
            setWords(text);
            setSaid('');
          }}
          onEnter={() => void find()}
        />
      </Column>
      <Button dense disabled={!words.trim()} onPress={() => find()}>
        Next
      </Button>
      <Body small role="status" paddingBottom="$2">
        {said || `${file.numPages} ${file.numPages === 1 ? 'page' : 'pages'}`}
      </Body>
    </Row>
  );
}

const plain = (text: string): string => text.replaceAll(/\s+/g, ' ').trim().toLowerCase();
