import { getCoreRowModel, useReactTable, type Table } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { styled, View } from '@tamagui/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useWindowDimensions } from 'react-native';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { useScrollElement } from '@/design/desk-page.tsx';
import { Body } from '@/design/text.tsx';
import { useBeginsAt } from '@/design/use-begins-at.ts';
import type { List } from './use-list.ts';
import { ViewBar } from './view-bar.tsx';

export interface ListColumn<Item> {
  readonly id: string;
  readonly label: string;
  /** Its width; the one without takes what is left. */
  readonly width?: number;
  /** What the office calls the order by it. */
  readonly order?: string;
  readonly cell: (item: Item) => ReactNode;
}

export interface OfficeListProps<Item> {
  readonly list: List<Item>;
  readonly idOf: (item: Item) => string;
  /** Said by readers where a line is chosen. */
  readonly nameOf: (item: Item) => string;
  readonly columns: readonly ListColumn<Item>[];
  /** The order it comes in where none is asked for. */
  readonly orderedBy: string;
  readonly onOpen: (item: Item) => void;
  /** Fields that narrow the list. */
  readonly filters: ReactNode;
  /** Fields that are used less often; open by themselves where one of these is in use. */
  readonly moreFilters?: { readonly fields: ReactNode; readonly keys: readonly string[] };
  readonly nothing: string;
  /** Columns that are left out until somebody asks for them. */
  readonly hiddenAtFirst?: readonly string[];
  /** What is shown in place of the lines, such as a map of the same. */
  readonly instead?: ReactNode;
  /** What can be done with several at once. */
  readonly together?: (chosen: readonly Item[], done: () => void) => ReactNode;
}

const LINE_PX = 57;
/** Pages are asked for before somebody reaches their end. */
const AHEAD = 15;

/** A list of the office: narrowed, ordered, read on without end, chosen from. */
export function OfficeList<Item>(props: OfficeListProps<Item>) {
  // The table and the window on it keep their own state, which the compiler can't see.
  'use no memo';
  const { list, columns, idOf } = props;
  // Until somebody chooses: which columns there are may only be known later.
  const [chosenHidden, setHidden] = useState<readonly string[] | null>(null);
  const hidden = chosenHidden ?? props.hiddenAtFirst ?? [];
  const [chosen, setChosen] = useState<Record<string, boolean>>({});
  const table = useReactTable<Item>({
    data: list.rows as Item[],
    columns: columns.map(({ id }) => ({ id })),
    getRowId: idOf,
    getCoreRowModel: getCoreRowModel(),
    manualSorting: true,
    manualFiltering: true,
    state: {
      columnVisibility: Object.fromEntries(hidden.map((id) => [id, false])),
      rowSelection: chosen,
    },
    onRowSelectionChange: setChosen,
    enableRowSelection: props.together !== undefined,
  });
  const more = props.moreFilters;
  const [narrowing, setNarrowing] = useState(() =>
    Boolean(more?.keys.some((key) => list.query[key] !== undefined)),
  );
  const shown = columns.filter(({ id }) => !hidden.includes(id));
  const picked = table.getSelectedRowModel().rows.map((row) => row.original);
  return (
    <Column gap="$4">
      <Row gap="$3" flexWrap="wrap" alignItems="flex-end" justifyContent="space-between">
        <Row
          gap="$3"
          flexWrap="wrap"
          alignItems="flex-end"
          flexGrow={1}
          flexBasis={0}
          minWidth={300}
        >
          {props.filters}
          {more ? (
            <Button dense onPress={() => setNarrowing(!narrowing)}>
              {narrowing ? 'Fewer filters' : 'More filters'}
            </Button>
          ) : null}
        </Row>
        <ViewBar
          list={list.name}
          path={list.path}
          query={list.query}
          columns={columns}
          hidden={hidden}
          hiddenAtFirst={props.hiddenAtFirst ?? []}
          onColumns={setHidden}
          onQuery={list.replace}
        />
      </Row>
      {more && narrowing ? (
        <Row gap="$3" flexWrap="wrap" alignItems="flex-end">
          {more.fields}
        </Row>
      ) : null}
      {picked.length > 0 && props.together ? (
        <Row gap="$3" flexWrap="wrap" role="group" aria-label="What is chosen">
          <Body strong>{picked.length} chosen</Body>
          {props.together(picked, () => setChosen({}))}
        </Row>
      ) : null}
      {props.instead ?? <Lines {...props} table={table} columns={shown} />}
      {list.total === 0 ? <Body quiet>{props.nothing}</Body> : null}
    </Column>
  );
}

const CHECKBOX = { width: 24, height: 24, margin: 0, accentColor: 'currentColor' };
const NARROW_PX = 760;

interface LinesProps<Item> extends OfficeListProps<Item> {
  readonly table: Table<Item>;
}

function Lines<Item>(props: LinesProps<Item>) {
  'use no memo';
  const { list, columns, table, nameOf, onOpen, together } = props;
  const scroll = useScrollElement();
  const body = useRef<HTMLDivElement>(null);
  const top = useBeginsAt(body, scroll);
  const narrow = useWindowDimensions().width < NARROW_PX;
  const { rows } = table.getRowModel();
  const lines = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll,
    estimateSize: () => LINE_PX,
    getItemKey: (at) => rows[at]?.id ?? at,
    overscan: 8,
    scrollMargin: top,
  });
  const seen = lines.getVirtualItems();
  const last = seen.at(-1)?.index ?? 0;
  const { more } = list;
  useEffect(() => {
    if (more && last >= rows.length - AHEAD) more();
  }, [more, last, rows.length]);
  return (
    <View
      role="table"
      aria-label={`${list.name}, ${list.total ?? rows.length} lines`}
      aria-rowcount={(list.total ?? rows.length) + 1}
    >
      {narrow ? null : <Head {...props} />}
      <div
        ref={body}
        role="rowgroup"
        style={{ position: 'relative', height: lines.getTotalSize() }}
      >
        {seen.map(({ index, key, start }) => {
          const row = rows[index];
          if (!row) return null;
          return (
            <div
              key={key}
              ref={lines.measureElement}
              data-index={index}
              role="row"
              aria-rowindex={index + 2}
              style={{
                position: 'absolute',
                insetInline: 0,
                transform: `translateY(${start - top}px)`,
              }}
            >
              <Line
                onPress={() => onOpen(row.original)}
                flexWrap={narrow ? 'wrap' : 'nowrap'}
                rowGap={0}
              >
                {together ? (
                  <Cell width={28}>
                    <input
                      type="checkbox"
                      aria-label={`Choose ${nameOf(row.original)}`}
                      checked={row.getIsSelected()}
                      onChange={row.getToggleSelectedHandler()}
                      onClick={(event) => event.stopPropagation()}
                      style={CHECKBOX}
                    />
                  </Cell>
                ) : null}
                {columns.map((column, at) => (
                  <Cell
                    key={column.id}
                    {...(narrow ? NARROW_CELL[at === 0 ? 'first' : 'other'] : widthOf(column))}
                  >
                    {at === 0 ? (
                      <Opener
                        onPress={(event) => {
                          event.stopPropagation();
                          onOpen(row.original);
                        }}
                      >
                        {column.cell(row.original)}
                      </Opener>
                    ) : (
                      column.cell(row.original)
                    )}
                  </Cell>
                ))}
              </Line>
            </div>
          );
        })}
      </div>
    </View>
  );
}

function Head<Item>({ list, columns, orderedBy, table, together }: LinesProps<Item>) {
  'use no memo';
  const order = list.query['order'] ?? orderedBy;
  const by = order.replace('-', '');
  return (
    <View role="rowgroup" style={{ position: 'sticky', top: 0, zIndex: 1 }}>
      <Row role="row" aria-rowindex={1} backgroundColor="$paper" minHeight={40} gap="$3">
        {together ? (
          <HeadCell width={28}>
            <input
              type="checkbox"
              aria-label="Choose all that are loaded"
              checked={table.getIsAllRowsSelected()}
              onChange={table.getToggleAllRowsSelectedHandler()}
              style={CHECKBOX}
            />
          </HeadCell>
        ) : null}
        {columns.map((column) => {
          const isBy = column.order !== undefined && column.order === by;
          const down = order.startsWith('-');
          return (
            <HeadCell
              key={column.id}
              {...widthOf(column)}
              aria-sort={isBy ? (down ? 'descending' : 'ascending') : undefined}
            >
              {column.order === undefined ? (
                <Body small quiet>
                  {column.label}
                </Body>
              ) : (
                <Opener
                  onPress={() =>
                    list.change({ order: isBy && !down ? `-${column.order}` : column.order })
                  }
                >
                  <Body small quiet={!isBy} strong={isBy}>
                    {column.label} {isBy ? (down ? '↓' : '↑') : ''}
                  </Body>
                </Opener>
              )}
            </HeadCell>
          );
        })}
      </Row>
    </View>
  );
}

/** On a narrow screen a line is its name, and below it the rest one after the other. */
const NARROW_CELL = { first: { flexGrow: 1, flexBasis: '80%' }, other: {} } as const;

const widthOf = ({ width }: { width?: number }) =>
  width === undefined ? { flexGrow: 1, flexBasis: 240 } : { width };

const Cell = styled(View, { role: 'cell', flexShrink: 1, minWidth: 0 });
const HeadCell = styled(View, { role: 'columnheader', flexShrink: 1, minWidth: 0 });

const Line = styled(Row, {
  gap: '$3',
  minHeight: LINE_PX,
  paddingVertical: '$2',
  borderTopWidth: 1,
  borderColor: '$rule',
  cursor: 'pointer',
  hoverStyle: { backgroundColor: '$touch' },
});

/** What opens a line from the keyboard; the line itself opens by hand. */
const Opener = styled(View, {
  render: 'button',
  alignItems: 'flex-start',
  backgroundColor: 'transparent',
  cursor: 'pointer',
  minHeight: 36,
  justifyContent: 'center',
  alignSelf: 'stretch',
});
