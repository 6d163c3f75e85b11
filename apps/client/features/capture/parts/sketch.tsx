import type { Shape, SketchValue } from '@ant-trail/core/log';
import { isSketch } from '@ant-trail/core/sheet';
import { useRef, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { KeptPicture } from '@/features/media/kept-picture.tsx';
import { useAnswer, useSheetSession, type PartProps } from '../session/sheet-context.tsx';
import { Drawing } from './drawing.tsx';

/** Height of the paper when it is 1 wide and nothing lies under it. */
const HEIGHT = 0.75;

/** A sketch of its own, or over a picture taken on the spot. */
export function SketchPart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const give = useAnswer(state);
  const picker = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { question } = state;
  const kept = isSketch(state.answer?.value) ? state.answer.value : null;
  const { under, shapes = [], height = HEIGHT } = kept ?? {};
  const keep = (next: readonly Shape[], picture: SketchValue['under']): void => {
    const value: SketchValue = {
      shapes: next,
      height: picture ? picture.height / picture.width : HEIGHT,
      ...(picture ? { under: picture } : {}),
    };
    void give(next.length > 0 || picture ? value : null).then(setProblem);
  };
  const layUnder = async (file: File | undefined) => {
    if (!file) return;
    const taken = await session.takePicture(file);
    if (typeof taken === 'string') setProblem(taken);
    else keep(shapes, taken);
    if (picker.current) picker.current.value = '';
  };
  return (
    <Column gap="$2">
      <Drawing
        name={question.label}
        shapes={shapes}
        onChange={(next) => keep(next, under)}
        height={height}
        symbols={question.kind === 'sketch' ? (question.symbols ?? []) : []}
        locked={locked}
        under={under ? <KeptPicture sha256={under.sha256} alt="" cover /> : undefined}
      />
      {locked ? null : (
        <Row gap="$2">
          <input
            ref={picker}
            type="file"
            accept="image/*"
            hidden
            aria-label={`Picture under ${question.label}`}
            onChange={(event) => void layUnder(event.target.files?.[0])}
          />
          <Button dense onPress={() => picker.current?.click()}>
            {under ? 'Another picture underneath' : 'Put a picture underneath'}
          </Button>
          {under ? (
            <Button dense plain onPress={() => keep(shapes, undefined)}>
              Without it
            </Button>
          ) : null}
        </Row>
      )}
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}
