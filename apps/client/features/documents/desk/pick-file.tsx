import { useRef, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { ACCEPT, problemWithFile, sendDocument, type ChosenFile } from './send-document.ts';

export interface PickFileProps {
  readonly chosen: ChosenFile | null;
  readonly onChosen: (file: ChosenFile | null) => void;
}

/** The file of a version: chosen, sent at once, and named. */
export function PickFile({ chosen, onChosen }: PickFileProps) {
  const picker = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ words: string; wrong: boolean } | null>(null);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    onChosen(null);
    const problem = problemWithFile(file);
    if (problem) return setSaid({ words: problem, wrong: true });
    setSaid({ words: 'Sending …', wrong: false });
    try {
      const sent = await sendDocument(file, (share) =>
        setSaid({ words: `Sending, ${Math.round(share * 100)} % …`, wrong: false }),
      );
      onChosen(sent);
      setSaid(null);
    } catch (error) {
      setSaid({ words: wordsFor(error), wrong: true });
    }
  };
  return (
    <Column gap="$2">
      <Row gap="$3" flexWrap="wrap">
        <Button dense onPress={() => picker.current?.click()}>
          {chosen ? 'Choose another file' : 'Choose a file'}
        </Button>
        <Body small role="status">
          {chosen ? chosen.file : said && !said.wrong ? said.words : 'PDF or picture, up to 60 MB'}
        </Body>
      </Row>
      <input
        ref={picker}
        type="file"
        accept={ACCEPT}
        hidden
        aria-label="File of the document"
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      {said?.wrong ? (
        <Body small eyes role="alert">
          {said.words}
        </Body>
      ) : null}
    </Column>
  );
}
