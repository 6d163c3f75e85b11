import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { usePageTitle } from '@/design/page-title.ts';
import { useTwoSides } from '@/design/sides.ts';
import { useShortcut } from '@/design/use-shortcut.ts';
import { Body, Heading } from '@/design/text.tsx';
import { DecisionBar } from './decision-bar.tsx';
import { EvidencePane } from './evidence-pane.tsx';
import { QueuePane } from './queue-pane.tsx';
import { ReadingPane } from './reading-pane.tsx';
import { ReviewOnPhone } from './review-on-phone.tsx';
import { useReading } from './use-reading.ts';

export const ReviewScreen = () => (useTwoSides() ? <ReadingDesk /> : <ReviewOnPhone />);

/** The reading desk: queue, sheet and evidence side by side. */
function ReadingDesk() {
  const router = useRouter();
  const { queue, sheet, dossier, open, choose, go, decided } = useReading(true);
  usePageTitle(open ? `Review: ${open.dossier.site.name}` : 'Review');
  useShortcut('j', () => go(1));
  useShortcut('k', () => go(-1));
  return (
    <View flex={1} minHeight={0}>
      <Row flex={1} alignItems="stretch" minHeight={0} className="panes">
        <QueuePane
          queue={queue}
          current={sheet}
          onOpen={(id) => router.navigate(`/review/${id}`)}
        />
        <Scroll
          render="main"
          id="main"
          backgroundColor="$sheet"
          flexGrow={2}
          flexBasis={420}
          tabIndex={0}
          aria-label="The sheet"
        >
          {open ? (
            <ReadingPane {...open} onChoose={choose} onSettled={dossier.again} />
          ) : (
            <Column padding="$5" gap="$2">
              {queue.total === 0 && !sheet ? (
                <>
                  <Heading>Nothing waits to be read</Heading>
                  <Body quiet>Finished sheets appear here by themselves, the worst first.</Body>
                </>
              ) : null}
              {(dossier.problem ?? queue.problem) ? (
                <Body eyes strong role="alert">
                  {dossier.problem ?? queue.problem}
                </Body>
              ) : null}
            </Column>
          )}
        </Scroll>
        {open ? <EvidencePane {...open} onSettled={dossier.again} /> : null}
      </Row>
      {open ? (
        <DecisionBar key={sheet} {...open} onDone={decided} onChanged={dossier.again} />
      ) : null}
    </View>
  );
}
