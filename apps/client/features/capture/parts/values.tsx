import { readNumber } from '@ant-trail/core/measure';
import { isAddress, isTimeOfDay, sayAnswer, sharesOf } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { DayField, TimeField } from '@/design/when.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { currentFix } from '@/device/position.ts';
import { useAnswer, type PartProps } from '../session/sheet-context.tsx';
import { DraftInput } from './draft-input.tsx';

/** A value people type: kept when it can be one, refused in words while it can't. */
function Typed(props: PartProps & { kind: 'tel' | 'email' | 'decimal'; mono?: boolean }) {
  const { state, locked, kind, mono = false } = props;
  const give = useAnswer(state);
  const value = state.answer?.value;
  return (
    <DraftInput
      label={state.question.label}
      hideLabel
      kind={kind}
      mono={mono}
      locked={locked}
      path={state.path}
      kept={typeof value === 'string' || typeof value === 'number' ? String(value) : ''}
      keep={(text) => {
        const read = kind === 'decimal' && text.trim() ? readNumber(text) : null;
        if (read && 'problem' in read) return Promise.resolve(read.problem);
        return give(read ? read.value : text.trim() || null);
      }}
    />
  );
}

export const PhonePart = (props: PartProps) => <Typed {...props} kind="tel" />;
export const EmailPart = (props: PartProps) => <Typed {...props} kind="email" />;

export function PercentagePart(props: PartProps) {
  return (
    <Row gap="$3">
      <Column flex={1}>
        <Typed {...props} kind="decimal" mono />
      </Column>
      <Body strong>%</Body>
    </Row>
  );
}

/** Shares of a whole: the sum stands below and says what is missing while they are written. */
export function SharesPart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  const { question, answer } = state;
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  if (question.kind !== 'shares') return null;
  const kept = answer ? sharesOf(answer.value) : {};
  const textOf = (key: string): string => typed[key] ?? (kept[key] ? String(kept[key]) : '');
  const change = (key: string, text: string): void => {
    if (locked) return;
    const next = { ...typed, [key]: text };
    setTyped(next);
    const shares: Record<string, number> = {};
    for (const part of question.parts) {
      const written = next[part.key] ?? (kept[part.key] ? String(kept[part.key]) : '');
      if (!written.trim()) continue;
      const read = readNumber(written);
      if ('problem' in read) return setProblem(`${part.label}: ${read.problem}`);
      shares[part.key] = read.value;
    }
    void give(Object.keys(shares).length > 0 ? { shares } : null).then((refused) => {
      setProblem(refused);
      if (!refused) setTyped({});
    });
  };
  return (
    <Column gap="$2">
      {question.parts.map((part) => (
        <Row key={part.key} gap="$3" justifyContent="space-between">
          <Body flex={1}>{part.label}</Body>
          <Column width={130}>
            <Input
              label={`${part.label}, in percent`}
              hideLabel
              kind="decimal"
              value={textOf(part.key)}
              onChange={(text) => change(part.key, text)}
            />
          </Column>
          <Body>%</Body>
        </Row>
      ))}
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}

/** Day and time: kept once both are there. */
export function MomentPart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  const kept = typeof state.answer?.value === 'string' ? state.answer.value.split('T') : [];
  const [typed, setTyped] = useState<{ day?: string; time?: string }>({});
  const day = typed.day ?? kept[0] ?? '';
  const time = typed.time ?? kept[1] ?? '';
  const change = (next: { day?: string; time?: string }): void => {
    if (locked) return;
    setTyped({ ...typed, ...next });
    const both = { day, time, ...next };
    if (both.day && isTimeOfDay(both.time)) void give(`${both.day}T${both.time}`);
  };
  return (
    <Row gap="$2" flexWrap="wrap">
      <DayField
        label={`${state.question.label}, day`}
        hideLabel
        value={day}
        onChange={(next) => change({ day: next })}
      />
      <TimeField
        label={`${state.question.label}, time`}
        hideLabel
        value={time}
        onChange={(next) => change({ time: next })}
      />
    </Row>
  );
}

/** Where something is: in words, and by the phone’s position when it has one. */
export function AddressPart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  const [problem, setProblem] = useState<string | null>(null);
  const kept = isAddress(state.answer?.value) ? state.answer.value : null;
  const locate = async () => {
    const here = await currentFix();
    if (!here) return setProblem('The phone does not know where it is. Write the address.');
    const { lat: latitude, lon: longitude, accuracy } = here;
    const words = kept?.address ?? `${latitude.toFixed(5)}, ${longitude.toFixed(5)}`;
    setProblem(await give({ address: words, latitude, longitude, accuracy }));
  };
  return (
    <Column gap="$2">
      <DraftInput
        label={state.question.label}
        hideLabel
        locked={locked}
        problem={problem ?? undefined}
        path={state.path}
        kept={kept?.address ?? ''}
        keep={(text) => give(text.trim() ? { ...kept, address: text.trim() } : null)}
      />
      {locked ? null : (
        <Row gap="$3" flexWrap="wrap">
          <Button dense onPress={() => locate()}>
            Use where I am
          </Button>
          {kept?.latitude !== undefined ? (
            <Body small quiet>
              position kept, give or take {Math.round(kept.accuracy ?? 0)} m
            </Body>
          ) : null}
        </Row>
      )}
    </Column>
  );
}

/** A value nobody types: what it comes to now, and how far that is from its target. */
export function CalculatedPart({ state }: PartProps) {
  const { question, calculated, alert } = state;
  if (question.kind !== 'calculated') return null;
  if (calculated === null)
    return (
      <Body small quiet>
        Comes by itself once the answers it needs are there.
      </Body>
    );
  const share =
    question.target && typeof calculated === 'number'
      ? Math.max(0, Math.min(1, calculated / question.target))
      : null;
  return (
    <Column gap="$2">
      <Figure strong eyes={alert !== null} fontSize="$5" lineHeight="$5">
        {sayAnswer(question, calculated, undefined, state.expected)}
      </Figure>
      {share === null ? null : (
        <Column height={8} backgroundColor="$sand" borderRadius={4} aria-hidden>
          <Column height={8} width={`${share * 100}%`} backgroundColor="$ink" borderRadius={4} />
        </Column>
      )}
      {question.target === undefined ? null : (
        <Body small quiet>
          Target {sayAnswer(question, question.target)}.
        </Body>
      )}
      {alert ? (
        <Body eyes strong role="alert">
          {alert.words}.
        </Body>
      ) : null}
    </Column>
  );
}
