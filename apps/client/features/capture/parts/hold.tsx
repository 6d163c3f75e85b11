import { isHold } from '@ant-trail/core/sheet';
import type { HoldValue } from '@ant-trail/core/log';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { SignatureDrawing } from '@/design/signature-drawing.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { useSheetSession, type PartProps } from '../field/sheet-context.tsx';
import { SignaturePad } from './signature.tsx';

const VERDICTS = [
  { value: 'passed', label: 'Passed' },
  { value: 'refused', label: 'Refused' },
] as const;

/** A hold point: somebody who did not do the work passes or refuses it, and signs. */
export function HoldPart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const { store } = usePhone();
  const me = useMe();
  const people = useLive(() => store.people.toArray(), [store]) ?? [];
  const [verdict, setVerdict] = useState<HoldValue['verdict']>('passed');
  const [person, setPerson] = useState('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const kept = isHold(state.answer?.value) ? state.answer.value : null;
  if (kept)
    return (
      <Column gap="$2">
        <SignatureDrawing value={kept} height={90} />
        <Row justifyContent="space-between">
          <Body small strong eyes={kept.verdict === 'refused'}>
            {kept.verdict === 'passed' ? 'Passed' : 'Refused'} by {kept.name}
            {kept.note ? `: ${kept.note}` : ''}
          </Body>
          {locked ? null : (
            <Button dense onPress={() => void session.write(state.path, 'clear', null)}>
              Once more
            </Button>
          )}
        </Row>
      </Column>
    );
  if (locked) return <Body quiet>Not passed yet.</Body>;
  const others = people.filter(({ id }) => id !== me.person.id);
  return (
    <Column gap="$3">
      <Body small quiet>
        Hand the phone to somebody who did not do the work.
      </Body>
      <Pick
        label="Who passes it"
        value={person}
        onChange={setPerson}
        options={[
          { value: '', label: 'Somebody from outside' },
          ...others.map(({ id, name }) => ({ value: id, label: name })),
        ]}
      />
      <Segments
        label={`${state.question.label}, verdict`}
        options={VERDICTS}
        chosen={[verdict]}
        onPress={setVerdict}
      />
      {verdict === 'refused' ? (
        <Input label="Why is it refused?" value={note} onChange={setNote} lines={2} />
      ) : null}
      <SignaturePad
        key={person}
        label={state.question.label}
        signer={others.find(({ id }) => id === person)?.name ?? ''}
        onSign={({ name, strokes }) =>
          void session
            .write(state.path, 'answer', {
              verdict,
              name,
              person,
              strokes,
              ...(note.trim() ? { note: note.trim() } : {}),
            })
            .then(setProblem)
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
