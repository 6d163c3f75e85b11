import type { FieldFilter } from '@ant-trail/contract/fields';
import { writeUnit } from '@ant-trail/core/measure';
import type { SoughtField } from '@ant-trail/core/fields';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FindAmong } from '@/design/find-among.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { DayField } from '@/design/when.tsx';

export interface ConditionsProps {
  readonly fields: readonly SoughtField[];
  readonly where: readonly FieldFilter[];
  readonly onChange: (where: readonly FieldFilter[]) => void;
  /** What is asked, as “Only where a question says”. */
  readonly label: string;
  readonly empty: string;
  /** Whether something said can be amiss. */
  readonly judged?: boolean;
}

const MOST = 8;

/** What all that is shown has in common, by what it says under any field. */
export function Conditions(props: ConditionsProps) {
  const { fields, where, onChange, judged = false } = props;
  const [key, setKey] = useState<string | null>(null);
  const field = fields.find((each) => each.key === key);
  const add = (filter: FieldFilter): void => {
    onChange([...where, filter]);
    setKey(null);
  };
  return (
    <Column gap="$3" flexBasis="100%">
      {where.length > 0 ? (
        <Row gap="$2" flexWrap="wrap" role="list" aria-label="Conditions">
          {where.map((filter, index) => (
            <Row key={index} role="listitem">
              <Button
                dense
                label={`No longer: ${sayFilter(filter, fields)}`}
                onPress={() => onChange(where.filter((_, at) => at !== index))}
              >
                {sayFilter(filter, fields)} ×
              </Button>
            </Row>
          ))}
        </Row>
      ) : null}
      {where.length < MOST ? (
        <Row gap="$3" flexWrap="wrap" alignItems="flex-end">
          <Column width={300} maxWidth="100%">
            {/* Begun anew once a condition is added: what was chosen stands above by then. */}
            <FindAmong
              key={where.length}
              label={props.label}
              empty={props.empty}
              chosen={key}
              onChoose={setKey}
              options={fields.map(({ key: value, label }) => ({ value, label }))}
            />
          </Column>
          {field ? <NewCondition key={field.key} {...{ field, judged }} onAdd={add} /> : null}
        </Row>
      ) : null}
    </Column>
  );
}

interface NewConditionProps {
  readonly field: SoughtField;
  readonly judged: boolean;
  readonly onAdd: (filter: FieldFilter) => void;
}

const numberIn = (text: string): number | null => {
  const number = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(number) ? null : number;
};

function NewCondition({ field, judged, onAdd }: NewConditionProps) {
  const { key, kind, options } = field;
  const [one, setOne] = useState(options[0]?.value ?? '');
  const [other, setOther] = useState('');
  const unit = field.unit === null ? '' : writeUnit(field.unit);
  const made = ((): FieldFilter | null => {
    if (kind === 'one of') return one ? [key, 'is', one] : null;
    if (kind === 'words') return one.trim() ? [key, 'has', one.trim()] : null;
    if (kind === 'day') return one || other ? [key, 'days', one || null, other || null] : null;
    const [low, high] = [numberIn(one), numberIn(other)];
    return low === null && high === null ? null : [key, 'from', low, high];
  })();
  return (
    <>
      {kind === 'one of' ? (
        <Pick label="Is" value={one} onChange={setOne} options={options} />
      ) : null}
      {kind === 'words' ? <Input label="Has the words" value={one} onChange={setOne} /> : null}
      {kind === 'day' ? (
        <>
          <DayField label="First day" value={one} onChange={setOne} />
          <DayField label="Last day" value={other} onChange={setOther} />
        </>
      ) : null}
      {kind === 'number' ? (
        <>
          <Input
            label={['From', unit].filter(Boolean).join(', ')}
            kind="decimal"
            value={one}
            onChange={setOne}
          />
          <Input
            label={['To', unit].filter(Boolean).join(', ')}
            kind="decimal"
            value={other}
            onChange={setOther}
          />
        </>
      ) : null}
      <Button dense main disabled={made === null} onPress={() => (made ? onAdd(made) : undefined)}>
        Narrow
      </Button>
      {judged ? (
        <Button dense onPress={() => onAdd([key, 'bad'])}>
          Only what is amiss
        </Button>
      ) : null}
      {made === null && kind === 'number' ? (
        <Body small quiet>
          One of the two is enough.
        </Body>
      ) : null}
    </>
  );
}

/** A condition in words, as “Gearbox from 60 °C”. */
function sayFilter(filter: FieldFilter, fields: readonly SoughtField[]): string {
  const field = fields.find(({ key }) => key === filter[0]);
  const label = field?.label ?? filter[0];
  const unit = field?.unit ? writeUnit(field.unit) : '';
  switch (filter[1]) {
    case 'is':
      return `${label}: ${field?.options.find(({ value }) => value === filter[2])?.label ?? filter[2]}`;
    case 'has':
      return `${label} has “${filter[2]}”`;
    case 'bad':
      return `${label} is amiss`;
    case 'from':
    case 'days': {
      const say = (end: string | number | null): string =>
        typeof end === 'string' ? sayDatedDay(end) : `${end} ${unit}`.trim();
      const [, , low, high] = filter;
      return [label, low === null ? '' : `from ${say(low)}`, high === null ? '' : `to ${say(high)}`]
        .filter(Boolean)
        .join(' ');
    }
  }
}
