import type { SiteDraft } from '@ant-trail/contract/sites';
import { useController, type Control } from 'react-hook-form';
import type { z } from 'zod';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { DayField } from '@/design/when.tsx';

/** The form of a place, as its fields know it. */
export type SiteForm = Control<z.input<typeof SiteDraft>, unknown, SiteDraft>;

export interface HazardFieldsProps {
  readonly control: SiteForm;
  readonly problem: string | undefined;
}

/** What is dangerous at a place, each with the last day it is so, where it ends. */
export function HazardFields({ control, problem }: HazardFieldsProps) {
  const { field } = useController({ control, name: 'hazards' });
  const { field: kept } = useController({ control, name: 'hazardEnds' });
  const ends = kept.value ?? [];
  const write = (index: number, words: string): void => {
    const before = field.value[index];
    field.onChange(field.value.map((each, at) => (at === index ? words : each)));
    kept.onChange(ends.map((each) => (each.hazard === before ? { ...each, hazard: words } : each)));
  };
  const end = (hazard: string, until: string): void =>
    kept.onChange([
      ...ends.filter((each) => each.hazard !== hazard),
      ...(until ? [{ hazard, until }] : []),
    ]);
  const remove = (index: number): void => {
    kept.onChange(ends.filter(({ hazard }) => hazard !== field.value[index]));
    field.onChange(field.value.filter((_, at) => at !== index));
  };
  return (
    <Column gap="$2">
      <Body small strong>
        Hazards, seen before anyone sets out
      </Body>
      {field.value.map((hazard, index) => (
        <Row key={index} gap="$2" flexWrap="wrap" alignItems="flex-end">
          <Column flex={1} minWidth={200}>
            <Input
              label={`Hazard ${index + 1}`}
              value={hazard}
              onChange={(words) => write(index, words)}
            />
          </Column>
          <DayField
            label="Until, where it ends"
            value={ends.find((each) => each.hazard === hazard)?.until ?? ''}
            onChange={(until) => end(hazard, until)}
          />
          <Button dense plain label={`Remove hazard ${index + 1}`} onPress={() => remove(index)}>
            Remove
          </Button>
        </Row>
      ))}
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
      <Row>
        <Button dense onPress={() => field.onChange([...field.value, ''])}>
          Add a hazard
        </Button>
      </Row>
    </Column>
  );
}
