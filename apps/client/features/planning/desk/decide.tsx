import { JobDetails } from '@ant-trail/contract/planning/desk';
import { JOB_STATE_RULES, type JobDecision } from '@ant-trail/core/planning';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayWhen } from '@/design/say-day.ts';

const WORDS: Record<JobDecision, { readonly act: string; readonly done: string }> = {
  cancelled: { act: 'Cancel the job', done: 'cancelled it' },
  closed: { act: 'Close the job', done: 'closed it' },
  reopened: { act: 'Open it again', done: 'opened it again' },
};

/** Cancels, closes or opens a job again; it says why, and who did so before. */
export function Decide({ details, onDone }: { details: JobDetails; onDone: () => void }) {
  const { organisation } = useMe();
  const people = usePeople();
  const [chosen, setChosen] = useState<JobDecision | null>(null);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { job } = details.card;
  const { decisions } = JOB_STATE_RULES[job.state];
  const send = async (decision: JobDecision): Promise<void> => {
    if (!reason.trim()) return setProblem('Say why.');
    setBusy(true);
    try {
      await ask(JobDetails, 'POST', `/api/jobs/${job.id}/decisions`, { decision, reason });
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
      setBusy(false);
    }
  };
  return (
    <Column gap="$2">
      <Dots />
      {details.decisions.map(({ decision, reason: why, by, at }) => (
        <Body key={at} small quiet>
          {people.name(by)} {WORDS[decision].done} {sayWhen(at, organisation.timeZone)}: “{why}”
        </Body>
      ))}
      {chosen ? (
        <>
          <Input
            label={`${WORDS[chosen].act}: why?`}
            value={reason}
            onChange={setReason}
            problem={problem ?? undefined}
            autoFocus
          />
          <Row gap="$2">
            <Button dense onPress={() => send(chosen)} disabled={busy}>
              {WORDS[chosen].act}
            </Button>
            <Button dense plain onPress={() => setChosen(null)}>
              Leave it
            </Button>
          </Row>
        </>
      ) : (
        <Row gap="$2" flexWrap="wrap">
          {decisions.map((decision) => (
            <Button key={decision} dense plain onPress={() => setChosen(decision)}>
              {WORDS[decision].act}
            </Button>
          ))}
        </Row>
      )}
    </Column>
  );
}
