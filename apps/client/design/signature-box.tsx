import type { SignatureValue } from '@ant-trail/core/log';
import { useTheme, View } from '@tamagui/core';
import { useRef, useState, type PointerEvent, type ReactNode } from 'react';
import { Column, Row } from './box.tsx';
import { Button } from './button.tsx';
import { Input } from './input.tsx';
import { toPath } from './signature-drawing.tsx';
import { Body } from './text.tsx';

type Stroke = [number, number][];

const HEIGHT = 150;

export interface SignaturePadProps {
  readonly label: string;
  /** Who is expected to sign; empty for somebody else. */
  readonly signer: string;
  readonly word?: string;
  /** Whether the name may be typed in the place of a drawn signature. */
  readonly mayType?: boolean;
  /** What else is to be said of whoever signs. */
  readonly children?: ReactNode;
  readonly onSign: (value: SignatureValue) => void;
}

/** A box to sign in, with the name beside it. */
export function SignatureBox({
  label,
  signer,
  word = 'Sign',
  mayType = false,
  children,
  onSign,
}: SignaturePadProps) {
  const theme = useTheme();
  const [name, setName] = useState(signer);
  const [strokes, setStrokes] = useState<Stroke[]>([]);
  const [problem, setProblem] = useState<string>();
  const drawing = useRef(false);

  const point = (event: PointerEvent<SVGSVGElement>): [number, number] => {
    const box = event.currentTarget.getBoundingClientRect();
    const round = (n: number): number => Math.round(n * 1000) / 1000;
    return [
      round((event.clientX - box.left) / box.width),
      round((event.clientY - box.top) / box.width),
    ];
  };
  const type = (): void => {
    if (!name.trim()) setProblem('Write who signs.');
    else onSign({ name: name.trim(), strokes: [], typed: true });
  };
  const done = (): void => {
    if (!name.trim()) setProblem('Write who signs.');
    else if (strokes.length === 0) setProblem('Sign in the box with a finger or the mouse.');
    else onSign({ name: name.trim(), strokes });
  };
  return (
    <Column gap="$2">
      <Input label="Who signs" value={name} onChange={setName} />
      {children}
      <View
        backgroundColor="$sheet"
        borderWidth={2}
        borderStyle="dashed"
        borderColor="$sand"
        borderTopLeftRadius="$sharp"
        borderTopRightRadius="$leaf"
        borderBottomRightRadius="$leaf"
        borderBottomLeftRadius="$leaf"
      >
        <svg
          role="img"
          aria-label={`${label}: sign here`}
          width="100%"
          height={HEIGHT}
          style={{ touchAction: 'none', cursor: 'crosshair', display: 'block' }}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            drawing.current = true;
            const start = point(event);
            setProblem(undefined);
            setStrokes((before) => [...before, [start]]);
          }}
          onPointerMove={(event) => {
            if (!drawing.current) return;
            const next = point(event);
            setStrokes((before) => [...before.slice(0, -1), [...(before.at(-1) ?? []), next]]);
          }}
          onPointerUp={() => {
            drawing.current = false;
          }}
        >
          <svg
            viewBox="0 0 1 1"
            width="100%"
            height="100%"
            preserveAspectRatio="xMinYMin slice"
            aria-hidden
          >
            <path
              d={strokes.map(toPath).join(' ')}
              fill="none"
              stroke={theme.ink.get()}
              strokeWidth={0.008}
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          </svg>
        </svg>
      </View>
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
      <Row gap="$2">
        <Button grow onPress={() => setStrokes([])} disabled={strokes.length === 0}>
          Wipe
        </Button>
        <Button grow main onPress={done}>
          {word}
        </Button>
      </Row>
      {mayType && strokes.length === 0 ? (
        <Row>
          <Button dense plain onPress={type}>
            Sign by typing the name, without drawing
          </Button>
        </Row>
      ) : null}
    </Column>
  );
}
