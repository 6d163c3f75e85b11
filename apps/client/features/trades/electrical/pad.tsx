import type { ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';

export interface PadActions {
  /** Takes the value of the way above; null where there is none. */
  readonly asAbove: (() => void) | null;
  readonly nextValue: () => void;
  readonly nextWay: (() => void) | null;
}

const KEYS = [
  ['7', '8', '9'],
  ['4', '5', '6'],
  ['1', '2', '3'],
  ['.', '0'],
] as const;

interface NumberPadProps extends PadActions {
  readonly onKey: (key: string) => void;
  /** What the meter may only show as off its scale is never below nothing. */
  readonly offScale: boolean;
  readonly onBack: () => void;
}

/** The pad that stays: figures, and beside them the ways on. A press never takes the focus from the value. */
export function NumberPad({
  onKey,
  offScale,
  onBack,
  asAbove,
  nextValue,
  nextWay,
}: NumberPadProps) {
  const beside = [
    <AsAbove key="above" asAbove={asAbove} />,
    <NextWay key="way" nextWay={nextWay} />,
    <Button key="back" repeats grow dense onPress={onBack} label="Delete the last figure">
      ⌫
    </Button>,
    <Button key="value" repeats grow main dense onPress={nextValue}>
      next value
    </Button>,
  ];
  return (
    <Column gap="$2" role="group" aria-label="Figures" {...KEEP_FOCUS}>
      {KEYS.map((line, index) => (
        <Row key={line[0]} className="to-hand" gap="$2" alignItems="stretch">
          {line.map((key) => (
            <PadKey key={key} sign={key} onKey={onKey} />
          ))}
          {index < KEYS.length - 1 ? null : offScale ? (
            <PadKey sign=">" label="More than the meter shows" onKey={onKey} />
          ) : (
            <PadKey sign="−" onKey={onKey} />
          )}
          <Row flexGrow={1.8} flexBasis={0} alignItems="stretch">
            {beside[index]}
          </Row>
        </Row>
      ))}
    </Column>
  );
}

interface PadKeyProps extends Pick<NumberPadProps, 'onKey'> {
  readonly sign: string;
  readonly label?: string;
}

const PadKey = ({ sign, label, onKey }: PadKeyProps) => (
  <Button repeats grow dense label={label} onPress={() => onKey(sign)}>
    {sign}
  </Button>
);

interface OptionPadProps extends PadActions {
  readonly options: readonly { readonly key: string; readonly label: string }[];
  readonly chosen: string | null;
  readonly onChoose: (key: string) => void;
}

/** The same pad where one of several answers is chosen. */
export function OptionPad({ options, chosen, onChoose, ...actions }: OptionPadProps) {
  return (
    <Column gap="$2">
      <Row gap="$2" flexWrap="wrap" role="radiogroup" aria-label="Answers">
        {options.map(({ key, label }) => (
          // Three in a line, however long their words.
          <Row key={key} flexGrow={1} flexBasis="30%" alignItems="stretch">
            <Button grow dense main={key === chosen} onPress={() => onChoose(key)}>
              {label}
            </Button>
          </Row>
        ))}
      </Row>
      <PadFoot {...actions} />
    </Column>
  );
}

/** The ways on alone, below whatever else is asked. */
export function PadFoot({ asAbove, nextValue, nextWay }: PadActions) {
  return (
    <Row gap="$2" alignItems="stretch">
      <AsAbove asAbove={asAbove} />
      <NextWay nextWay={nextWay} />
      <Button repeats grow main dense onPress={nextValue}>
        next value
      </Button>
    </Row>
  );
}

const AsAbove = ({ asAbove }: Pick<PadActions, 'asAbove'>): ReactNode => (
  <Button repeats grow dense disabled={asAbove === null} onPress={() => asAbove?.()}>
    as above
  </Button>
);

const NextWay = ({ nextWay }: Pick<PadActions, 'nextWay'>): ReactNode => (
  <Button repeats grow dense disabled={nextWay === null} onPress={() => nextWay?.()}>
    next way
  </Button>
);

/** The value keeps the focus while its figures are pressed: a keyboard goes on where the thumb was. */
const KEEP_FOCUS = {
  onMouseDown: (event: { preventDefault: () => void }) => event.preventDefault(),
} as object;
