import { useCallback } from 'react';
import { useStore } from 'zustand';
import { KitRows } from '@/features/trades/kit-rows.tsx';
import { useSheetSession, useSheetState } from '../session/sheet-context.tsx';
import { AddToRows } from './add-to-rows.tsx';
import { CloseOut } from './close-out.tsx';
import { RowsBlock, type RowsBlockProps } from './rows-block.tsx';
import { ScanRow } from './scan-row.tsx';
import { useKitWords } from './use-kit-words.ts';

/** A group of rows, shown by the sheet's kit where that has a way of its own. */
export function RowsOfKit(props: RowsBlockProps) {
  const { state, locked, Block } = props;
  const session = useSheetSession();
  const { site, thing, own, version } = session.context;
  const sought = useStore(session.sought, ({ path: to }) =>
    to?.startsWith(`${state.path}/`) ? to : null,
  );
  const shown = useCallback(() => session.seek(null), [session]);
  // Hundreds of rows are drawn anew only where they are other ones.
  const { write, listOf } = useKitWords();
  return (
    <KitRows
      kit={version.body.kit}
      state={state}
      useWhole={useSheetState}
      locked={locked}
      about={`${thing ?? site.name} · ${own.title.toLowerCase()}`}
      write={write}
      onType={(path) => session.beginTyping(path)}
      onTyped={(path) => session.endTyping(path)}
      Question={Block}
      CloseOut={CloseOut}
      Add={AddToRows}
      Scan={ScanRow}
      sought={sought}
      onShown={shown}
      listOf={listOf}
    >
      <RowsBlock {...props} />
    </KitRows>
  );
}
