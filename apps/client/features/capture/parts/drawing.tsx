import type { Shape } from '@ant-trail/core/log';
import { shapesToSvg, SKETCH_WIDTH, snapAngle, snapTo, symbolLetter } from '@ant-trail/core/sketch';
import { useTheme, View } from '@tamagui/core';
import { useRef, useState, type PointerEvent, type ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { MARK_INK, MARK_WIDTH, OVER_A_PHOTO } from '@/features/media/picture.tsx';

const TOOLS = [
  { value: 'free', label: 'Hand' },
  { value: 'line', label: 'Line' },
  { value: 'arrow', label: 'Arrow' },
  { value: 'circle', label: 'Ring' },
  { value: 'text', label: 'Word' },
  { value: 'symbol', label: 'Sign' },
] as const;
type Tool = (typeof TOOLS)[number]['value'];
type Point = readonly [number, number];
type Seen = PointerEvent<SVGSVGElement>;

export interface DrawingProps {
  readonly name: string;
  readonly shapes: readonly Shape[];
  readonly onChange: (shapes: readonly Shape[]) => void;
  /** Height of the paper when it is 1 wide. */
  readonly height: number;
  readonly symbols?: readonly { readonly key: string; readonly label: string }[];
  /** A picture that lies underneath and fills the paper. */
  readonly under?: ReactNode;
  readonly locked?: boolean;
  /** What is drawn with first. */
  readonly first?: Tool;
}

/** Drawn with a finger: by hand or straight, with signs and words; each step can be undone. */
export function Drawing(props: DrawingProps) {
  const { name, shapes, onChange, height, symbols = [], under, locked, first = 'free' } = props;
  const theme = useTheme();
  const [tool, setTool] = useState<Tool>(first);
  const [drawing, setDrawing] = useState<Shape | null>(null);
  const [words, setWords] = useState('');
  const [symbol, setSymbol] = useState(symbols[0]?.key ?? '');
  const start = useRef<Point | null>(null);
  const ends = shapes.flatMap((shape) =>
    shape.kind === 'line' || shape.kind === 'arrow' ? [shape.from, shape.to] : [],
  );
  const begin = (event: Seen): void => {
    if (locked) return;
    const point = pointOf(event);
    if (tool === 'text') {
      if (words.trim()) onChange([...shapes, { kind: 'text', at: point, words: words.trim() }]);
      return;
    }
    if (tool === 'symbol') {
      if (symbol) onChange([...shapes, { kind: 'symbol', at: point, symbol }]);
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    start.current = tool === 'free' ? point : snapTo(point, ends);
    setDrawing(tool === 'free' ? { kind: 'free', points: [point] } : null);
  };
  const move = (event: Seen): void => {
    const from = start.current;
    if (!from) return;
    const to = pointOf(event);
    setDrawing((before) =>
      tool === 'free'
        ? { kind: 'free', points: [...(before?.kind === 'free' ? before.points : [from]), to] }
        : shapeTo(tool, from, to, ends),
    );
  };
  const end = (): void => {
    start.current = null;
    if (drawing) onChange([...shapes, drawing]);
    setDrawing(null);
  };
  const offered = TOOLS.filter(({ value }) => value !== 'symbol' || symbols.length > 0);
  const drawn = drawing ? [...shapes, drawing] : shapes;
  const [ink, line] = under ? [MARK_INK, MARK_WIDTH] : [theme.ink.get(), undefined];
  return (
    <Column gap="$2">
      {locked ? null : (
        <Segments
          label={`${name}, what to draw with`}
          options={offered}
          chosen={[tool]}
          onPress={setTool}
        />
      )}
      {tool === 'text' && !locked ? (
        <Input label="Word: write it, then tap where it goes" value={words} onChange={setWords} />
      ) : null}
      {tool === 'symbol' && !locked ? (
        <Pick
          label="Symbol: choose it, then tap where it goes"
          value={symbol}
          onChange={setSymbol}
          options={symbols.map(({ key, label }) => ({ value: key, label }))}
        />
      ) : null}
      <View
        borderWidth={2}
        borderColor="$sand"
        backgroundColor="$sheet"
        overflow="hidden"
        position="relative"
      >
        {under ? (
          <View position="absolute" top={0} left={0} right={0} bottom={0}>
            {under}
          </View>
        ) : null}
        <svg
          role="img"
          aria-label={`${name}: draw here`}
          viewBox={`0 0 ${SKETCH_WIDTH} ${SKETCH_WIDTH * height}`}
          width="100%"
          style={{
            touchAction: 'none',
            cursor: 'crosshair',
            display: 'block',
            position: 'relative',
            ...(under ? OVER_A_PHOTO : {}),
          }}
          onPointerDown={begin}
          onPointerMove={move}
          onPointerUp={end}
          dangerouslySetInnerHTML={{ __html: shapesToSvg(drawn, symbols, ink, line) }}
        />
      </View>
      {symbols.length > 0 ? (
        <Body small quiet>
          {symbols.map(({ key, label }) => `${symbolLetter(symbols, key)} ${label}`).join(', ')}
        </Body>
      ) : null}
      {locked ? null : (
        <Row gap="$2">
          <Button
            dense
            disabled={shapes.length === 0}
            onPress={() => onChange(shapes.slice(0, -1))}
          >
            Undo
          </Button>
          <Button dense disabled={shapes.length === 0} onPress={() => onChange([])}>
            Wipe
          </Button>
        </Row>
      )}
    </Column>
  );
}

function pointOf(event: Seen): Point {
  const box = event.currentTarget.getBoundingClientRect();
  const round = (n: number): number => Math.round(n * 1000) / 1000;
  return [
    round((event.clientX - box.left) / box.width),
    round((event.clientY - box.top) / box.width),
  ];
}

function shapeTo(tool: Tool, from: Point, to: Point, ends: readonly Point[]): Shape {
  if (tool === 'circle')
    return { kind: 'circle', at: from, radius: Math.hypot(to[0] - from[0], to[1] - from[1]) };
  const met = snapTo(to, ends);
  return {
    kind: tool === 'arrow' ? 'arrow' : 'line',
    from,
    to: met === to ? snapAngle(from, to) : met,
  };
}
