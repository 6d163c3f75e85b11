import { isSignature, sayAnswer } from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { SignatureDrawing } from '@/design/signature-drawing.tsx';
import { SignaturePad } from '@/design/signature-pad.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { useAnswerByPress, useSheetSession, type PartProps } from '../session/sheet-context.tsx';

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
