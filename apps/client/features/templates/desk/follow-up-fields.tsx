import { TemplatesAnswer } from '@ant-trail/contract/templates';
import type { FollowUp, TemplateBody } from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Tick } from '@/design/tick.tsx';
import { useOffice } from '@/device/office.ts';
import { FindTemplate } from '@/features/planning/desk/find-template.tsx';
import { NumberField } from './number-field.tsx';

export interface FollowUpFieldsProps {
  readonly body: TemplateBody;
  readonly onChange: (body: TemplateBody) => void;
}

const FIRST: FollowUp = {
  ...{ days: 7, title: '', template: null, when: 'always', person: 'the same' },
};

/** The job that follows one whose sheet is approved, counted from the day it was really finished. */
export function FollowUpFields({ body, onChange }: FollowUpFieldsProps) {
  const templates =
    useOffice(TemplatesAnswer, '/api/templates', ['template']).answer?.templates ?? [];
  const { followUp } = body;
  const change = (part: Partial<FollowUp>): void =>
    onChange({ ...body, followUp: { ...FIRST, ...followUp, ...part } });
  const toggle = (): void => {
    const { followUp: was, ...rest } = body;
    onChange(was ? rest : { ...rest, followUp: FIRST });
  };
  return (
    <Column gap="$3">
      <Tick
        label="Followed by another job, once approved"
        on={followUp !== undefined}
        onPress={toggle}
      />
      {followUp ? (
        <>
          <Row>
            <NumberField
              label="So many days after it was finished"
              value={followUp.days}
              onChange={(days) => change({ days: days ?? FIRST.days })}
            />
          </Row>
          <Input
            label="What the next job is called"
            value={followUp.title}
            onChange={(title) => change({ title })}
            help="Left empty, as its sheet."
          />
          <FindTemplate
            label="Its sheet"
            empty="The same"
            templates={templates}
            chosen={followUp.template}
            onChoose={(template) => change({ template })}
          />
          <Pick
            label="When"
            value={followUp.when}
            onChange={(when) => change({ when: when === 'amiss' ? 'amiss' : 'always' })}
            options={[
              { value: 'always', label: 'always' },
              { value: 'amiss', label: 'only where a fault was found' },
            ]}
          />
          <Pick
            label="Who does it"
            value={followUp.person}
            onChange={(who) => change({ person: who === 'nobody yet' ? 'nobody yet' : 'the same' })}
            options={[
              { value: 'the same', label: 'whoever did this one' },
              { value: 'nobody yet', label: 'nobody yet' },
            ]}
          />
        </>
      ) : null}
    </Column>
  );
}
