import { CataloguesAnswer } from '@ant-trail/contract/catalogues';
import { INSTRUMENT_KINDS } from '@ant-trail/core/instruments';
import { unitsLike, writeUnit } from '@ant-trail/core/measure';
import {
  type LookupQuestion,
  type Part,
  type Question,
  type ReadingQuestion,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { freeKey } from '@ant-trail/core/logic';
import { Column, Row } from '@/design/box.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Tick } from '@/design/tick.tsx';
import { useOfficeHere } from '@/device/office-here.ts';
import { Expression } from './expression.tsx';
import { NumberField } from './number-field.tsx';
import { OptionsEditor } from './options-editor.tsx';
import type { Patch } from './question-editor.tsx';

export interface KindFieldsProps {
  readonly body: TemplateBody;
  readonly question: Question;
  readonly set: (patch: Patch) => void;
}

/** What a question of its kind has besides what all questions have. */
export function KindFields(props: KindFieldsProps) {
  const { body, question, set } = props;
  switch (question.kind) {
    case 'choice':
    case 'choices':
      return <OptionsEditor question={question} set={set} scored={body.score !== undefined} />;
    case 'yesNo':
    case 'performed':
      return body.score ? <PointsFields question={question} set={set} /> : null;
    case 'number':
    case 'instrument':
    case 'calculated':
      return <QuantityFields {...props} question={question} />;
    case 'percentage':
      return <RangeFields question={question} set={set} />;
    case 'shares':
      return (
        <PartsField
          label="Shares, one per line"
          parts={question.parts}
          onChange={(parts) => set({ parts })}
        />
      );
    case 'sketch':
      return (
        <PartsField
          label="Signs to draw with, one per line"
          parts={question.symbols ?? []}
          onChange={(symbols) => set({ symbols: symbols.length > 0 ? symbols : undefined })}
        />
      );
    case 'lookup':
      return <CatalogueFields question={question} set={set} />;
    case 'video':
    case 'voice':
      return (
        <NumberField
          label="Longest, in seconds"
          value={question.longest}
          onChange={(longest) => set({ longest })}
        />
      );
    case 'hold':
      return (
        <Tick
          label="Somebody from outside may pass it, by signature alone"
          on={question.outside === true}
          onPress={() => set({ outside: question.outside ? undefined : true })}
        />
      );
    case 'rows':
      return (
        <Column gap="$2">
          <Input
            label="One of them is called"
            value={question.each}
            onChange={(each) => set({ each })}
          />
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
              <NumberField
                label="At least"
                value={question.least}
                onChange={(least) => set({ least })}
              />
              <NumberField
                label="At most"
                value={question.most}
                onChange={(most) => set({ most })}
              />
            </Row>
          )}
        </Column>
      );
    default:
      return null;
  }
}

interface PartsFieldProps {
  readonly label: string;
  readonly parts: readonly Part[];
  readonly onChange: (parts: readonly Part[]) => void;
}

/** Named parts as lines of text; a line keeps its key while it is reworded. */
function PartsField({ label, parts, onChange }: PartsFieldProps) {
  return (
    <Input
      label={label}
      lines={4}
      value={parts.map((part) => part.label).join('\n')}
      onChange={(text) => {
        const taken = new Set<string>();
        onChange(
          text.split('\n').map((line, index) => {
            const key = parts[index]?.key ?? freeKey(line, taken);
            taken.add(key);
            return { key, label: line };
          }),
        );
      }}
      onLeave={() => onChange(parts.filter((part) => part.label.trim() !== ''))}
    />
  );
}

function CatalogueFields({
  question,
  set,
}: {
  question: LookupQuestion;
  set: (patch: Patch) => void;
}) {
  const { answer } = useOfficeHere(CataloguesAnswer, '/api/catalogues');
  const known = (answer?.catalogues ?? []).map(({ key, name }) => ({ value: key, label: name }));
  const here = known.some(({ value }) => value === question.catalogue);
  return (
    <Column gap="$2">
      <Pick
        label="Catalogue to look in"
        value={question.catalogue}
        options={here ? known : [{ value: question.catalogue, label: 'Choose one' }, ...known]}
        onChange={(catalogue) => set({ catalogue })}
      />
      <Tick
        label="A name may be written by hand"
        on={question.somethingElse === true}
        onPress={() => set({ somethingElse: question.somethingElse ? undefined : true })}
      />
    </Column>
  );
}

function PointsFields({ question, set }: { question: Question; set: (patch: Patch) => void }) {
  const points = question.points;
  const change = (patch: Patch): void => set({ points: { good: 0, ...points, ...patch } });
  return (
    <Column gap="$1">
      <Row gap="$2">
        <NumberField
          label="Points when good"
          value={points?.good}
          onChange={(good) => (good === undefined ? set({ points: undefined }) : change({ good }))}
        />
        {points ? (
          <NumberField
            label="when not"
            value={points.bad ?? 0}
            onChange={(bad) => change({ bad: bad ?? 0 })}
          />
        ) : null}
      </Row>
      {points ? (
        <Tick
          label="Not good stops everything: it caps the result"
          on={points.stopsEverything === true}
          onPress={() => change({ stopsEverything: !points.stopsEverything })}
        />
      ) : null}
    </Column>
  );
}

function QuantityFields(props: KindFieldsProps & { readonly question: ReadingQuestion }) {
  const { body, question, set } = props;
  const others = question.kind === 'calculated' ? [] : unitsLike(question.unit);
  const also = question.kind === 'calculated' ? [] : (question.alsoIn ?? []);
  const limit = (label: string, field: 'lowFrom' | 'highFrom') => (
    <Expression
      label={label}
      body={body}
      question={question}
      value={question[field]}
      onChange={(value) => set({ [field]: value })}
    />
  );
  return (
    <Column gap="$2">
      {question.kind === 'instrument' ? (
        <Pick
          label="Instrument"
          value={question.instrument}
          options={INSTRUMENT_KINDS.map(({ key, name }) => ({ value: key, label: name }))}
          onChange={(instrument) => set({ instrument })}
        />
      ) : null}
      {question.kind === 'calculated' ? (
        <Expression
          label="Formula"
          body={body}
          question={question}
          value={question.formula}
          onChange={(formula) => set({ formula: formula ?? '0' })}
        />
      ) : null}
      <Row gap="$2">
        <Column flex={1}>
          <Input
            label="Unit (UCUM code, 1 for a bare number)"
            value={question.unit}
            onChange={(unit) => set({ unit: unit || '1', alsoIn: undefined })}
          />
        </Column>
        <NumberField
          label="Decimals"
          value={question.decimals}
          onChange={(decimals) => set({ decimals })}
        />
      </Row>
      {others.length > 0 ? (
        <Row columnGap="$3" flexWrap="wrap" role="group" aria-label="Also entered in">
          {others.map((unit) => (
            <Tick
              key={unit}
              label={`also ${writeUnit(unit)}`}
              on={also.includes(unit)}
              onPress={() => {
                const next = also.includes(unit)
                  ? also.filter((each) => each !== unit)
                  : [...also, unit];
                set({ alsoIn: next.length > 0 ? next : undefined });
              }}
            />
          ))}
        </Row>
      ) : null}
      <RangeFields question={question} set={set} />
      {limit('Lower limit from other answers', 'lowFrom')}
      {limit('Upper limit from other answers', 'highFrom')}
      {question.kind === 'calculated' ? (
        <NumberField
          label="Target"
          value={question.target}
          onChange={(target) => set({ target })}
        />
      ) : null}
    </Column>
  );
}

interface RangeFieldsProps {
  readonly question: Extract<Question, { readonly expected?: unknown }>;
  readonly set: (patch: Patch) => void;
}

function RangeFields({ question, set }: RangeFieldsProps) {
  const { low, high } = question.expected ?? {};
  const change = (range: { low: number | undefined; high: number | undefined }): void => {
    const given = Object.entries(range).filter(([, end]) => end !== undefined);
    set({ expected: given.length > 0 ? Object.fromEntries(given) : undefined });
  };
  return (
    <Row gap="$2">
      <NumberField
        label="Expected from"
        value={low}
        onChange={(end) => change({ low: end, high })}
      />
      <NumberField label="to" value={high} onChange={(end) => change({ low, high: end })} />
    </Row>
  );
}
