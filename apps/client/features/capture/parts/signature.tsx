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
  const { question } = state;
  const words = question.kind === 'signature' ? question.consent : undefined;
  const signed = isSignature(state.answer?.value) ? state.answer.value : null;
  if (signed)
    return (
      <Column gap="$2">
        <ConsentWords words={words} />
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
    <Column gap="$3">
      <ConsentWords words={words} />
      <SignaturePad
        label={question.label}
        // A consent is seldom that of whoever holds the phone.
        signer={words === undefined ? person.name : ''}
        mayType
        onSign={(value) => void sign(value)}
      />
    </Column>
  );
}

/** What is read before it is signed, and stands above the signature afterwards. */
const ConsentWords = ({ words }: { readonly words: string | undefined }) =>
  words === undefined ? null : (
    <Column
      backgroundColor="$sheet"
      borderWidth={1}
      borderColor="$rule"
      padding="$3"
      gap="$2"
      role="document"
      aria-label="What is consented to"
    >
      {words.split(/\n+/).map((paragraph, at) => (
        <Body key={at}>{paragraph}</Body>
      ))}
    </Column>
  );
