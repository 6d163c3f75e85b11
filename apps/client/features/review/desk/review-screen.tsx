import { Dossier } from '@ant-trail/contract/review';
import { View } from '@tamagui/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { useShortcut } from '@/design/use-shortcut.ts';
import { Body, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { usePrepared } from '@/device/use-prepared.ts';
import { DecisionBar } from './decision-bar.tsx';
import { EvidencePane } from './evidence-pane.tsx';
import { QueuePane } from './queue-pane.tsx';
import { readDossier } from './read-dossier.ts';
import { ReadingPane } from './reading-pane.tsx';
import { useQueue } from './use-queue.ts';

/** The reading desk: queue, sheet and evidence side by side. */
export function ReviewScreen() {
  const params = useLocalSearchParams<{ sheet?: string }>();
  const router = useRouter();
  const queue = useQueue();
  const items = queue.rows;
  const sheet = params.sheet ?? items[0]?.sheet ?? null;
  const dossier = useOffice(Dossier, sheet ? `/api/sheets/${sheet}` : null);
  const [chosen, setChosen] = useState<{ sheet: string; key: string } | null>(null);
  const canRead = usePrepared(dossier.answer?.version.body);
  const reading = dossier.answer && canRead ? readDossier(dossier.answer) : null;
  const key = chosen?.sheet === sheet ? chosen?.key : reading?.first;
  const go = (by: number): void => {
    const index = items.findIndex((item) => item.sheet === sheet);
    const next = items[Math.min(items.length - 1, Math.max(0, index + by))];
    if (index + by >= items.length - 1) queue.more?.();
    if (next) router.setParams({ sheet: next.sheet });
    if (next && !params.sheet) router.navigate(`/review/${next.sheet}`);
  };
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
          backgroundColor="$sheet"
          flexGrow={2}
          flexBasis={420}
          tabIndex={0}
          aria-label="The sheet"
        >
          {reading && dossier.answer ? (
            <ReadingPane
              dossier={dossier.answer}
              reading={reading}
              chosen={key ?? null}
              onChoose={(each) => sheet && setChosen({ sheet, key: each })}
              onSettled={dossier.again}
            />
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
        {reading && dossier.answer ? (
          <EvidencePane
            dossier={dossier.answer}
            reading={reading}
            chosen={key ?? null}
            onSettled={dossier.again}
          />
        ) : null}
      </Row>
      {reading && dossier.answer ? (
        <DecisionBar
          key={sheet}
          dossier={dossier.answer}
          reading={reading}
          chosen={key ?? null}
          onDone={() => {
            dossier.again();
            queue.again();
            const rest = items.filter((item) => item.sheet !== sheet);
            if (rest[0]) router.navigate(`/review/${rest[0].sheet}`);
          }}
          onChanged={dossier.again}
        />
      ) : null}
    </View>
  );
}
