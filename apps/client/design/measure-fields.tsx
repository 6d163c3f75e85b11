import { useState } from 'react';
import { Column, Row } from './box.tsx';
import { Button } from './button.tsx';
import { Input } from './input.tsx';
import { Body } from './text.tsx';

export interface Measured {
  readonly what: string;
  readonly count: number;
}

export interface MeasureFieldsProps {
  readonly label: string;
  /** What its number is called. */
  readonly number: string;
  readonly rows: readonly Measured[];
  readonly mayAdd: boolean;
  readonly onChange: (rows: readonly Measured[]) => void;
}

/** Lines nobody wrote anything into. */
const isWritten = ({ what, count }: Measured): boolean => what.trim() !== '' || count !== 0;

/** How much of what, in several measures at once: kilograms, boxes. */
export function MeasureFields({
  label,
  number,
  rows: known,
  mayAdd,
  onChange,
}: MeasureFieldsProps) {
  // A line that was begun is nobody else’s matter before something stands in it.
  const [rows, setRows] = useState(known);
  const keep = (next: readonly Measured[]): void => {
    setRows(next);
    onChange(next.filter(isWritten));
  };
  const put = (index: number, next: Partial<Measured>): void =>
    keep(rows.map((each, at) => (at === index ? { ...each, ...next } : each)));
  return (
    <Column gap="$2" role="group" aria-label={label}>
      {rows.length > 0 ? (
        <Body small strong>
          {label}
        </Body>
      ) : null}
      {rows.map(({ what, count }, index) => (
        <Row key={index} gap="$2" flexWrap="wrap" alignItems="flex-end">
          <Column flex={1} minWidth={160}>
            <Input
              label={`Counted in ${index + 1}, such as kilograms`}
              value={what}
              onChange={(text) => put(index, { what: text })}
              problem={what.trim() || count === 0 ? undefined : 'Say what is counted.'}
            />
          </Column>
          <Input
            label={`${number} ${index + 1}`}
            kind="decimal"
            value={Number.isFinite(count) ? String(count) : ''}
            onChange={(text) => put(index, { count: Number.parseFloat(text.replace(',', '.')) })}
            problem={Number.isFinite(count) ? undefined : 'A number.'}
          />
          <Button
            dense
            plain
            label={`Remove ${what.trim() || `what is counted ${index + 1}`}`}
            onPress={() => keep(rows.filter((_, at) => at !== index))}
          >
            Remove
          </Button>
        </Row>
      ))}
      {mayAdd ? (
        <Row>
          <Button dense onPress={() => keep([...rows, { what: '', count: 0 }])}>
            {rows.length === 0 ? label : 'Something else is counted, too'}
          </Button>
        </Row>
      ) : null}
    </Column>
  );
}
