import {
  PlansAnswer,
  type NotPlaced,
  type OrderAnswer,
  type BoardStop,
} from '@ant-trail/contract/planning/desk';
import { sayLength, sayMinute } from '@ant-trail/core/calendar';
import { sayDistance } from '@ant-trail/core/geo';
import { useState } from 'react';
import { Column, Leaf, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { noteDone } from './board/plan-steps.ts';
import { handsChanged, plansFor, promisesMissed, sayDayChange, type Naming } from './in-order.ts';

type Change = OrderAnswer['changes'][number];

export interface BetterOrderProps {
  readonly day: string;
  readonly order: OrderAnswer | null;
  readonly looking: boolean;
  readonly problem: string | null;
  /** Of all changes those that are neither taken nor kept as it is. */
  readonly open: readonly Change[];
  readonly cards: readonly BoardStop[];
  readonly evenly: boolean;
  readonly naming: Naming;
  readonly onLook: (evenly: boolean) => void;
  readonly onStop: () => void;
  readonly onClose: () => void;
  /** These are settled: taken, or kept as they are. */
  readonly onSettled: (changes: readonly Change[]) => void;
}

/** A better order of the day beside its chart: what it saves, taken or kept person by person. */
export function BetterOrder(props: BetterOrderProps) {
  const { order, looking, problem, open, evenly, onLook, onStop, onClose, onSettled } = props;
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async (changes: readonly Change[]): Promise<void> => {
    if (!order) return;
    const plans = plansFor(order, changes, props.cards);
    setBusy(true);
    setRefused(null);
    try {
      if (plans.length > 0) await ask(PlansAnswer, 'POST', '/api/plans', { day: props.day, plans });
      noteDone({
        words: 'the better order',
        moves: plans.map(({ visit, was, person, start }) => ({
          visit,
          from: { ...was, day: props.day },
          to: { person, start, day: props.day },
        })),
      });
      onSettled(changes);
    } catch (error) {
      setRefused(wordsFor(error));
    }
    setBusy(false);
  };
  return (
    <Column gap="$3" render="section" aria-label="The better order">
      <Heading>The better order</Heading>
      {order ? <Gain order={order} open={open} cards={props.cards} /> : null}
      <Row gap="$2" role="status" justifyContent="space-between">
        {looking ? (
          <>
            <Body small quiet flexShrink={1}>
              {order ? 'Looking on …' : 'Looking …'}
            </Body>
            <Button dense onPress={onStop} disabled={order === null}>
              That will do
            </Button>
          </>
        ) : null}
      </Row>
      {[problem, refused].map((words) =>
        words ? (
          <Notice key={words} tone="eyes" alert>
            {words}
          </Notice>
        ) : null,
      )}
      {order && open.length > 1 ? (
        <Button main disabled={busy || looking} onPress={() => take(open)}>
          Take all of it
        </Button>
      ) : null}
      {order
        ? open.map((change) => (
            <ChangeLines
              key={change.people.map(({ person }) => person).join()}
              change={change}
              order={order}
              naming={props.naming}
              disabled={busy || looking}
              onTake={() => take([change])}
              onKeep={() => onSettled([change])}
            />
          ))
        : null}
      {order && order.leftOut.length > 0 ? (
        <>
          <Dots />
          <Heading>Nobody can be given</Heading>
          {order.leftOut.map(({ visit, why }) => (
            <Leaf key={visit} padding="$3" gap={2}>
              <Body small strong>
                {props.naming.place(visit)}
              </Body>
              <Body tiny eyes>
                {sayNotPlaced(why, props.naming)}
              </Body>
            </Leaf>
          ))}
        </>
      ) : null}
      <Dots />
      <Tick label="Share the work evenly" on={evenly} onPress={() => onLook(!evenly)} />
      <Button onPress={onClose}>Back to the day</Button>
    </Column>
  );
}

interface GainProps {
  readonly order: OrderAnswer;
  readonly open: readonly Change[];
  readonly cards: readonly BoardStop[];
}

function Gain({ order, open, cards }: GainProps) {
  const { before, after } = order;
  const less = before.minutes - after.minutes;
  const metres = before.metres - after.metres;
  if (order.changes.length === 0)
    return <Body small>Nothing better was found: the day stands well as it is.</Body>;
  const hands = handsChanged(open);
  return (
    <Column gap="$1">
      <Row gap="$2" alignItems="baseline" flexWrap="wrap">
        <Figure strong fontSize={26}>
          {sayLength(Math.abs(less))}
        </Figure>
        <Body small>{less >= 0 ? 'less' : 'more'} on the way</Body>
        {Math.abs(metres) >= 100 ? (
          <Figure small strong>
            {`${metres < 0 ? '+' : '−'}${sayDistance(Math.abs(metres))}`}
          </Figure>
        ) : null}
      </Row>
      <Body tiny quiet>
        {[
          sayPromises(promisesMissed(order, cards)),
          hands > 0 ? `${hands} ${hands === 1 ? 'stop changes' : 'stops change'} hands` : '',
        ]
          .filter(Boolean)
          .join(' · ')}
      </Body>
    </Column>
  );
}

interface ChangeLinesProps {
  readonly change: Change;
  readonly order: OrderAnswer;
  readonly naming: Naming;
  readonly disabled: boolean;
  readonly onTake: () => void;
  readonly onKeep: () => void;
}

function ChangeLines({ change, order, naming, disabled, onTake, onKeep }: ChangeLinesProps) {
  const names = change.people.map(({ person }) => naming.person(person)).join(', ');
  return (
    <Column gap="$2" role="group" aria-label={names}>
      <Dots />
      {change.people.map((own) => (
        <Column key={own.person}>
          <Body small strong>
            {naming.person(own.person)}
          </Body>
          <Body tiny>
            {sayDayChange(own, order, naming)}
            {own.minutes === 0 ? '' : ', '}
            {own.minutes === 0 ? null : (
              <Figure tiny strong>
                {`${own.minutes < 0 ? '−' : '+'}${sayLength(Math.abs(own.minutes))}`}
              </Figure>
            )}
          </Body>
        </Column>
      ))}
      <Row gap="$2">
        <Button dense label={`Take it: ${names}`} disabled={disabled} onPress={onTake}>
          Take it
        </Button>
        <Button dense plain label={`Keep as it is: ${names}`} disabled={disabled} onPress={onKeep}>
          Keep as it is
        </Button>
      </Row>
    </Column>
  );
}

const sayPromises = (missed: number): string =>
  missed === 0
    ? 'promised times kept'
    : `${missed} promised ${missed === 1 ? 'time' : 'times'} can’t be kept`;

const together = new Intl.ListFormat('en-GB', { type: 'conjunction' });
const sayNames = (names: readonly string[]): string =>
  together.format(names.length > 3 ? [...names.slice(0, 2), `${names.length - 2} more`] : names);

/** Why nobody could be given a visit. */
export function sayNotPlaced(why: NotPlaced, { person }: Naming): string {
  switch (why.code) {
    case 'suits nobody':
      return 'nobody who is there has what this work takes';
    case 'too much':
      return `no vehicle of those it suits holds so much (${why.measure})`;
    case 'out of reach':
      return why.soonest === null || why.until === null
        ? 'nobody is there and back within their hours'
        : why.soonest > why.until
          ? `nobody is there by ${sayMinute(why.until)}: the first could be at ${sayMinute(why.soonest)}`
          : 'nobody is done and back within their hours';
    case 'days are full':
      return `no room: ${sayNames(why.could.map(person))} could, but their days or vehicles are full of what is promised or nearer`;
  }
}
