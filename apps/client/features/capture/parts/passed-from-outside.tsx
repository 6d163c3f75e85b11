import type { HoldValue } from '@ant-trail/core/log';
import type { QuestionState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { SignaturePad } from '@/design/signature-pad.tsx';
import { Body } from '@/design/text.tsx';
import { useAnswer } from '../session/sheet-context.tsx';

const VERDICTS = [
  { value: 'passed', label: 'Passed' },
  { value: 'refused', label: 'Refused' },
] as const;

/** Somebody without a phone of ours signs, where the template allows that. */
export function PassedFromOutside({ state }: { readonly state: QuestionState }) {
  const write = useAnswer(state);
  const [verdict, setVerdict] = useState<HoldValue['verdict']>('passed');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { label } = state.question;
  return (
    <Column gap="$3">
      <Body small quiet>
        Hand them the phone.
      </Body>
      <Segments
        label={`${label}, verdict`}
        options={VERDICTS}
        chosen={[verdict]}
        onPress={setVerdict}
      />
      {verdict === 'refused' ? (
        <Input label="Why is it refused?" value={note} onChange={setNote} lines={2} />
      ) : null}
      <SignaturePad
        label={label}
        signer=""
        onSign={({ name, strokes }) =>
          void write({
            ...{ verdict, name, person: '', strokes },
            ...(note.trim() ? { note: note.trim() } : {}),
          }).then(setProblem)
        }
      />
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}
