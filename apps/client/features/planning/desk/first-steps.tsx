import { FirstSteps as Steps } from '@ant-trail/contract/planning/desk';
import { useRouter } from 'expo-router';
import { Column, Leaf, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';

interface Step {
  readonly key: keyof Steps;
  readonly words: string;
  readonly why: string;
  readonly act: string;
  readonly href: string;
}

const STEPS: readonly Step[] = [
  {
    ...{ key: 'templates', act: 'Choose a sheet', href: '/templates?ready=yes' },
    words: 'The sheets you work with',
    why: 'Take a ready one of your trade over, and change what is different with you.',
  },
  {
    ...{ key: 'people', act: 'Add people', href: '/people' },
    words: 'Your people',
    why: 'One by one, or from a file. They get a letter with their way in.',
  },
  {
    ...{ key: 'clients', act: 'Add clients', href: '/clients' },
    words: 'Your clients',
    why: 'Whom the work is for, with somebody to call.',
  },
  {
    ...{ key: 'places', act: 'Add places', href: '/places' },
    words: 'The places',
    why: 'Where work is done: how to get in, and what is dangerous there.',
  },
  {
    ...{ key: 'things', act: 'Add things', href: '/things' },
    words: 'What stands there',
    why: 'With labels on it, so that a phone finds it. This can come later, too.',
  },
  {
    ...{ key: 'jobs', act: 'Make a job', href: '/day?new=job' },
    words: 'The first job',
    why: 'Somebody, somewhere, with a sheet. It is on their phone at once.',
  },
  {
    ...{ key: 'reports', act: 'Read what came back', href: '/review' },
    words: 'The first report',
    why: 'Once the sheet is finished you read and approve it; the report is made by itself.',
  },
];

/** What an organisation that begins does first, until its first report is there. */
export function FirstSteps() {
  const router = useRouter();
  const { answer } = useOffice(Steps, '/api/first-steps', [
    ...(['person', 'client', 'site', 'asset', 'template', 'visit', 'sheet'] as const),
  ]);
  if (!answer || answer.reports) return null;
  const next = STEPS.find(({ key }) => !answer[key]);
  const done = STEPS.filter(({ key }) => answer[key]).length;
  return (
    <Leaf
      padding="$4"
      gap="$3"
      marginBottom="$4"
      marginTop="$4"
      render="section"
      aria-label="First steps"
    >
      <Row justifyContent="space-between" gap="$3">
        <Heading>To your first report</Heading>
        <Body quiet>
          {done} of {STEPS.length}
        </Body>
      </Row>
      <Column role="list" gap="$2">
        {STEPS.map((step) => (
          <Row key={step.key} role="listitem" gap="$3" minHeight={48}>
            <Mark
              name={answer[step.key] ? 'received' : step === next ? 'next' : 'planned'}
              silent
            />
            <Column flex={1}>
              <Body strong={step === next}>
                {step.words}
                {answer[step.key] ? ': done' : ''}
              </Body>
              {step === next ? (
                <Body small quiet>
                  {step.why}
                </Body>
              ) : null}
            </Column>
            <Button
              dense
              main={step === next}
              plain={step !== next}
              onPress={() => router.navigate(step.href)}
            >
              {step.act}
            </Button>
          </Row>
        ))}
      </Column>
    </Leaf>
  );
}
