import { readShortCode } from '@ant-trail/core/codes';
import { ASKED_LENGTH, givenCode } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Segments } from '@/design/choose.tsx';
import { CodeInput, ShownCode } from '@/design/short-code.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { useMe } from '../session.ts';

const VERDICTS = [
  { value: 'passed', label: 'I pass it' },
  { value: 'refused', label: 'I refuse it' },
] as const;
type Verdict = (typeof VERDICTS)[number]['value'];

/** A colleague's hold point is passed here, with the own phone, without any network. */
export function PassStep() {
  const { passKey } = useMe();
  const [asked, setAsked] = useState('');
  const [verdict, setVerdict] = useState<Verdict | null>(null);
  const read = readShortCode(asked, ASKED_LENGTH);
  const given = passKey && verdict ? givenCode(passKey, asked, verdict) : null;
  return (
    <Column gap="$2">
      <Heading>Pass a colleague’s step</Heading>
      <Body small quiet>
        Where a sheet waits for a second person, look at the work first. Then your colleague’s phone
        shows a code.
      </Body>
      {passKey ? (
        <>
          <CodeInput
            label="The code on their phone"
            value={asked}
            length={ASKED_LENGTH}
            onChange={(text) => {
              setAsked(text);
              setVerdict(null);
            }}
          />
          {read ? (
            <Segments
              label="Your word on it"
              options={VERDICTS}
              chosen={verdict ? [verdict] : []}
              onPress={setVerdict}
            />
          ) : null}
          {given ? (
            <Column gap="$1" role="status">
              <Body small>
                Your colleague types this code. It counts as your{' '}
                {verdict === 'passed' ? 'yes' : 'no'}, for this step only:
              </Body>
              <ShownCode code={given} />
            </Column>
          ) : null}
        </>
      ) : (
        <Body small>Open the trail with a network once: then this phone can do it.</Body>
      )}
    </Column>
  );
}
