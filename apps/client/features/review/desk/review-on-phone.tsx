import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { usePageTitle } from '@/design/page-title.ts';
import { Body } from '@/design/text.tsx';
import { DecisionBar } from './decision-bar.tsx';
import { Evidence } from './evidence-pane.tsx';
import { QueuePane } from './queue-pane.tsx';
import { ReadingPane } from './reading-pane.tsx';
import { useReading } from './use-reading.ts';

/** What waits to be read, and one sheet of it, one after the other: a phone has room for one. */
export function ReviewOnPhone() {
  const router = useRouter();
  const { queue, sheet, dossier, open, choose, go, decided } = useReading(false);
  const [looking, setLooking] = useState(false);
  usePageTitle(open ? `Review: ${open.dossier.site.name}` : 'Review');
  const problem = dossier.problem ?? queue.problem;
  const asked = open?.chosen ? open.reading.questions.get(open.chosen) : undefined;
  return (
    <Column flex={1} minHeight={0}>
      {sheet === null ? (
        <QueuePane
          queue={queue}
          current={null}
          whole
          onOpen={(id) => router.navigate(`/review/${id}`)}
        />
      ) : (
        <>
          <Row paddingHorizontal="$2" justifyContent="space-between">
            <Button dense plain onPress={() => router.navigate('/review')}>
              ‹ {queue.total ?? ''} to read
            </Button>
            <Button dense plain onPress={() => go(1)}>
              Next ›
            </Button>
          </Row>
          <Scroll
            render="main"
            id="main"
            backgroundColor="$sheet"
            tabIndex={0}
            aria-label="The sheet"
          >
            {open ? (
              <ReadingPane
                {...open}
                onChoose={(key) => {
                  choose(key);
                  setLooking(true);
                }}
                onSettled={dossier.again}
              />
            ) : null}
          </Scroll>
        </>
      )}
      {problem ? (
        <Body eyes strong role="alert" padding="$4">
          {problem}
        </Body>
      ) : null}
      {open ? (
        <DecisionBar key={sheet} {...open} onDone={decided} onChanged={dossier.again} folded />
      ) : null}
      {open && asked && looking ? (
        <Dialog title={asked.question.label} onClose={() => setLooking(false)} easy>
          <Evidence {...open} onSettled={dossier.again} />
        </Dialog>
      ) : null}
    </Column>
  );
}
