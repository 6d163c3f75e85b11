import type { Asset } from '@ant-trail/contract/register';
import { problemWithPlacing, servesFor, treeOf, type TreeLine } from '@ant-trail/core/register';
import { useRef, useState, type DragEvent, type KeyboardEvent } from 'react';
import { Column } from '@/design/box.tsx';
import { Body } from '@/design/text.tsx';
import { ThingMark } from '@/features/register/thing-mark.tsx';

export interface ThingTreeProps {
  readonly things: readonly Asset[];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  /** Left out where whoever looks may move nothing. */
  readonly onMove?: (thing: Asset, within: string | null) => void;
  readonly label: string;
  /** The tree is seen for it: only areas that serve it are there. */
  readonly purpose?: string;
}

const INDENT = 22;

/** What stands at a place, each below what it stands in: gone through by arrows, moved by hand or by keys. */
export function ThingTree(props: ThingTreeProps) {
  const { things, chosen, onChoose, onMove, label, purpose } = props;
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
  const [over, setOver] = useState<string | null>(null);
  const [stop, setStop] = useState<string | null>(null);
  const dragged = useRef<Asset | null>(null);
  const lines = visibleOf(treeOf(things), closed);
  const tabStop = lines.find(({ thing }) => thing.id === (stop ?? chosen))?.thing.id;
  const isForPurpose = (within: string | null): boolean => {
    const area = things.find(({ id }) => id === within);
    return purpose === undefined || area === undefined || servesFor(area, purpose);
  };
  const mayDrop = (within: string | null): boolean =>
    dragged.current !== null &&
    dragged.current.within !== within &&
    isForPurpose(within) &&
    problemWithPlacing(dragged.current, within, things) === null;
  const drop = (within: string | null): void => {
    if (dragged.current && mayDrop(within)) onMove?.(dragged.current, within);
    dragged.current = null;
    setOver(null);
  };
  const setOpen = (id: string, open: boolean): void => {
    const next = new Set(closed);
    if (open) next.delete(id);
    else next.add(id);
    setClosed(next);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>, at: number): void => {
    const line = lines[at];
    if (!line) return;
    const { thing, holds } = line;
    const go = (to: TreeLine<Asset> | undefined): void => {
      if (!to) return;
      setStop(to.thing.id);
      focusOn(event.currentTarget, to.thing.id);
    };
    const outer = things.find(({ id }) => id === thing.within);
    const before = siblingBefore(lines, at);
    const acts: Record<string, () => void> = event.altKey
      ? {
          ArrowRight: () => before && onMove?.(thing, before.thing.id),
          ArrowLeft: () => outer && onMove?.(thing, outer.within),
        }
      : {
          ArrowDown: () => go(lines[at + 1]),
          ArrowUp: () => go(lines[at - 1]),
          Home: () => go(lines[0]),
          End: () => go(lines.at(-1)),
          ArrowRight: () =>
            holds && closed.has(thing.id) ? setOpen(thing.id, true) : go(lines[at + 1]),
          ArrowLeft: () =>
            holds && !closed.has(thing.id)
              ? setOpen(thing.id, false)
              : go(lines.find((each) => each.thing.id === thing.within)),
          Enter: () => onChoose(thing.id),
          ' ': () => onChoose(thing.id),
        };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  const draggable = (thing: Asset) =>
    onMove
      ? {
          draggable: true,
          onDragStart: () => {
            dragged.current = thing;
          },
          onDragEnd: () => {
            dragged.current = null;
            setOver(null);
          },
        }
      : {};
  const target = (within: string | null) => ({
    onDragOver: (event: DragEvent) => {
      if (!mayDrop(within)) return;
      event.preventDefault();
      setOver(within ?? '');
    },
    onDragLeave: () => setOver(null),
    onDrop: (event: DragEvent) => {
      event.preventDefault();
      drop(within);
    },
  });
  return (
    <Column>
      <div role="tree" aria-label={label} className="ring-inside">
        {lines.map(({ thing, depth, holds }, at) => (
          <div
            key={thing.id}
            data-thing={thing.id}
            role="treeitem"
            aria-level={depth + 1}
            aria-selected={thing.id === chosen}
            aria-expanded={holds ? !closed.has(thing.id) : undefined}
            tabIndex={thing.id === (tabStop ?? lines[0]?.thing.id) ? 0 : -1}
            onFocus={() => setStop(thing.id)}
            onClick={() => onChoose(thing.id)}
            onKeyDown={(event) => onKeyDown(event, at)}
            className={lineClass(thing.id === chosen, over === thing.id)}
            style={{ paddingLeft: 8 + depth * INDENT }}
            {...draggable(thing)}
            {...target(thing.id)}
          >
            <ThingMark thing={thing} />
            <Body
              strong={thing.area}
              flex={1}
              quiet={thing.retired}
              style={thing.retired ? { textDecoration: 'line-through' } : {}}
            >
              {thing.name}
            </Body>
            <Body tiny quiet>
              {thing.area || thing.condition === 'unknown' ? '' : thing.condition}
            </Body>
          </div>
        ))}
      </div>
      {onMove ? (
        <div className={`tree-root${over === '' ? ' tree-over' : ''}`} {...target(null)}>
          <Body tiny quiet>
            {purpose === undefined
              ? 'Drag a thing to where it stands, or press Alt and an arrow. Drop it here for the place itself.'
              : `Drag a thing to its area for ${purpose}; it stands where it stood. Drop it here to take it out.`}
          </Body>
        </div>
      ) : null}
    </Column>
  );
}

const lineClass = (isChosen: boolean, isOver: boolean): string =>
  ['tree-line', isChosen ? 'tree-chosen' : '', isOver ? 'tree-over' : ''].filter(Boolean).join(' ');

/** Lines that no closed one hides. */
function visibleOf(
  lines: readonly TreeLine<Asset>[],
  closed: ReadonlySet<string>,
): readonly TreeLine<Asset>[] {
  let hiddenBelow = Infinity;
  return lines.filter(({ thing, depth }) => {
    if (depth > hiddenBelow) return false;
    hiddenBelow = closed.has(thing.id) ? depth : Infinity;
    return true;
  });
}

/** The line before that stands in the same. */
function siblingBefore(lines: readonly TreeLine<Asset>[], at: number): TreeLine<Asset> | undefined {
  const within = lines[at]?.thing.within;
  return lines
    .slice(0, at)
    .reverse()
    .find(({ thing }) => thing.within === within);
}

const focusOn = (line: HTMLElement, id: string): void =>
  line
    .closest('[role="tree"]')
    ?.querySelector<HTMLElement>(`[data-thing="${CSS.escape(id)}"]`)
    ?.focus();
