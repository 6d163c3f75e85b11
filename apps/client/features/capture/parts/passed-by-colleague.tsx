import { spaced } from '@ant-trail/core/codes';
import { askedCode, GIVEN_LENGTH, readGiven, type QuestionState } from '@ant-trail/core/sheet';
import type { Colleague } from '@ant-trail/contract/sync';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useAnswer, useSheetSession } from '../field/sheet-context.tsx';

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
  const enough = typed.replace(/[\s\p{Pd}]/gu, '').length >= GIVEN_LENGTH;
  const keep = async (): Promise<void> => {
    if (!given) {
      setProblem('A sign of the code is wrong. Compare it with the other phone.');
      return;
    }
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
        <Figure
          fontSize={30}
          lineHeight={38}
          strong
          letterSpacing={2}
          aria-label={[...asked].join(' ')}
        >
          {spaced(asked)}
        </Figure>
      </Column>
      <Input
        label="The code their phone gives back"
        value={typed}
        onChange={(text) => {
          setTyped(text.toUpperCase());
          setProblem(null);
        }}
        mono
        problem={
          enough && !given
            ? 'A sign of the code is wrong. Compare it with the other phone.'
            : (problem ?? undefined)
        }
      />
      {given?.verdict === 'refused' ? (
        <Input label="Why is it refused?" value={note} onChange={setNote} lines={2} />
      ) : null}
      <Button main={given !== null} onPress={() => void keep()}>
        {given
          ? `${given.verdict === 'passed' ? 'Passed' : 'Refused'} by ${colleague.name}`
          : 'Keep it'}
      </Button>
    </Column>
  );
}
