import {
  instrumentName,
  InstrumentTrouble,
  type FoundInstrument,
  type OpenInstrument,
} from '@ant-trail/core/instruments';
import type { InstrumentQuestion } from '@ant-trail/core/sheet';
import { useEffect, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import {
  findInstruments,
  forgetInstrument,
  pairedInstrument,
  pairInstrument,
} from '@/device/instruments.ts';
import { useMe } from '@/features/accounts/session.ts';
import { useAnswer, type PartProps } from '../session/sheet-context.tsx';
import { NumberPart } from './number.tsx';

const wordsOf = (error: unknown): string =>
  error instanceof InstrumentTrouble ? error.message : 'The instrument gave nothing. Try again.';

/** A value taken from a connected instrument; typed when the instrument does not do its part. */
export function InstrumentPart(props: PartProps) {
  const { state, locked } = props;
  return (
    <Column gap="$2">
      <NumberPart {...props} />
      {locked || state.question.kind !== 'instrument' ? null : (
        <Take state={state} question={state.question} />
      )}
      <Source state={state} />
    </Column>
  );
}

/** Which instrument gave the value, and when. */
function Source({ state }: { state: PartProps['state'] }) {
  const { organisation } = useMe();
  const value = state.answer?.value;
  if (typeof value !== 'object' || !('reading' in value)) return null;
  return (
    <Body small quiet>
      From {instrumentName(value.instrument).toLowerCase()} {value.serial},{' '}
      <Figure small quiet>
        {sayWhen(value.takenAt, organisation.timeZone)}
      </Figure>
      .
    </Body>
  );
}

function Take({ state, question }: { state: PartProps['state']; question: InstrumentQuestion }) {
  const give = useAnswer(state);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [choosing, setChoosing] = useState(false);
  const paired = pairedInstrument(question.instrument);
  const name = instrumentName(question.instrument).toLowerCase();
  const measure = async (instrument: OpenInstrument) => {
    setBusy(true);
    setTrouble(null);
    try {
      const { low, high } = state.expected ?? {};
      const target = low !== undefined && high !== undefined ? (low + high) / 2 : (low ?? high);
      const { value, unit, takenAt } = await instrument.measure({
        unit: question.unit,
        ...(target === undefined ? {} : { target }),
      });
      const { kind, serial } = instrument;
      setTrouble(await give({ reading: value, instrument: kind, serial, takenAt }, unit));
    } catch (error) {
      setTrouble(wordsOf(error));
    }
    setBusy(false);
  };
  return (
    <Column gap="$2">
      <Row gap="$2" flexWrap="wrap">
        <Button
          dense
          disabled={busy}
          onPress={() => (paired ? void measure(paired) : setChoosing(true))}
          label={`Take ${question.label} from the ${name}`}
        >
          {busy ? 'Measuring …' : paired ? `Take from ${paired.serial}` : `Take from the ${name}`}
        </Button>
        {paired && !busy ? (
          <Button
            dense
            plain
            onPress={() => {
              forgetInstrument(question.instrument);
              setChoosing(true);
            }}
            label={`Another ${name}`}
          >
            Another
          </Button>
        ) : null}
      </Row>
      {trouble ? (
        <Body small eyes strong role="alert">
          {trouble}
        </Body>
      ) : null}
      {choosing ? (
        <ChooseInstrument
          kind={question.instrument}
          onClose={() => setChoosing(false)}
          onPaired={(instrument) => {
            setChoosing(false);
            void measure(instrument);
          }}
        />
      ) : null}
    </Column>
  );
}

interface ChooseInstrumentProps {
  readonly kind: string;
  readonly onClose: () => void;
  readonly onPaired: (instrument: OpenInstrument) => void;
}

/** The instruments within reach; pressing one pairs with it. */
function ChooseInstrument({ kind, onClose, onPaired }: ChooseInstrumentProps) {
  const [found, setFound] = useState<readonly FoundInstrument[] | null>(null);
  const [pairing, setPairing] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    findInstruments(kind).then(
      (all) => {
        if (!gone) setFound(all);
      },
      (error: unknown) => {
        if (!gone) setTrouble(wordsOf(error));
      },
    );
    return () => {
      gone = true;
    };
  }, [kind]);
  const pair = async (one: FoundInstrument) => {
    setPairing(one.serial);
    setTrouble(null);
    try {
      onPaired(await pairInstrument(one));
    } catch (error) {
      setTrouble(wordsOf(error));
      setPairing(null);
    }
  };
  return (
    <Dialog title={`Within reach: ${instrumentName(kind).toLowerCase()}`} onClose={onClose}>
      <Column gap="$2" role="list">
        {found === null && !trouble ? (
          <Body quiet role="status">
            Looking …
          </Body>
        ) : null}
        {found?.map((one) => (
          <Column key={one.serial} role="listitem" borderBottomWidth={1} borderColor="$rule">
            <PressableRow
              paddingVertical="$2"
              justifyContent="center"
              disabled={pairing !== null}
              onPress={() => pair(one)}
            >
              <Body strong>{one.name}</Body>
              <Figure small quiet>
                {pairing === one.serial ? 'pairing …' : one.serial}
              </Figure>
            </PressableRow>
          </Column>
        ))}
        {found?.length === 0 ? (
          <Body>No instrument answers. Switch it on, or type the value.</Body>
        ) : null}
      </Column>
      {trouble ? (
        <Body small eyes strong role="alert">
          {trouble}
        </Body>
      ) : null}
    </Dialog>
  );
}
