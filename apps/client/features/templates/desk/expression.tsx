import { rulesOf, type Question, type TemplateBody } from '@ant-trail/core/sheet';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { offersFor, readable } from './expression-offers.ts';

export interface ExpressionProps {
  readonly label: string;
  readonly body: TemplateBody;
  /** The question it belongs to, which it can't read itself; none for a section's. */
  readonly question?: Question;
  readonly value: string | undefined;
  readonly onChange: (value: string | undefined) => void;
  /** Offers to put a condition together by picking. */
  readonly compose?: boolean;
}

// Only where rules are written.
const ExpressionBox = lazy(async () => {
  const { ExpressionBox: Loaded } = await import('./expression-box.tsx');
  return { default: Loaded };
});

/** An expression: written with what fits offered in place, or put together by picking. */
export function Expression({ label, body, question, value, onChange, compose }: ExpressionProps) {
  const [composing, setComposing] = useState(false);
  const text = value ?? '';
  const offers = useMemo(() => offersFor(body, question), [body, question]);
  return (
    <Column gap="$1">
      <Row gap="$2" alignItems="flex-end">
        <Column flex={1} minWidth={0} gap="$1">
          <Body small strong aria-hidden>
            {label}
          </Body>
          <Suspense
            fallback={
              <Input
                hideLabel
                label={label}
                value={text}
                onChange={(to) => onChange(to || undefined)}
              />
            }
          >
            <ExpressionBox
              label={label}
              value={text}
              offers={offers}
              onChange={(to) => onChange(to || undefined)}
            />
          </Suspense>
        </Column>
        {compose ? (
          <Button
            dense
            onPress={() => setComposing(!composing)}
            label={`Pick: ${label}, put together`}
          >
            Pick
          </Button>
        ) : null}
      </Row>
      {composing ? (
        <Composer
          others={readable(body, question)}
          onTake={(condition) => {
            onChange(text.trim() && text !== 'false' ? `${text} && ${condition}` : condition);
            setComposing(false);
          }}
        />
      ) : null}
    </Column>
  );
}

const COMPARISONS: Readonly<Record<string, string>> = {
  '==': 'is',
  '!=': 'is not',
  '>': 'is more than',
  '<': 'is less than',
  given: 'is answered',
};

interface ComposerProps {
  readonly others: readonly Question[];
  readonly onTake: (condition: string) => void;
}

/** A simple condition from three picks: which question, compared how, with what. */
function Composer({ others, onTake }: ComposerProps) {
  const [key, setKey] = useState(others[0]?.key ?? '');
  const [comparison, setComparison] = useState('==');
  const [value, setValue] = useState('');
  const of = others.find((each) => each.key === key);
  const answers = of && rulesOf(of).offers?.(of);
  const isNumber = of !== undefined && ['double', 'dyn'].includes(rulesOf(of).celType ?? '');
  const offered = Object.entries(COMPARISONS).filter(
    ([sign]) => isNumber || (sign !== '>' && sign !== '<'),
  );
  const chosen = answers && !value ? (answers[0]?.value ?? '') : value;
  const take = (): void => {
    if (!of) return;
    if (comparison === 'given') onTake(`has(given.${key})`);
    else if (of.kind === 'choices')
      onTake(`${comparison === '!=' ? '!' : ''}("${chosen}" in ${key})`);
    else if (of.kind === 'acknowledge') onTake(key);
    else if (isNumber) onTake(`${key} ${comparison} ${Number(chosen.replace(',', '.')) || 0}`);
    else onTake(`${key} ${comparison} ${JSON.stringify(chosen)}`);
  };
  if (others.length === 0)
    return (
      <Body small quiet>
        There is no other question to look at yet.
      </Body>
    );
  return (
    <Column gap="$2" padding="$2" backgroundColor="$lakeGround" role="group" aria-label="Condition">
      <Pick
        label="Question"
        value={key}
        onChange={setKey}
        options={others.map((each) => ({ value: each.key, label: each.label }))}
      />
      <Row gap="$2" alignItems="flex-end" flexWrap="wrap">
        <Pick
          label="Compared"
          value={comparison}
          onChange={setComparison}
          options={offered.map(([sign, label]) => ({ value: sign, label }))}
        />
        {comparison === 'given' ? null : answers ? (
          <Pick label="With" value={chosen} onChange={setValue} options={answers} />
        ) : (
          <Column flex={1} minWidth={90}>
            <Input label="With" value={value} onChange={setValue} onEnter={take} />
          </Column>
        )}
        <Button dense main onPress={take}>
          Take this condition
        </Button>
      </Row>
    </Column>
  );
}
