import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ActionBar } from '@/design/action-bar.tsx';
import { Column, Row, Rule, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body, Heading, Title } from '@/design/text.tsx';
import { trials, type Outcome } from './trials.ts';

/** Tries what the work needs of the phone, and says what to do where it fails. */
export function SelfTestScreen() {
  const router = useRouter();
  const [outcomes, setOutcomes] = useState<ReadonlyMap<string, Outcome>>(new Map());
  const [trying, setTrying] = useState<string | null>(null);
  const tryAll = async (): Promise<void> => {
    setOutcomes(new Map());
    for (const { name, run } of trials) {
      setTrying(name);
      const outcome = await run();
      setOutcomes((before) => new Map([...before, [name, outcome]]));
    }
    setTrying(null);
  };
  return (
    <FieldPage title="Is my phone ready?">
      <FieldHead>
        <Row>
          <Button plain dense onPress={() => router.navigate('/self')}>
            ‹ Me
          </Button>
        </Row>
        <Title>Is my phone ready?</Title>
      </FieldHead>
      <Scroll render="main" id="main" aria-live="polite">
        {trials.map(({ name, about }) => {
          const outcome = outcomes.get(name);
          return (
            <Column key={name}>
              <Column padding="$4" gap="$1">
                <Row gap="$2">
                  <Mark name={markOf(outcome)} silent />
                  <Heading>{name}</Heading>
                </Row>
                <Body small quiet={outcome === undefined || outcome.works}>
                  {trying === name ? 'Trying …' : (outcome?.words ?? about)}
                </Body>
                {outcome && !outcome.works ? <Body small>{outcome.advice}</Body> : null}
              </Column>
              <Rule />
            </Column>
          );
        })}
      </Scroll>
      <FieldFoot>
        <ActionBar
          words={trying === null ? (outcomes.size > 0 ? 'Try again' : 'Try them') : 'Trying …'}
          busy={trying !== null}
          onPress={tryAll}
        />
      </FieldFoot>
    </FieldPage>
  );
}

const markOf = (outcome: Outcome | undefined): 'planned' | 'received' | 'needs eyes' =>
  outcome === undefined ? 'planned' : outcome.works ? 'received' : 'needs eyes';
