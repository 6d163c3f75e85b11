import type { Colleague } from '@ant-trail/contract/sync';
import { askedCode, GIVEN_LENGTH, readGiven, type QuestionState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { CodeInput, ShownCode } from '@/design/short-code.tsx';
import { Body } from '@/design/text.tsx';
import { useAnswer, useSheetSession } from '../session/sheet-context.tsx';

export interface PassedByColleagueProps {
  readonly state: QuestionState;
  readonly colleague: Colleague;
}

/** One phone shows a code, the colleague's own answers it: that works with no network on either. */
export function PassedByColleague({ state, colleague }: PassedByColleagueProps) {
  const session = useSheetSession();
  const write = useAnswer(state);
  const [typed, setTyped] = useState('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { path } = state;
  const asked = askedCode({
    sheet: session.sheet,
    path,
    person: colleague.id,
    seen: session.headsOf(path),
  });
  const given = readGiven(typed);
  const keep = async (): Promise<void> => {
    if (!given) return setProblem('Type the whole code that the other phone shows.');
    setProblem(
      await write({
        verdict: given.verdict,
        name: colleague.name,
        person: colleague.id,
        strokes: [],
        ...(note.trim() ? { note: note.trim() } : {}),
        proof: given.code,
      }),
    );
  };
  return (
    <Column gap="$3">
      <Column gap="$1">
        <Body small quiet>
          {colleague.name} looks at the work, opens “Me” on their own phone and types this code
          under “Pass a colleague’s step”:
        </Body>
        <ShownCode code={asked} />
      </Column>
      <CodeInput
        label="The code their phone gives back"
        value={typed}
        length={GIVEN_LENGTH}
        onChange={(text) => {
          setTyped(text);
          setProblem(null);
        }}
      />
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
      {given?.verdict === 'refused' ? (
        <Input label="Why is it refused?" value={note} onChange={setNote} lines={2} />
      ) : null}
      <Button main={given !== null} onPress={() => keep()}>
        {given
          ? `${given.verdict === 'passed' ? 'Passed' : 'Refused'} by ${colleague.name}`
          : 'Keep it'}
      </Button>
    </Column>
  );
}
