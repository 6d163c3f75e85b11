import type { Job } from '@ant-trail/contract/planning';
import { JobDetails } from '@ant-trail/contract/planning/desk';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { SignatureDrawing } from '@/design/signature-drawing.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';

export interface SigningOfJobProps {
  readonly job: Job;
  readonly mayChange: boolean;
}

/** Who signed for a job at its place, or whether somebody has to; the office may do without. */
export function SigningOfJob({ job, mayChange }: SigningOfJobProps) {
  const { organisation } = useMe();
  const people = usePeople();
  const [without, setWithout] = useState(false);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { asked = false, waived = null, signed = null } = job.signing ?? {};
  const say = async (draft: { asked: boolean; reason: string }): Promise<void> => {
    try {
      await ask(JobDetails, 'POST', `/api/jobs/${job.id}/signing`, draft);
      setWithout(false);
      setReason('');
      setProblem(null);
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  if (!asked && !signed && !mayChange) return null;
  return (
    <Column gap="$2">
      {signed ? (
        <>
          <Body small>
            Signed on site by {[signed.signature.name, signed.role].filter(Boolean).join(', ')},{' '}
            {sayWhen(signed.at, organisation.timeZone)}
          </Body>
          {'typed' in signed.signature ? null : (
            <SignatureDrawing value={signed.signature} height={70} />
          )}
        </>
      ) : null}
      {waived ? (
        <Body small quiet>
          {people.name(waived.by)} lets it go without a signature: “{waived.reason}”
        </Body>
      ) : null}
      {asked && !signed && !waived ? (
        <Body small>It can’t be finished before whoever answers for the place has signed.</Body>
      ) : null}
      {without ? (
        <>
          <Input
            label="Why without a signature?"
            value={reason}
            onChange={setReason}
            problem={problem ?? undefined}
            autoFocus
          />
          <Row gap="$2">
            <Button dense onPress={() => say({ asked: false, reason })}>
              Do without
            </Button>
            <Button dense plain onPress={() => setWithout(false)}>
              Leave it
            </Button>
          </Row>
        </>
      ) : mayChange && !signed ? (
        <Row>
          {asked && !waived ? (
            <Button dense plain onPress={() => setWithout(true)}>
              Do without a signature
            </Button>
          ) : (
            <Button dense plain onPress={() => say({ asked: true, reason: '' })}>
              Have it signed on site
            </Button>
          )}
        </Row>
      ) : null}
    </Column>
  );
}
