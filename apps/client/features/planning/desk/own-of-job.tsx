import { JobDetails } from '@ant-trail/contract/planning/desk';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { FactsFields } from '@/features/fields/desk/facts-fields.tsx';
import { OwnFacts } from '@/features/fields/desk/own-facts.tsx';
import { useFacts } from '@/features/fields/desk/use-facts.ts';
import { useOwnFields } from '@/features/fields/desk/use-own-fields.ts';

export interface OwnOfJobProps {
  readonly job: JobDetails['card']['job'];
  readonly mayChange: boolean;
}

/** What is known of a job by the office's own fields. */
export function OwnOfJob({ job, mayChange }: OwnOfJobProps) {
  const { fields } = useOwnFields('job');
  const [changing, setChanging] = useState(false);
  if (fields.length === 0) return null;
  if (changing) return <Changing {...{ job }} onDone={() => setChanging(false)} />;
  return (
    <Column gap="$1">
      <OwnFacts holder="job" facts={job.own} />
      {mayChange ? (
        <Row>
          <Button dense onPress={() => setChanging(true)}>
            Change what is known
          </Button>
        </Row>
      ) : null}
    </Column>
  );
}

function Changing({ job, onDone }: { job: OwnOfJobProps['job']; onDone: () => void }) {
  const { fields } = useOwnFields('job');
  const written = useFacts(job.own ?? {});
  const [problem, setProblem] = useState<string | null>(null);
  const save = async (): Promise<void> => {
    if (!written.settle()) return;
    try {
      await ask(JobDetails, 'PUT', `/api/jobs/${job.id}/own`, { own: written.facts });
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Column gap="$3">
      <FactsFields {...{ fields, written }} />
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
      <Row gap="$2">
        <Button dense main onPress={save}>
          Keep it
        </Button>
        <Button dense onPress={onDone}>
          Leave it as it was
        </Button>
      </Row>
    </Column>
  );
}
