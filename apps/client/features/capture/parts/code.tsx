import { isCode } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { useAnswer, type PartProps } from '../session/sheet-context.tsx';
import { DraftInput } from './draft-input.tsx';
import { Scanner } from '@/features/codes/field/scanner.tsx';

/** A code on a label: scanned, or typed when the label is scratched. */
export function CodePart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  const [scanning, setScanning] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { label } = state.question;
  const kept = isCode(state.answer?.value) ? state.answer.value : null;
  return (
    <Column gap="$2">
      <DraftInput
        label={label}
        hideLabel
        locked={locked}
        problem={problem ?? undefined}
        path={state.path}
        kept={kept?.code ?? ''}
        keep={(text) => give(text.trim() ? { code: text.trim(), how: 'typed' } : null)}
      />
      {locked ? null : (
        <Row gap="$3">
          <Button dense onPress={() => setScanning(true)} label={`Scan ${label}`}>
            Scan the code
          </Button>
          {kept ? (
            <Body small quiet>
              {kept.symbology ? `${kept.how}, ${kept.symbology}` : kept.how}
            </Body>
          ) : null}
        </Row>
      )}
      {scanning ? (
        <Scanner
          label={label}
          onClose={() => setScanning(false)}
          onRead={({ code, symbology }) => {
            setScanning(false);
            void give({ code, how: 'scanned', symbology }).then(setProblem);
          }}
        />
      ) : null}
    </Column>
  );
}
