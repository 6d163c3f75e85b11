import { Column, Row } from '@/design/box.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import type { EnergyNow } from './use-energy.ts';

/** The summary gone through with the household: each measure, the fuels, and the money. */
export function WhatItComesTo({ now }: { readonly now: EnergyNow }) {
  const { kit, survey, rows } = now;
  const { savings, terms } = survey;
  const worth = kit.worthOf(savings, terms);
  const fuels = [...new Set([...savings.before.byFuel.keys(), ...savings.after.byFuel.keys()])];
  if (savings.each.length === 0)
    return <Body quiet>Nothing is taken up yet: the house stays as it is.</Body>;
  return (
    <Column gap="$3">
      <Column gap="$1">
        <Heading>What it comes to</Heading>
        {savings.each.map(({ measure, where, saved, cost, isDone }) => (
          <Row
            key={`${measure.code} ${JSON.stringify(where)}`}
            gap="$3"
            justifyContent="space-between"
          >
            <Column flex={1}>
              <Body small>{measure.label}</Body>
              <Body tiny quiet>
                {'part' in where ? `${rows[where.part]?.name ?? ''} · ` : ''}
                {isDone ? 'done today' : `costs ${kit.sayWhole(cost)}`}
              </Body>
            </Column>
            <Figure small>{kit.saySaved(saved)}</Figure>
          </Row>
        ))}
      </Column>
      <Facts
        facts={fuels.map((fuel) => [
          fuel,
          `${kit.sayWhole(savings.before.byFuel.get(fuel) ?? 0)} → ${kit.sayWhole(savings.after.byFuel.get(fuel) ?? 0)} kWh`,
        ])}
      />
      <Facts
        facts={[
          ['Cost', kit.sayWhole(worth.cost)],
          ['Given back', kit.sayWhole(worth.rebate)],
          ['Net', kit.sayWhole(worth.net)],
          ['Saved each year', kit.sayWhole(worth.yearly)],
          ['Paid back in', kit.sayYears(worth.payback)],
          [
            `Loan, ${terms.months} months at ${terms.interest} %`,
            `${worth.loan.toFixed(2)} a month`,
          ],
        ]}
      />
    </Column>
  );
}

function Facts({ facts }: { readonly facts: readonly (readonly [string, string])[] }) {
  return (
    <Column>
      {facts.map(([name, value]) => (
        <Row key={name} justifyContent="space-between" gap="$3">
          <Body small quiet>
            {name}
          </Body>
          <Figure small>{value}</Figure>
        </Row>
      ))}
    </Column>
  );
}
