import type { JobDetails } from '@ant-trail/contract/planning/desk';
import { may } from '@ant-trail/core/accounts';
import { JOB_STATE_RULES } from '@ant-trail/core/planning';
import type { Stage } from '@ant-trail/core/sheet';
import { useRouter } from 'expo-router';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark, type MarkName } from '@/design/mark.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { ApproveTogether } from './approve-together.tsx';

const MARKS: Record<Stage, MarkName> = {
  untouched: 'planned',
  'under way': 'under way',
  finished: 'received',
  returned: 'returned',
  approved: 'approved',
};

const sayStage = (stage: Stage, answered: number, asked: number): string =>
  stage === 'untouched'
    ? answered > 0
      ? `not begun, ${answered} of ${asked} filled in beforehand`
      : 'not begun'
    : stage === 'under way'
      ? `begun, ${answered} of ${asked}`
      : stage === 'finished'
        ? 'to read'
        : stage;

/** The sheets of a job, what each has come to, and the way to read it. */
export function JobSheets({ details }: { details: JobDetails }) {
  const router = useRouter();
  const { person } = useMe();
  const { job } = details.card;
  const plans = may(person.roles, 'plan') && !JOB_STATE_RULES[job.state].settled;
  const came = new Map(details.sheets.map((sheet) => [sheet.id, sheet]));
  return (
    <Column gap="$2" role="list" aria-label="Sheets">
      {job.sheets.map((sheet) => {
        const { stage, answered, asked } = came.get(sheet.id) ?? {
          stage: 'untouched',
          answered: 0,
          asked: 0,
        };
        const readable = stage !== 'untouched';
        return (
          <Row key={sheet.id} role="listitem" gap="$2">
            <Mark
              name={sheet.leftOut && stage === 'untouched' ? 'needs eyes' : MARKS[stage]}
              silent
            />
            <Column flex={1}>
              <Body small strong>
                {sheet.title}
                {sheet.expected ? '' : ', added on site'}
              </Body>
              <Body tiny quiet>
                {sheet.leftOut && stage === 'untouched'
                  ? `left out: ${sheet.leftOut.reason}`
                  : sayStage(stage, answered, asked)}
              </Body>
              {came.get(sheet.id)?.next ? <Next next={came.get(sheet.id)?.next} /> : null}
            </Column>
            {plans && (stage === 'untouched' || stage === 'under way') ? (
              <Button
                dense
                label={
                  job.sheets.length > 1
                    ? `Fill in beforehand: ${sheet.title}`
                    : 'Fill in beforehand'
                }
                onPress={() => router.navigate(`/beforehand/${sheet.id}`)}
              >
                Fill in beforehand
              </Button>
            ) : null}
            {readable ? (
              <Button
                dense
                label={job.sheets.length > 1 ? `Read ${sheet.title}` : 'Read the sheet'}
                onPress={() => router.navigate(`/review/${sheet.id}`)}
              >
                {job.sheets.length > 1 ? 'Read' : 'Read the sheet'}
              </Button>
            ) : null}
          </Row>
        );
      })}
      {details.sheets.filter(({ stage }) => stage === 'finished').length > 1 ? (
        <ApproveTogether what="this job" jobs={[job.id]} />
      ) : null}
      {job.expectedSheets !== null && job.expectedSheets > job.sheets.length ? (
        <Body small quiet>
          {job.expectedSheets} are expected in the end.
        </Body>
      ) : null}
    </Column>
  );
}

/** What follows a sheet: by its rule, from the day it was finished on, or planned by now. */
function Next({ next }: { next: JobDetails['sheets'][number]['next'] | undefined }) {
  if (!next) return null;
  const { title, days, day, job, trouble, onlyAmiss, onlyWhere } = next;
  if (trouble)
    return (
      <Body tiny eyes>
        “{title}” could not be planned to follow: {trouble}
      </Body>
    );
  const when = day
    ? `on ${sayDatedDay(day)}`
    : `${days === 1 ? 'a day' : `${days} days`} after it is finished`;
  return (
    <Body tiny quiet>
      {job ? 'Followed by' : 'Once approved, followed by'} “{title}” {when}
      {onlyAmiss && !job ? ', where something is amiss' : ''}
      {onlyWhere && !job ? `, where ${onlyWhere}` : ''}
    </Body>
  );
}
