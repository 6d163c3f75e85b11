import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { useSheetSession } from '../session/sheet-context.tsx';

const sayBlanks = (count: number): string => `${count} ${count === 1 ? 'blank' : 'blanks'}`;

/** Closes out blanks after a second look: one step, which the sheet keeps and can undo. */
export function CloseOut({ blanks, where }: { blanks: readonly string[]; where: string }) {
  const session = useSheetSession();
  const [asking, setAsking] = useState(false);
  const close = async () => {
    setAsking(false);
    await session.closeOut(blanks);
  };
  return (
    <>
      <Button dense onPress={() => setAsking(true)}>
        Close out {sayBlanks(blanks.length)}
      </Button>
      {asking ? (
        <Dialog title={`Close out ${sayBlanks(blanks.length)}`} onClose={() => setAsking(false)}>
          <Column gap="$3">
            <Body>
              Everything unanswered in {where} becomes “not applicable”. Signatures and hold points
              stay open. It is recorded, and can be undone.
            </Body>
            <Row>
              <Button grow main onPress={() => close()}>
                Close out
              </Button>
            </Row>
          </Column>
        </Dialog>
      ) : null}
    </>
  );
}
