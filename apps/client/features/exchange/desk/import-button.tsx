import type { ImportKind } from '@ant-trail/contract/exchange';
import { useState } from 'react';
import { Button } from '@/design/button.tsx';
import { ImportRowsDialog } from './import-rows-dialog.tsx';

export interface ImportButtonProps {
  readonly kind: ImportKind;
  /** The list has more lines by now. */
  readonly onDone: () => void;
}

/** Takes a file of rows into a list. */
export function ImportButton({ kind, onDone }: ImportButtonProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button dense onPress={() => setOpen(true)}>
        Import
      </Button>
      {open ? (
        <ImportRowsDialog kind={kind} onClose={() => setOpen(false)} onDone={onDone} />
      ) : null}
    </>
  );
}
