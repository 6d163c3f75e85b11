import { useTheme } from '@tamagui/core';
import { answersOf } from '@ant-trail/core/sheet';
import type { Promised } from '@ant-trail/core/trades/energy';
import { useMemo } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import type { KitPartProps } from '../part.ts';
import { useKit, type EnergyKit } from './use-energy.ts';

/** What was agreed beside what is found: how it was, how it should be, how it is. */
export default function WhatCameOfIt({ state }: KitPartProps) {
  const kit = useKit();
  const promises = useMemo(() => kit?.promisesOf(answersOf(state)) ?? [], [kit, state]);
  if (!kit || promises.length === 0)
    return (
      <Column padding="$4">
        <Body small quiet>
          What was agreed stands here beside what you find, once the fan has run or the use is
          known.
        </Body>
      </Column>
    );
  return (
    <Column padding="$4" gap="$4">
      <Heading>Agreed and found</Heading>
      {promises.map((promise) => (
        <Side key={promise.label} {...{ kit, promise }} />
      ))}
    </Column>
  );
}

interface SideProps {
  readonly kit: EnergyKit;
  readonly promise: Promised;
}

function Side({ kit, promise }: SideProps) {
  const theme = useTheme();
  const { label, unit, isKept } = promise;
  const colors = {
    ...{ Before: theme.sand.get(), Agreed: theme.trail.get() },
    Found: isKept ? theme.ink.get() : theme.clay.get(),
  };
  return (
    <Column gap="$1" role="group" aria-label={label}>
      <Row justifyContent="space-between" alignItems="baseline" gap="$3">
        <Body small strong>
          {label}
        </Body>
        <Body tiny quiet>
          {unit}
        </Body>
      </Row>
      {kit.promiseLines(promise).map(({ of, said, share }) => (
        <Row key={of} gap="$2" alignItems="center">
          <Body small quiet width={64}>
            {of}
          </Body>
          <div style={{ flex: 1 }} aria-hidden>
            <div
              style={{
                ...{ width: `${share * 100}%`, height: 12, borderRadius: 6 },
                background: colors[of],
              }}
            />
          </div>
          <Figure small width={64} textAlign="right">
            {said}
          </Figure>
        </Row>
      ))}
      <Body small quiet={isKept} eyes={!isKept}>
        {kit.sayKept(promise)}
      </Body>
    </Column>
  );
}
