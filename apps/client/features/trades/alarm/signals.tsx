import { sayState, type RowState } from '@ant-trail/core/sheet';
import { FOLLOWED, TOOK } from '@ant-trail/core/trades/alarm/keys';
import { useEffect, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import type { KitRowsProps } from '../part.ts';
import { GlanceLine } from './glance-line.tsx';
import { markOf } from './passing.ts';
import { RowDialog } from './row-dialog.tsx';
import { useAlarmClock } from './use-alarm-clock.ts';

/** What has to follow an alarm: one clock from the alarm on, and a press as each of them comes. */
export default function Signals(props: KitRowsProps) {
  const { state, useWhole, locked, write, Question, Add, Scan, sought, onShown } = props;
  const { rows } = state;
  const { began, begin, stop } = useAlarmClock(useWhole(), write);
  const [opened, setOpened] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    if (sought === null) return;
    setOpened(rows.find(({ path }) => sought.startsWith(`${path}/`))?.id ?? null);
    onShown();
  }, [sought, rows, onShown]);
  const came = async (row: RowState, from: number): Promise<void> => {
    const took = Math.round((Date.now() - from) / 100) / 10;
    setTrouble(
      await write([
        { path: `${row.path}/${FOLLOWED}`, value: 'done' },
        { path: `${row.path}/${TOOK}`, value: took, unit: 's' },
      ]),
    );
  };
  const row = rows.find(({ id }) => id === opened);
  return (
    <Column gap="$3">
      {locked || !Scan ? null : began === null ? (
        <Button onPress={async () => setTrouble(await begin())}>The alarm goes off now</Button>
      ) : (
        <Row className="to-hand" gap="$3" justifyContent="space-between">
          <Running from={began} />
          <Button dense onPress={stop}>
            Stop the clock
          </Button>
        </Row>
      )}
      {trouble ? (
        <Body eyes strong role="alert">
          {trouble}
        </Body>
      ) : null}
      <Column role="list" aria-label="Signals">
        {rows.map((each) => (
          <GlanceLine
            key={each.id}
            mark={markOf(each)}
            name={each.name}
            about=""
            figure={<Figure>{tookOf(each)}</Figure>}
            onOpen={() => setOpened(each.id)}
          >
            {began !== null && !locked ? (
              <Button
                dense
                repeats
                label={`${each.name}: it is there now`}
                onPress={() => came(each, began)}
              >
                Now
              </Button>
            ) : null}
          </GlanceLine>
        ))}
      </Column>
      {!locked && Add ? <Add state={state} /> : null}
      {row ? (
        <RowDialog row={row} locked={locked} Question={Question} onClose={() => setOpened(null)} />
      ) : null}
    </Column>
  );
}

function tookOf({ questions }: RowState): string {
  const took = questions.find(({ question, answer }) => question.key === TOOK && answer !== null);
  return took ? sayState(took, sayShortDay) : '';
}

/** Seconds since the alarm, by the phone’s clock: it goes on while the screen sleeps. */
function Running({ from }: { readonly from: number }) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const ticking = setInterval(() => setSeconds(Math.floor((Date.now() - from) / 1000)), 250);
    return () => clearInterval(ticking);
  }, [from]);
  return (
    <Figure strong role="timer">
      {seconds} s since the alarm
    </Figure>
  );
}
