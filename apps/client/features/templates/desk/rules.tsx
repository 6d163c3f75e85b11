import {
  SEVERITIES,
  severityWord,
  type Check,
  type FindingRule,
  type Message,
  type Question,
  type Severity,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import type { ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { Expression } from './expression.tsx';
import type { Patch } from './patch.ts';

export interface RulesProps {
  readonly body: TemplateBody;
  readonly question: Question;
  readonly set: (patch: Patch) => void;
}

/** What else is found here, what has to hold, and what is said. */
export function Rules({ body, question, set }: RulesProps) {
  const keep =
    (field: 'findings' | 'checks' | 'messages') =>
    (rules: readonly unknown[]): void =>
      set({ [field]: rules.length > 0 ? rules : undefined });
  const on = { body, question };
  return (
    <Column gap="$3">
      <Heading>Rules</Heading>
      <Body small quiet>
        While an answer that a rule reads is missing, the rule says nothing: nothing is asked, found
        or shown because of it. “a || b” is yes as soon as one of the two is, “a && b” is no as soon
        as one is. given.x tells whether x is answered.
      </Body>
      <RuleList<FindingRule>
        {...on}
        name="finding rule"
        rules={question.findings ?? []}
        fresh={{ when: 'false', severity: 2, words: 'Something is amiss' }}
        onChange={keep('findings')}
        reads={(rule) => ({ label: 'Finding when', source: rule.when })}
        writes={(rule, when) => ({ ...rule, when })}
        wordsLabel="What is found"
        more={(rule, change) => (
          <>
            <Pick
              label="How bad it is"
              value={String(rule.severity)}
              options={SEVERITIES.slice(1).map((each) => ({
                value: String(each),
                label: severityWord(each),
              }))}
              onChange={(value) => change({ ...rule, severity: Number(value) as Severity })}
            />
            <Input
              label="Corrective action for it"
              value={rule.action ?? ''}
              onChange={(action) => {
                const { severity, when, words } = rule;
                change({ severity, when, words, ...(action ? { action } : {}) });
              }}
            />
          </>
        )}
      />
      <RuleList<Check>
        {...on}
        name="check"
        rules={question.checks ?? []}
        fresh={{ must: 'true', words: 'this can’t be right' }}
        onChange={keep('checks')}
        reads={(check) => ({ label: 'Must hold', source: check.must })}
        writes={(check, must) => ({ ...check, must })}
        wordsLabel="What it says when it does not hold"
      />
      <RuleList<Message>
        {...on}
        name="message"
        rules={question.messages ?? []}
        fresh={{ when: 'false', words: 'Take care.' }}
        onChange={keep('messages')}
        reads={(message) => ({ label: 'Message when', source: message.when })}
        writes={(message, when) => ({ ...message, when })}
        wordsLabel="What it says"
      />
    </Column>
  );
}

interface RuleListProps<Rule> {
  readonly body: TemplateBody;
  readonly question: Question;
  readonly name: string;
  readonly rules: readonly Rule[];
  readonly fresh: Rule;
  readonly onChange: (rules: readonly Rule[]) => void;
  readonly reads: (rule: Rule) => { readonly label: string; readonly source: string };
  readonly writes: (rule: Rule, source: string) => Rule;
  readonly wordsLabel: string;
  readonly more?: (rule: Rule, change: (rule: Rule) => void) => ReactNode;
}

/** Rules of one sort: each with its expression and its words. */
function RuleList<Rule extends { readonly words: string }>(props: RuleListProps<Rule>) {
  const { body, question, name, rules, fresh, onChange, reads, writes, wordsLabel, more } = props;
  return (
    <>
      {rules.map((rule, index) => {
        const change = (next: Rule): void =>
          onChange(rules.map((each, at) => (at === index ? next : each)));
        const { label, source } = reads(rule);
        return (
          <Column key={index} gap="$2" borderLeftWidth={3} borderColor="$trail" paddingLeft="$3">
            <Expression
              label={label}
              body={body}
              question={question}
              value={source}
              onChange={(next) => change(writes(rule, next ?? ''))}
              compose
            />
            <Input
              label={wordsLabel}
              value={rule.words}
              onChange={(words) => change({ ...rule, words })}
            />
            {more?.(rule, change)}
            <Row>
              <Button
                dense
                plain
                label={`Remove the ${name} “${rule.words}”`}
                onPress={() => onChange(rules.filter((_, at) => at !== index))}
              >
                Remove
              </Button>
            </Row>
          </Column>
        );
      })}
      <Row>
        <Button dense onPress={() => onChange([...rules, fresh])}>
          Add a {name}
        </Button>
      </Row>
    </>
  );
}
