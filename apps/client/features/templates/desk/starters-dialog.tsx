import {
  PublishedTemplate,
  StartersAnswer,
  type StarterTemplate,
} from '@ant-trail/contract/templates';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';

/** Templates that stand ready, by trade: taken over as they are, and changed afterwards. */
export function StartersDialog({ onClose, onTaken }: { onClose: () => void; onTaken: () => void }) {
  const { answer, problem, again } = useOffice(StartersAnswer, '/api/starters', ['template']);
  const [refused, setRefused] = useState<string | null>(null);
  const all = answer?.starters ?? [];
  const trades = [...new Set(all.map(({ trade }) => trade))];
  const take = async ({ key }: StarterTemplate): Promise<void> => {
    try {
      await ask(PublishedTemplate, 'POST', `/api/starters/${key}`);
      setRefused(null);
      again();
      onTaken();
    } catch (error) {
      setRefused(wordsFor(error));
    }
  };
  return (
    <Dialog title="Ready templates" onClose={onClose} width={620}>
      <Column gap="$4">
        <Body small quiet>
          What you take over is yours: change its questions as you like, whenever you like.
        </Body>
        {(refused ?? problem) ? (
          <Body eyes role="alert">
            {refused ?? problem}
          </Body>
        ) : null}
        {trades.map((trade) => (
          <Column key={trade} gap="$1" render="section" aria-label={trade}>
            <Heading>{trade}</Heading>
            {all
              .filter((starter) => starter.trade === trade)
              .map((starter) => (
                <Column key={starter.key}>
                  <Row gap="$3" justifyContent="space-between" minHeight={48}>
                    <Column flex={1}>
                      <Body strong>{starter.title}</Body>
                      <Body small quiet>
                        {starter.questions} questions
                      </Body>
                    </Column>
                    {starter.there ? (
                      <Body small quiet>
                        you have it
                      </Body>
                    ) : (
                      <Button
                        dense
                        label={`Take over ${starter.title}`}
                        onPress={() => take(starter)}
                      >
                        Take over
                      </Button>
                    )}
                  </Row>
                  <Rule />
                </Column>
              ))}
          </Column>
        ))}
      </Column>
    </Dialog>
  );
}
