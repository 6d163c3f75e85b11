import { LabelOrder, type LabelGrid } from '@ant-trail/contract/labels';
import { readNumber } from '@ant-trail/core/measure';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { fetchFile, wordsFor } from '@/device/api.ts';
import { saveFile } from '@/device/save-file.ts';
import { GRIDS, keepPrinted, printedBefore, type SoldGrid } from './grids.ts';
import { SheetPicture } from './sheet-picture.tsx';

export interface LabelsDialogProps {
  /** Things that each get a label; null for loose ones, to be put on things later. */
  readonly assets: readonly string[] | null;
  readonly onClose: () => void;
  readonly onPrinted?: () => void;
}

const FREE = 'free';
const MEASURES = [
  ['columns', 'Labels in a row'],
  ['rows', 'Rows'],
  ['width', 'Width, mm'],
  ['height', 'Height, mm'],
  ['left', 'From the left, mm'],
  ['top', 'From the top, mm'],
  ['gapX', 'Gap across, mm'],
  ['gapY', 'Gap down, mm'],
] as const;

const numberOf = (text: string): number => {
  const read = readNumber(text || '0');
  return 'value' in read ? read.value : Number.NaN;
};

/** Sheets of labels to print: on which paper, from which label of a half-used sheet on. */
export function LabelsDialog({ assets, onClose, onPrinted }: LabelsDialogProps) {
  const [before] = useState(printedBefore);
  const [count, setCount] = useState('24');
  const [key, setKey] = useState(before.key);
  const [free, setFree] = useState<Record<keyof LabelGrid, string>>(() => textsOf(GRIDS[0]));
  const [first, setFirst] = useState(1);
  const [shift, setShift] = useState({ x: before.shiftX, y: before.shiftY });
  const [problem, setProblem] = useState<string | null>(null);
  const sold = GRIDS.find((grid) => grid.key === key);
  const grid = sold ? gridOf(sold) : readGrid(free);
  const many = assets?.length ?? numberOf(count);
  const print = async (): Promise<void> => {
    const order = LabelOrder.safeParse({
      ...(assets ? { assets } : { loose: many }),
      ...{ grid, first, shift: { x: numberOf(shift.x), y: numberOf(shift.y) } },
    });
    if (!order.success) return setProblem(sayWrong(order.error.issues[0]?.message));
    try {
      const pdf = await fetchFile('/api/labels', order.data);
      keepPrinted({ key, shiftX: shift.x, shiftY: shift.y });
      saveFile(pdf, 'Labels.pdf');
      onPrinted?.();
      onClose();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog
      title={
        assets
          ? `Labels for ${assets.length === 1 ? 'one thing' : `${assets.length} things`}`
          : 'Loose labels'
      }
      onClose={onClose}
      width={640}
    >
      <Column gap="$3">
        <Body small quiet>
          {assets
            ? 'Each thing gets its own label; what has one already gets the same again.'
            : 'They are put on things later: scan one with the phone, then tap what it is on.'}
        </Body>
        {assets ? null : (
          <Column width={180}>
            <Input label="How many" kind="decimal" value={count} onChange={setCount} />
          </Column>
        )}
        <Pick
          label="Sheet of labels"
          value={sold ? key : FREE}
          onChange={(to) => {
            setKey(to);
            setFirst(1);
            if (to === FREE && sold) setFree(textsOf(sold));
          }}
          options={[
            ...GRIDS.map((each) => ({ value: each.key, label: each.name })),
            { value: FREE, label: 'Another one, by its measures' },
          ]}
        />
        {sold ? null : (
          <Column gap="$2">
            <Pick
              label="Paper"
              value={free.paper}
              onChange={(paper) => setFree({ ...free, paper })}
              options={['A4', 'Letter'].map((value) => ({ value, label: value }))}
            />
            <Row gap="$2" flexWrap="wrap">
              {MEASURES.map(([name, label]) => (
                <Column key={name} width={138}>
                  <Input
                    label={label}
                    kind="decimal"
                    value={free[name]}
                    onChange={(text) => setFree({ ...free, [name]: text })}
                  />
                </Column>
              ))}
            </Row>
          </Column>
        )}
        <Row gap="$4" alignItems="flex-start" flexWrap="wrap">
          <SheetPicture grid={grid} first={first} count={many} onFirst={setFirst} />
          <Column gap="$2" flex={1} minWidth={220}>
            <Body small>
              Begin with label {first} of the sheet: tap another one where the first are used up.
            </Body>
            <Body small strong>
              Where the printer is off, in millimetres
            </Body>
            <Row gap="$2">
              <Column flex={1}>
                <Input
                  label="To the right"
                  kind="decimal"
                  value={shift.x}
                  onChange={(x) => setShift({ ...shift, x })}
                />
              </Column>
              <Column flex={1}>
                <Input
                  label="Down"
                  kind="decimal"
                  value={shift.y}
                  onChange={(y) => setShift({ ...shift, y })}
                />
              </Column>
            </Row>
          </Column>
        </Row>
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={print}>
          Make the PDF
        </Button>
      </Column>
    </Dialog>
  );
}

/** What the schema says in a person's words is said; of a number that is none it says nothing useful. */
const sayWrong = (message: string | undefined): string =>
  message && !/^(Invalid|Too)/.test(message)
    ? message
    : 'One of the numbers can’t be printed so. Look at them again.';

const gridOf = (sold: SoldGrid): LabelGrid => {
  const { paper, columns, rows, width, height, left, top, gapX, gapY } = sold;
  return { paper, columns, rows, width, height, left, top, gapX, gapY };
};

function textsOf(grid: LabelGrid | undefined): Record<keyof LabelGrid, string> {
  const texts = MEASURES.map(([name]) => [name, String(grid?.[name] ?? 0)] as const);
  return { ...Object.fromEntries(texts), paper: grid?.paper ?? 'A4' } as Record<
    keyof LabelGrid,
    string
  >;
}

const readGrid = (texts: Record<keyof LabelGrid, string>): LabelGrid =>
  ({
    ...Object.fromEntries(MEASURES.map(([name]) => [name, numberOf(texts[name])])),
    paper: texts.paper,
  }) as LabelGrid;
