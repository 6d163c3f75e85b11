import type { RowState } from '@ant-trail/core/sheet';
import type { ReactNode } from 'react';
import { Column } from '@/design/box.tsx';
import { Dialog } from '@/design/dialog.tsx';
import type { KitRowsProps } from '../part.ts';

interface RowDialogProps extends Pick<KitRowsProps, 'locked' | 'Question'> {
  readonly row: RowState;
  readonly onClose: () => void;
  /** What goes on from here. */
  readonly children?: ReactNode;
}

/** All that is asked of one row, over the list it stands in. */
export function RowDialog({ row, locked, Question, onClose, children }: RowDialogProps) {
  return (
    <Dialog title={row.name} onClose={onClose} easy pressedFirst>
      <Column marginHorizontal={-16}>
        {row.questions.map((each) => (
          <Question key={each.path} state={each} locked={locked} />
        ))}
      </Column>
      {children}
    </Dialog>
  );
}
