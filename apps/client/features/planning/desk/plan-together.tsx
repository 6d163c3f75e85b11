import { VisitCard, type JobCard } from '@ant-trail/contract/planning';
import { JOB_STATE_RULES } from '@ant-trail/core/planning';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Notice } from '@/design/notice.tsx';
import { DayField } from '@/design/when.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useNow } from '@/device/use-now.ts';
import { FindPerson } from '@/features/accounts/desk/find-person.tsx';
import type { NamedPerson } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { dayToPlan } from './day-to-plan.ts';
import { Suiting } from './suiting.tsx';

/** Who suits is asked for so many jobs at once. */
const MOST_ASKED = 100;

export interface PlanTogetherProps {
  readonly cards: readonly JobCard[];
  readonly people: readonly NamedPerson[];
  readonly onDone: () => void;
}

/** Several jobs given to one person, or moved to one day, at once. */
export function PlanTogether({ cards, people, onDone }: PlanTogetherProps) {
  const [open, setOpen] = useState(false);
  const [person, setPerson] = useState<string | null>(null);
  const [day, setDay] = useState('');
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  const { day: today } = useNow(useMe().organisation.timeZone);
  const leading = cards.flatMap((card) => {
    const [visit] = card.visits;
    return visit && !JOB_STATE_RULES[card.job.state].settled ? [{ card, visit }] : [];
  });
  const left = cards.length - leading.length;
  const save = async (): Promise<void> => {
    setBusy(true);
    const refused: string[] = [];
    for (const { card, visit } of leading)
      try {
        await ask(VisitCard, 'PUT', `/api/visits/${visit.id}/plan`, {
          person: person ?? visit.person,
          day: day || dayToPlan(visit, today),
          start: visit.start,
          minutes: visit.minutes,
        });
      } catch (error) {
        // One that is refused keeps none of the others back.
        refused.push(`${card.siteName}: ${wordsFor(error)}`);
      }
    setBusy(false);
    setProblems(refused);
    if (refused.length === 0) onDone();
  };
  return (
    <>
      <Button dense main onPress={() => setOpen(true)} disabled={leading.length === 0}>
        Plan them …
      </Button>
      <Button dense plain onPress={onDone}>
        Choose none
      </Button>
      {left > 0 ? (
        <Body small quiet>
          {left} of them {left === 1 ? 'is' : 'are'} settled and {left === 1 ? 'stays' : 'stay'} as{' '}
          {left === 1 ? 'it is' : 'they are'}.
        </Body>
      ) : null}
      {open ? (
        <Dialog
          title={leading.length === 1 ? 'Plan one job' : `Plan ${leading.length} jobs`}
          onClose={() => setOpen(false)}
          width={460}
        >
          <Column gap="$3">
            <FindPerson
              label="Person who leads"
              empty="As it is"
              people={people}
              chosen={person}
              onChoose={setPerson}
            />
            <DayField label="Day (leave empty to keep it)" value={day} onChange={setDay} />
            <Suiting
              chosen={[person]}
              asked={
                open
                  ? {
                      jobs: leading
                        .slice(0, MOST_ASKED)
                        .map(({ card }) => card.job.id)
                        .join(),
                      ...(day ? { day } : {}),
                    }
                  : null
              }
            />
            {person !== null && leading.length > MOST_ASKED ? (
              <Body small quiet>
                Whether they suit is looked at for the first {MOST_ASKED} of these.
              </Body>
            ) : null}
            {problems.map((problem) => (
              <Notice key={problem} tone="eyes" alert>
                {problem}
              </Notice>
            ))}
            <Button main disabled={busy || (person === null && day === '')} onPress={() => save()}>
              {busy ? 'Planning …' : 'Keep this plan'}
            </Button>
          </Column>
        </Dialog>
      ) : null}
    </>
  );
}
