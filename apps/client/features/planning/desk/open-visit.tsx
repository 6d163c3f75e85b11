import { JobDetails } from '@ant-trail/contract/planning/desk';
import type { NamedPerson } from '@/features/accounts/desk/use-people.ts';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { VisitDialog } from './visit-dialog.tsx';

export interface OpenedVisit {
  readonly job: string;
  readonly visit: string;
  readonly siteName: string;
}

export interface OpenVisitProps {
  readonly opened: OpenedVisit;
  readonly people: readonly NamedPerson[];
  readonly onClose: () => void;
}

/** A stop of the board with all that is known of it. */
export function OpenVisit({ opened, people, onClose }: OpenVisitProps) {
  const { answer, problem } = useOffice(JobDetails, `/api/jobs/${opened.job}`, ['visit', 'sheet']);
  const visit = answer?.card.visits.find(({ id }) => id === opened.visit);
  if (answer && visit)
    return (
      <VisitDialog
        card={{ job: answer.card.job, visit, siteName: answer.card.siteName }}
        people={people}
        onClose={onClose}
      />
    );
  return (
    <Dialog title={opened.siteName} onClose={onClose} easy>
      <Body role="status">
        {problem ?? (answer ? 'This visit is not planned any more.' : 'Fetching it …')}
      </Body>
    </Dialog>
  );
}
