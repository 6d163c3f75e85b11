import type * as Core from '@dnd-kit/core';
import type * as Sortable from '@dnd-kit/sortable';

export interface Dragging {
  readonly core: typeof Core;
  readonly sortable: typeof Sortable;
}

let brought: Dragging | null = null;

/** The desk brings what things are dragged with: code that two parts of it load would be every phone’s. */
export function bringDragging(dragging: Dragging): void {
  brought = dragging;
}

/** What things are dragged with. Throws where no desk is. */
export function dragging(): Dragging {
  if (!brought) throw new Error('things are dragged at the desk alone');
  return brought;
}
