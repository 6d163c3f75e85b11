import { ApprovedTogether } from '@ant-trail/contract/review';
import { may } from '@ant-trail/core/accounts';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useMe } from '@/features/accounts/session.ts';

export interface ApproveTogetherProps {
  /** What is approved, as it is called on the button: “this walk”. */
  readonly what: string;
  readonly jobs: readonly string[];
}

/** Passes a section of the work, or all of it, in one step; what needs eyes stays, and is named. */
export function ApproveTogether({ what, jobs }: ApproveTogetherProps) {
  const { person } = useMe();
  const [answer, setAnswer] = useState<ApprovedTogether | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  if (!may(person.roles, 'review') || (jobs.length === 0 && !answer)) return null;
  const approve = async (): Promise<void> => {
    setBusy(true);
    try {
      setAnswer(await ask(ApprovedTogether, 'POST', '/api/approvals', { jobs }));
      setProblem(null);
    } catch (error) {
      setProblem(wordsFor(error));
    }
    setBusy(false);
  };
  return (
    <Column gap="$1">
      {jobs.length > 0 ? (
        <Row>
          <Button dense onPress={approve} disabled={busy}>
            Approve what is as usual in {what}
          </Button>
        </Row>
      ) : null}
      {answer ? (
        <Body small role="status">
          {sayApproved(answer)}
        </Body>
      ) : null}
      {answer && answer.more > 0 ? (
        <Body small>{answer.more} more are finished: approve once more for these.</Body>
      ) : null}
      {answer?.left.map(({ sheet, title, siteName, why }) => (
        <Body key={sheet} small>
          {siteName}, {title}: {why}
        </Body>
      ))}
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}

function sayApproved({ approved, left }: ApprovedTogether): string {
  const sheets = `${approved === 0 ? 'No' : approved} ${approved === 1 ? 'sheet is' : 'sheets are'} approved.`;
  if (left.length === 0) return sheets;
  return `${sheets} ${left.length === 1 ? 'One stays' : `${left.length} stay`} to be read:`;
}
