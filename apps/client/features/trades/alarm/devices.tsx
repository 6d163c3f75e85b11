import { sayState, type RowState } from '@ant-trail/core/sheet';
import { useCallback, useDeferredValue, useEffect, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import type { KitRowsProps, Said } from '../part.ts';
import { DeviceLine } from './device-line.tsx';
import { byZone, FILTERS, isLeft, isShown, passing, takenBack, type Filter } from './passing.ts';
import { RowDialog } from './row-dialog.tsx';
import { useDue } from './use-due.ts';

const counted = (count: number): string => `${count} ${count === 1 ? 'device' : 'devices'}`;

/** All devices of a system zone by zone: what is due and left, and several that passed in one go. */
export default function Devices(props: KitRowsProps) {
  const { state, locked, write, Question, Add, Scan, sought, onShown, useWhole } = props;
  const { rows } = state;
  const due = useDue(useWhole());
  // Where all are due there is nothing to choose among.
  const isShare = due !== null && due.size < rows.length;
  const [chosen, setChosen] = useState<Filter | null>(null);
  const filter = chosen ?? (isShare ? 'due today' : 'not tried');
  const [words, setWords] = useState('');
  const [opened, setOpened] = useState<string | null>(null);
  const [scanning, setScanning] = useState(false);
  const [scanned, setScanned] = useState<string | null>(null);
  const [passed, setPassed] = useState<readonly Said[] | null>(null);
  const [many, setMany] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const looked = useDeferredValue(words.trim().toLowerCase());
  const shown = rows.filter(
    (row, at) => isShown(row, filter, due?.has(at) !== false) && sayRow(row).includes(looked),
  );
  const left = shown.filter(isLeft);
  useEffect(() => {
    if (sought === null) return;
    setOpened(rows.find(({ path }) => sought.startsWith(`${path}/`))?.id ?? null);
    onShown();
  }, [sought, rows, onShown]);
  const pass = useCallback(
    async (devices: readonly RowState[]): Promise<void> => {
      const said = devices.flatMap(passing);
      const refused = await write(said);
      setTrouble(refused);
      if (refused !== null) return;
      setPassed(said);
      setMany(devices.length);
    },
    [write],
  );
  const undo = async (): Promise<void> => {
    setTrouble(passed ? await write(takenBack(passed, rows)) : null);
    setPassed(null);
  };
  const device = rows.find(({ id }) => id === opened);
  const at = device ? shown.findIndex(({ id }) => id === device.id) : -1;
  const next = shown[at + 1];
  const open = useCallback((id: string | null) => {
    setScanned(null);
    setOpened(id);
  }, []);
  return (
    <Column gap="$3">
      {rows.length > 0 ? (
        <>
          <Segments
            label="Which devices"
            options={FILTERS.filter((key) => isShare || key !== 'due today').map((key) => ({
              value: key,
              label: `${key.charAt(0).toUpperCase()}${key.slice(1)}`,
            }))}
            chosen={[filter]}
            onPress={setChosen}
          />
          <Row gap="$2" alignItems="flex-end">
            <Column flex={1}>
              <Input label="Name or zone" value={words} onChange={setWords} />
            </Column>
            {Scan ? (
              <Scan
                each="device"
                rows={rows}
                scanning={scanning}
                onTrouble={setTrouble}
                onScanning={setScanning}
                onFound={(id) => {
                  setOpened(id);
                  setScanned(id);
                }}
              />
            ) : null}
          </Row>
        </>
      ) : null}
      <Row className="to-hand" gap="$2" justifyContent="space-between">
        <Body small quiet flex={1} role="status">
          {sayShown(rows, shown, isShare ? due : null)}
        </Body>
        {!locked && left.length > 1 && filter !== 'needs eyes' ? (
          <Button dense onPress={() => pass(left)}>
            All {left.length} passed
          </Button>
        ) : null}
      </Row>
      {passed ? (
        <Row className="to-hand" gap="$2" justifyContent="space-between" role="status">
          <Body small>{counted(many)} passed.</Body>
          <Button dense onPress={undo}>
            Take it back
          </Button>
        </Row>
      ) : null}
      {trouble ? (
        <Body eyes strong role="alert">
          {trouble}
        </Body>
      ) : null}
      <Column
        role="list"
        aria-label="Devices at a glance"
        maxHeight={460}
        backgroundColor="$paper"
        // Opaque, and apart from the page: it scrolls without being painted anew, on slow phones too.
        style={{ overflowY: 'auto', willChange: 'scroll-position', contain: 'content' }}
      >
        {byZone(shown).map(([zone, devices]) => (
          <Column key={zone} role="presentation">
            {zone === '' ? null : (
              <Body tiny strong quiet paddingTop="$3" paddingBottom="$1" aria-hidden>
                {zone}
              </Body>
            )}
            {devices.map((row) => (
              <DeviceLine key={row.id} row={row} locked={locked} onOpen={open} onPass={pass} />
            ))}
          </Column>
        ))}
      </Column>
      {!locked && Add ? <Add state={state} /> : null}
      {device ? (
        <RowDialog row={device} locked={locked} Question={Question} onClose={() => open(null)}>
          {scanned === device.id && !locked ? (
            <Button
              main
              onPress={async () => {
                if (isLeft(device)) await pass([device]);
                open(null);
                setScanning(true);
              }}
            >
              {isLeft(device) ? 'Passed, scan the next' : 'Scan the next'}
            </Button>
          ) : next ? (
            <Button main onPress={() => open(next.id)}>
              On to {next.name}
            </Button>
          ) : null}
        </RowDialog>
      ) : null}
    </Column>
  );
}

function sayShown(
  rows: readonly RowState[],
  shown: readonly RowState[],
  due: ReadonlySet<number> | null,
): string {
  if (rows.length === 0) return 'No device yet.';
  const all = rows.filter((_, at) => due?.has(at) !== false);
  return `${counted(shown.length)} shown, ${all.filter(isLeft).length} of ${all.length} ${due ? 'due today ' : ''}not tried`;
}

/** All that is known of a device, for looking it up by words. */
const sayRow = (row: RowState): string =>
  [row.name, ...row.questions.map((each) => sayState(each, sayShortDay))].join(' ').toLowerCase();
