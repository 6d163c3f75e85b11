import type { PublishedTemplate } from '@ant-trail/contract/templates';
import type { FollowUp } from '@ant-trail/core/sheet';
import { Row } from '@/design/box.tsx';
import { Input } from '@/design/input.tsx';
import { NumberField } from '@/design/number-field.tsx';
import { Pick } from '@/design/pick.tsx';
import { FindTemplate } from './find-template.tsx';
import { FIRST_RULE } from './first-rule.ts';

export interface RuleFieldsProps {
  readonly rule: FollowUp;
  readonly templates: readonly PublishedTemplate[];
  readonly onChange: (rule: FollowUp) => void;
}

/** The job that follows: when, what, and by whom. */
export function RuleFields({ rule, templates, onChange }: RuleFieldsProps) {
  const change = (part: Partial<FollowUp>): void => onChange({ ...rule, ...part });
  return (
    <>
      <Row>
        <NumberField
          label="So many days after it was finished"
          value={rule.days}
          onChange={(days) => change({ days: days ?? FIRST_RULE.days })}
        />
      </Row>
      <Input
        label="What the next job is called"
        value={rule.title}
        onChange={(title) => change({ title })}
        help="Left empty, as its sheet."
      />
      <FindTemplate
        label="Its sheet"
        empty="The same"
        templates={templates}
        chosen={rule.template}
        onChoose={(template) => change({ template })}
      />
      <Pick
        label="When"
        value={rule.when}
        onChange={(when) => change({ when: when === 'amiss' ? 'amiss' : 'always' })}
        options={[
          { value: 'always', label: 'always' },
          { value: 'amiss', label: 'only where a fault was found' },
        ]}
      />
      <Pick
        label="Who does it"
        value={rule.person}
        onChange={(who) => change({ person: who === 'nobody yet' ? 'nobody yet' : 'the same' })}
        options={[
          { value: 'the same', label: 'whoever did this one' },
          { value: 'nobody yet', label: 'nobody yet' },
        ]}
      />
    </>
  );
}
