import { rangeIn, sayRange, writeUnit } from '@ant-trail/core/measure';
import { rulesOf } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body } from '@/design/text.tsx';
import type { KitRowsProps } from '../part.ts';
import { NumberPad, OptionPad, PadFoot } from './pad.tsx';
import { doubtIn } from './places.ts';
import type { ValueEntry } from './use-entry.ts';
import { MOST_WIDTH } from './way-by-way.tsx';

/** Of more answers than this a list is easier to choose from than keys. */
const MOST_KEYS = 9;

/** What the thumb is at: the value’s name and limit, and the keys that fit what is asked. */
export function ValuePad({
  entry,
  Question,
}: Pick<KitRowsProps, 'Question'> & { readonly entry: ValueEntry }) {
  const [whole, setWhole] = useState(false);
  const { state, number } = entry;
  if (!state) return null;
  const { question } = state;
  const offered = rulesOf(question).offers?.(question) ?? [];
  const single = (question.kind === 'choice' || question.kind === 'yesNo') && offered.length > 0;
  const asOptions = single && offered.length <= MOST_KEYS;
  return (
    <Column
      padding="$3"
      gap="$2"
      width="100%"
      maxWidth={MOST_WIDTH}
      alignSelf="center"
      borderTopWidth={1}
      borderColor="$rule"
      backgroundColor="$sheet"
      role="group"
      aria-label={`Enter ${question.label}`}
    >
      {number || asOptions ? <Head entry={entry} onWhole={() => setWhole(true)} /> : null}
      {number ? (
        <NumberPad
          {...entry}
          offScale={number.offScale === true}
          onKey={entry.press}
          onBack={entry.back}
        />
      ) : asOptions ? (
        <OptionPad
          {...entry}
          options={offered.map(({ value, label }) => ({ key: value, label }))}
          chosen={typeof state.answer?.value === 'string' ? state.answer.value : null}
          onChoose={entry.choose}
        />
      ) : (
        <>
          <Scroll maxHeight={300} flex={0} marginHorizontal={-16}>
            <Question key={state.path} state={state} locked={false} />
          </Scroll>
          <PadFoot {...entry} />
        </>
      )}
      {whole ? (
        <Dialog title={question.label} onClose={() => setWhole(false)} easy>
          <Question state={state} locked={false} />
        </Dialog>
      ) : null}
    </Column>
  );
}

/** The value’s name with what is expected of it, or what is wrong with it. */
function Head({ entry, onWhole }: { readonly entry: ValueEntry; readonly onWhole: () => void }) {
  const { state, number, unit, alert, problem } = entry;
  if (!state) return null;
  const { expected, asksReason, asksPhoto } = state;
  const doubt = doubtIn(state);
  const wrong = problem ?? (alert ? `${alert.words}.` : null);
  const limit =
    number && expected ? sayRange(rangeIn(expected, number.unit, unit), writeUnit(unit)) : '';
  const asks = asksPhoto ? 'A photo, please' : asksReason ? 'A word, please' : 'More';
  return (
    <Column gap="$1">
      <Row className="to-hand" justifyContent="space-between" gap="$3">
        <Column flex={1}>
          <Body strong>{state.question.label}</Body>
          {limit ? (
            <Body small quiet>
              Expected {limit}
            </Body>
          ) : null}
        </Column>
        <Button dense plain onPress={onWhole} label={`${asks}: ${state.question.label}`}>
          {asks}
        </Button>
      </Row>
      {wrong || doubt ? (
        <Row gap="$2" alignItems="flex-start" role="alert">
          <Column paddingTop={2}>
            <Mark name={wrong ? 'needs eyes' : 'differs'} size={16} silent />
          </Column>
          <Body small strong eyes={wrong !== null} flex={1}>
            {wrong ?? doubt}
          </Body>
        </Row>
      ) : null}
    </Column>
  );
}
