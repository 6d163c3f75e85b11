import { isHold, isVouchedFor } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Pick } from '@/design/pick.tsx';
import { SignatureDrawing } from '@/design/signature-drawing.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { useColleagues } from '@/features/accounts/use-colleagues.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { useSheetSession, type PartProps } from '../session/sheet-context.tsx';
import { PassedByColleague } from './passed-by-colleague.tsx';
import { PassedFromOutside } from './passed-from-outside.tsx';

const OUTSIDE = 'outside';

/** A hold point: somebody who did not do the work passes or refuses it, and it can't be done for them. */
export function HoldPart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const { store } = usePhone();
  const me = useMe();
  const people = useColleagues(store);
  const [person, setPerson] = useState('');
  const { answer, question } = state;
  const kept = isHold(answer?.value) ? answer.value : null;
  if (kept && answer)
    return (
      <Column gap="$2">
        {kept.strokes.length > 0 ? <SignatureDrawing value={kept} height={90} /> : null}
        <Row className="to-hand" justifyContent="space-between" gap="$2">
          <Body small strong flex={1} eyes={kept.verdict === 'refused'}>
            {kept.verdict === 'passed' ? 'Passed' : 'Refused'} by {kept.name}
            {kept.note ? `: ${kept.note}` : ''}
            {isVouchedFor(question, answer.entry) ? '' : ' (does not count yet)'}
          </Body>
          {locked ? null : (
            <Button dense onPress={() => session.write(state.path, 'clear', null)}>
              Once more
            </Button>
          )}
        </Row>
      </Column>
    );
  if (locked) return <Body quiet>Not passed yet.</Body>;
  const others = people.filter(({ id }) => id !== me.person.id);
  const colleague = others.find(({ id }) => id === person);
  return (
    <Column gap="$3">
      <Pick
        label="Who passes it"
        value={person}
        onChange={setPerson}
        options={[
          { value: '', label: 'Choose somebody who did not do the work' },
          ...others.map(({ id, name }) => ({ value: id, label: name })),
          ...(question.kind === 'hold' && question.outside
            ? [{ value: OUTSIDE, label: 'Somebody from outside' }]
            : []),
        ]}
      />
      {colleague ? (
        <PassedByColleague key={colleague.id} state={state} colleague={colleague} />
      ) : person === OUTSIDE ? (
        <PassedFromOutside state={state} />
      ) : null}
    </Column>
  );
}
