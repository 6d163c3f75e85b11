import type { RowsQuestion } from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Input } from '@/design/input.tsx';
import { Tick } from '@/design/tick.tsx';
import { NumberField } from '@/design/number-field.tsx';
import type { KindFieldsProps } from './props.ts';

export const RowsFields = ({ question, set }: KindFieldsProps<RowsQuestion>) => (
  <Column gap="$2">
    <Input label="One of them is called" value={question.each} onChange={(each) => set({ each })} />
    <Input
      label="Things of the register, of the kind"
      help="Rows come from the register then, and what is found on site goes into it."
      value={question.of ?? ''}
      onChange={(of) => set({ of: of.trim() === '' ? undefined : of })}
    />
    <Input
      label="There from the start, one per line"
      lines={3}
      value={(question.starts ?? []).join('\n')}
      onChange={(text) => set({ starts: text === '' ? undefined : text.split('\n') })}
      onLeave={() => {
        const starts = (question.starts ?? []).filter((line) => line.trim() !== '');
        set({ starts: starts.length > 0 ? starts : undefined });
      }}
    />
    <Tick
      label="People may not add or remove rows"
      on={question.fixed === true}
      onPress={() => set({ fixed: question.fixed ? undefined : true })}
    />
    {question.fixed ? null : (
      <Row gap="$2">
        <NumberField label="At least" value={question.least} onChange={(least) => set({ least })} />
        <NumberField label="At most" value={question.most} onChange={(most) => set({ most })} />
      </Row>
    )}
  </Column>
);
