import { OfficeDocument } from '@ant-trail/contract/documents';
import type { DocumentLink } from '@ant-trail/core/documents';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { LinksField } from './links-field.tsx';
import { PickFile } from './pick-file.tsx';
import type { ChosenFile } from './send-document.ts';

export interface NewDocumentDialogProps {
  /** What it is about from the beginning. */
  readonly links: readonly DocumentLink[];
  readonly onClose: () => void;
}

/** A file’s name as one would say it. */
const spoken = (file: string): string =>
  file
    .replace(/\.\w+$/, '')
    .replaceAll(/[_-]+/g, ' ')
    .trim();

/** Adds a document with its first version. */
export function NewDocumentDialog({ links: first, onClose }: NewDocumentDialogProps) {
  const [file, setFile] = useState<ChosenFile | null>(null);
  const [name, setName] = useState('');
  const [note, setNote] = useState('');
  const [links, setLinks] = useState(first);
  const [problem, setProblem] = useState<string | null>(null);
  const save = async (): Promise<void> => {
    if (!file) return setProblem('Choose its file first.');
    if (!name.trim()) return setProblem('Give it a name.');
    try {
      await ask(OfficeDocument, 'POST', '/api/documents', {
        ...{ name, note, links },
        first: { ...file, note: '' },
      });
      onClose();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog title="A new document" onClose={onClose} width={640}>
      <Column gap="$3">
        <PickFile
          chosen={file}
          onChosen={(next) => {
            setFile(next);
            if (next && !name.trim()) setName(spoken(next.file));
          }}
        />
        <Input label="What it is called" value={name} onChange={setName} />
        <Input label="What is in it" value={note} onChange={setNote} />
        <LinksField links={links} onChange={setLinks} />
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={save}>
          Add it
        </Button>
      </Column>
    </Dialog>
  );
}
