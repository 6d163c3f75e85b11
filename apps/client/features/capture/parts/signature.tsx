import type { SignatureValue } from '@ant-trail/core/log';
import { isSignature, sayAnswer } from '@ant-trail/core/sheet';
import { useTheme, View } from '@tamagui/core';
import { useRef, useState, type PointerEvent } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { SignatureDrawing, toPath } from '@/design/signature-drawing.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { useAnswerByPress, useSheetSession, type PartProps } from '../session/sheet-context.tsx';

type Stroke = [number, number][];

const HEIGHT = 150;

/** Signed with a finger; who signs is written beside it. */
export function SignaturePart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const sign = useAnswerByPress(state);
  const { person } = useMe();
  const signed = isSignature(state.answer?.value) ? state.answer.value : null;
  if (signed)
    return (
      <Column gap="$2">
        {signed.typed ? null : <SignatureDrawing value={signed} height={110} />}
        <Row className="to-hand" justifyContent="space-between">
          <Body small quiet>
            {sayAnswer(state.question, signed)}
          </Body>
          {locked ? null : (
            <Button dense onPress={() => session.write(state.path, 'clear', null)}>
              Sign again
            </Button>
          )}
        </Row>
      </Column>
    );
  return locked ? (
    <Body quiet>Not signed.</Body>
  ) : (
    <SignaturePad
      label={state.question.label}
      signer={person.name}
      mayType
      onSign={(value) => void sign(value)}
    />
  );
}

interface PadProps {
  readonly label: string;
  /** Who is expected to sign; empty for somebody else. */
  readonly signer: string;
  readonly word?: string;
  /** Whether the name may be typed in the place of a drawn signature. */
  readonly mayType?: boolean;
  readonly onSign: (value: SignatureValue) => void;
}

/** A box to sign in, with the name beside it. */
export function SignaturePad({ label, signer, word = 'Sign', mayType = false, onSign }: PadProps) {
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
