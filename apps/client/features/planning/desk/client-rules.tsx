import { ClientRules, type ClientRule } from '@ant-trail/contract/planning/desk';
import type { Client } from '@ant-trail/contract/sites';
import { TemplatesAnswer, type PublishedTemplate } from '@ant-trail/contract/templates';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { FindTemplate } from './find-template.tsx';
import { FIRST_RULE } from './first-rule.ts';
import { RuleFields } from './rule-later.tsx';

interface ClientRulesProps {
  readonly client: Client;
  readonly mayKeep: boolean;
}

/** The way to what follows the work for a client. */
export function ClientRulesButton(props: ClientRulesProps) {
  const [opened, setOpened] = useState(false);
  return (
    <>
      <Button dense onPress={() => setOpened(true)}>
        What follows its work
      </Button>
      {opened ? <RulesDialog {...props} onClose={() => setOpened(false)} /> : null}
    </>
  );
}

/** A client's own rules, above those of the templates. */
function RulesDialog({ client, mayKeep, onClose }: ClientRulesProps & { onClose: () => void }) {
  const path = `/api/clients/${client.id}/rules`;
  const { answer, problem: unread } = useOffice(ClientRules, path, ['client']);
  const templates =
    useOffice(TemplatesAnswer, '/api/templates', ['template']).answer?.templates ?? [];
  const [changed, setChanged] = useState<readonly ClientRule[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const rules = changed ?? answer?.rules ?? [];
  const free = templates.filter(
    ({ template }) => !rules.some((rule) => rule.template === template),
  );
  const change = (rule: ClientRule): void =>
    setChanged(rules.map((each) => (each.template === rule.template ? rule : each)));
  const save = async (): Promise<void> => {
    try {
      await ask(ClientRules, 'PUT', path, { rules });
      onClose();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const said = problem ?? unread;
  return (
    <Dialog
      title={`What follows the work for ${client.name}`}
      onClose={onClose}
      easy={changed === null}
    >
      <Column gap="$4">
        <Body small quiet>
          {rules.length === 0
            ? 'What follows a sheet is as its template says. A rule here stands above it.'
            : 'These stand above what the templates say.'}
        </Body>
        {rules.map((rule) => (
          <OneRule
            key={rule.template}
            {...{ rule, templates, mayKeep }}
            onChange={change}
            onDrop={() => setChanged(rules.filter((each) => each !== rule))}
          />
        ))}
        {mayKeep && answer ? (
          <FindTemplate
            label="A rule for another sheet"
            empty="Choose the sheet"
            templates={free}
            chosen={null}
            onChoose={(template) =>
              template ? setChanged([...rules, { template, followUp: FIRST_RULE }]) : undefined
            }
          />
        ) : null}
        {said ? (
          <Notice tone="eyes" alert>
            {said}
          </Notice>
        ) : null}
        {mayKeep && changed ? (
          <Button main onPress={save}>
            Keep these rules
          </Button>
        ) : null}
      </Column>
    </Dialog>
  );
}

interface OneRuleProps {
  readonly rule: ClientRule;
  readonly templates: readonly PublishedTemplate[];
  readonly mayKeep: boolean;
  readonly onChange: (rule: ClientRule) => void;
  readonly onDrop: () => void;
}

function OneRule({ rule, templates, mayKeep, onChange, onDrop }: OneRuleProps) {
  const { template, followUp } = rule;
  const title = templates.find((each) => each.template === template)?.body.title ?? 'a sheet';
  return (
    <Column gap="$2" role="group" aria-label={`After “${title}”`}>
      <Row justifyContent="space-between" alignItems="center" gap="$2">
        <Body strong>After “{title}”</Body>
        {mayKeep ? (
          <Button dense plain label={`Take off the rule after “${title}”`} onPress={onDrop}>
            Take off
          </Button>
        ) : null}
      </Row>
      {mayKeep ? (
        <Segments
          label="What comes"
          chosen={[followUp ? 'job' : 'nothing']}
          options={[
            { value: 'job', label: 'Another job' },
            { value: 'nothing', label: 'Nothing' },
          ]}
          onPress={(what) =>
            onChange({ template, followUp: what === 'job' ? (followUp ?? FIRST_RULE) : null })
          }
        />
      ) : null}
      {followUp && mayKeep ? (
        <RuleFields
          rule={followUp}
          templates={templates}
          onChange={(next) => onChange({ template, followUp: next })}
        />
      ) : (
        <Body small>{followUp ? sayRule(followUp.days) : 'Nothing follows.'}</Body>
      )}
    </Column>
  );
}

const sayRule = (days: number): string =>
  days === 1 ? 'Another job, a day later.' : `Another job, ${days} days later.`;
