import { useTheme } from '@tamagui/core';
import { answersOf } from '@ant-trail/core/sheet';
import type { Promised } from '@ant-trail/core/trades/energy';
import { useMemo } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import type { KitPartProps } from '../part.ts';
import { useKit } from './use-energy.ts';

/** What was agreed beside what is found: how it was, how it should be, how it is. */
export default function WhatCameOfIt({ state }: KitPartProps) {
  const kit = useKit();
  const promises = useMemo(() => kit?.promisesOf(answersOf(state)) ?? [], [kit, state]);
  if (promises.length === 0)
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
        <Side key={promise.label} promise={promise} />
      ))}
    </Column>
  );
}

function Side({ promise }: { readonly promise: Promised }) {
  const theme = useTheme();
  const { label, unit, decimals, before, agreed, found, isKept } = promise;
  const most = Math.max(before ?? 0, agreed, found);
  const lines = [
    ...(before === null ? [] : [['Before', before, theme.sand.get()] as const]),
    ['Agreed', agreed, theme.trail.get()] as const,
    ['Found', found, isKept ? theme.ink.get() : theme.clay.get()] as const,
  ];
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
      {lines.map(([name, value, color]) => (
        <Row key={name} gap="$2" alignItems="center">
          <Body small quiet width={64}>
            {name}
          </Body>
          <div style={{ flex: 1 }} aria-hidden>
            <div
              style={{
                width: `${most > 0 ? (value / most) * 100 : 0}%`,
                height: 12,
                borderRadius: 6,
                background: color,
              }}
            />
          </div>
          <Figure small width={64} textAlign="right">
            {value.toLocaleString('en', {
              minimumFractionDigits: decimals,
              maximumFractionDigits: decimals,
            })}
          </Figure>
        </Row>
      ))}
      <Body small quiet={isKept} eyes={!isKept}>
        {isKept
          ? 'It is as agreed, within a tenth.'
          : 'More than a tenth above what was agreed: find out why.'}
      </Body>
    </Column>
  );
}
