import type { AssetKind } from '@ant-trail/contract/register';
import type { Story } from '@ant-trail/contract/story';
import { ACTION_STATE_RULES, isActionSettled } from '@ant-trail/core/actions';
import { sayFact } from '@ant-trail/core/fields';
import { sameKind } from '@ant-trail/core/register';
import type { ReactNode } from 'react';
import { Column, Row, Rule, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayDatedDay, sayNearDay } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { useNow } from '@/device/use-now.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { DocumentsPanel } from '@/features/documents/desk/documents-panel.tsx';
import { useMe } from '@/features/accounts/session.ts';

export interface FactsPaneProps {
  readonly story: Story;
  readonly kinds: readonly AssetKind[];
  /** Stands beside the story, not below it. */
  readonly aside: boolean;
  readonly children?: ReactNode;
}

interface Known {
  readonly key: string;
  readonly label: string;
  readonly said: string;
  /** Who wrote it down at the thing; the office where nobody did. */
  readonly from: string | null;
}

/** What the office knows of a thing, then what was written down at it last, each fact once. */
function knownOf({ asset, sheets }: Story, kinds: readonly AssetKind[]): Known[] {
  const fields = kinds.find(({ name }) => sameKind(name, asset.kind))?.fields ?? [];
  const known: Known[] = fields.flatMap((field) => {
    const said = sayFact(field, asset.facts, sayDatedDay);
    return said ? [{ key: field.label.toLowerCase(), label: field.label, said, from: null }] : [];
  });
  const there = new Set(known.map(({ key }) => key));
  for (const { facts, day } of sheets)
    for (const { label, said, day: isDay } of facts) {
      const key = label.toLowerCase();
      if (there.has(key)) continue;
      there.add(key);
      known.push({ key, label, said: isDay ? sayDatedDay(said) : said, from: day });
    }
  return known;
}

/** What is known of a thing, and what is due at it. */
export function FactsPane({ story, kinds, aside, children }: FactsPaneProps) {
  const { organisation } = useMe();
  const { day: today } = useNow(organisation.timeZone);
  const people = usePeople();
  const known = knownOf(story, kinds);
  const due = story.actions.filter(({ state }) => !isActionSettled(state));
  return (
    <Scroll
      render="aside"
      aria-label="Known facts"
      flex={0}
      {...(aside ? { width: 300, flexShrink: 0, borderLeftWidth: 1 } : { flexBasis: 'auto' })}
      borderColor="$rule"
      backgroundColor="$sheet"
    >
      <Column padding="$4" gap="$3">
        <Heading>Known facts</Heading>
        {known.length === 0 ? <Body quiet>Nothing but its name yet.</Body> : null}
        {known.map(({ key, label, said, from }) => (
          <Column key={key} gap="$1">
            <Row justifyContent="space-between" gap="$3" alignItems="flex-start">
              <Body small quiet>
                {label}
              </Body>
              <Body small strong textAlign="right" flexShrink={1}>
                {said}
              </Body>
            </Row>
            {from ? (
              <Body tiny quiet textAlign="right">
                written down {sayNearDay(from, today)}
              </Body>
            ) : null}
            <Rule />
          </Column>
        ))}
        {children}
        <Dots />
        <DocumentsPanel link={{ to: 'asset', ref: story.asset.id }} name={story.asset.name} />
        <Dots />
        <Heading>What is due</Heading>
        {due.length === 0 ? <Body quiet>No action is open here.</Body> : null}
        {due.map((action) => (
          <Row key={action.id} gap="$2" alignItems="flex-start">
            <Mark name={ACTION_STATE_RULES[action.state].mark} size={16} silent />
            <Column flex={1}>
              <Body small strong>
                {action.title}
              </Body>
              <Body small eyes={action.dueOn < today} quiet={action.dueOn >= today}>
                {people.name(action.owner)}, by {sayNearDay(action.dueOn, today)}
                {action.dueOn < today ? ': overdue' : ''}
              </Body>
            </Column>
          </Row>
        ))}
      </Column>
    </Scroll>
  );
}

/** What can be done with a thing, below what is known of it. */
export const FactsActions = ({
  acts,
}: {
  acts: readonly { readonly words: string; readonly onPress: () => void }[];
}) => (
  <Row gap="$2" flexWrap="wrap">
    {acts.map(({ words, onPress }) => (
      <Button key={words} dense onPress={onPress}>
        {words}
      </Button>
    ))}
  </Row>
);
