import { TemplatesAnswer } from '@ant-trail/contract/templates';
import type { TemplateBody } from '@ant-trail/core/sheet';
import { Column } from '@/design/box.tsx';
import { Tick } from '@/design/tick.tsx';
import { useOffice } from '@/device/office.ts';
import { FIRST_RULE } from '@/features/planning/desk/first-rule.ts';
import { OnlyFields } from './only-fields.tsx';
import { RuleFields } from '@/features/planning/desk/rule-later.tsx';

export interface FollowUpFieldsProps {
  readonly body: TemplateBody;
  readonly onChange: (body: TemplateBody) => void;
}

/** The job that follows one whose sheet is approved, counted from the day it was really finished. */
export function FollowUpFields({ body, onChange }: FollowUpFieldsProps) {
  const templates =
    useOffice(TemplatesAnswer, '/api/templates', ['template']).answer?.templates ?? [];
  const { followUp } = body;
  const toggle = (): void => {
    const { followUp: was, ...rest } = body;
    onChange(was ? rest : { ...rest, followUp: FIRST_RULE });
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
          <RuleFields
            rule={followUp}
            templates={templates}
            onChange={(rule) => onChange({ ...body, followUp: { ...followUp, ...rule } })}
          />
          <OnlyFields body={body} rule={followUp} onChange={onChange} />
        </>
      ) : null}
    </Column>
  );
}
