import { TemplateContent } from '@ant-trail/contract/templates';
import type { TemplateBody } from '@ant-trail/core/sheet';
import { namedKit, reckoningKits } from '@ant-trail/core/trades';
import { useRef, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Tick } from '@/design/tick.tsx';
import { DemandsFields } from '@/features/accounts/desk/demands-fields.tsx';
import { saveFile } from '@/device/save-file.ts';
import { Expression } from './expression.tsx';
import { FollowUpFields } from './follow-up-fields.tsx';
import { ImportQuestions } from './import-questions.tsx';
import { Programmes } from './programmes.tsx';
import { Variants } from './variants.tsx';
import { NumberField } from '@/design/number-field.tsx';
import { Body, Heading } from '@/design/text.tsx';

/** What holds for the whole template, and the way in and out as a file. */
export function SheetEditor(props: {
  readonly body: TemplateBody;
  readonly onChange: (body: TemplateBody) => void;
}) {
  const { body, onChange } = props;
  const picker = useRef<HTMLInputElement>(null);
  // Functions are known by their names alone; only what reckons has to be chosen.
  const kits = reckoningKits();
  const [problem, setProblem] = useState<string | null>(null);
  const [grades, setGrades] = useState<string | null>(null);
  const toggleLed = (): void => {
    const { order, ...rest } = body;
    onChange(order === 'led' ? rest : { ...rest, order: 'led' });
  };
  const toggleScore = (): void => {
    const { score, ...rest } = body;
    onChange(score ? rest : { ...rest, score: { target: 80 } });
  };
  const save = (): void => {
    saveFile(
      new Blob([JSON.stringify(body, null, 2)], { type: 'application/json' }),
      `${body.title}.json`,
    );
  };
  const load = async (file: File | undefined) => {
    if (!file) return;
    try {
      const read = TemplateContent.safeParse(JSON.parse(await file.text()));
      if (read.success) {
        onChange(read.data);
        setProblem(null);
        return;
      }
      const [issue] = read.error.issues;
      setProblem(
        `This file is no template: ${issue?.path.join('.') ?? ''} ${issue?.message ?? ''}`,
      );
    } catch {
      setProblem('This file can’t be read as JSON.');
    }
  };
  return (
    <Column padding="$3" gap="$3">
      <Heading>The whole sheet</Heading>
      <Input label="Title" value={body.title} onChange={(title) => onChange({ ...body, title })} />
      {kits.length > 0 ? (
        <Pick
          label="Trade kit"
          value={body.kit ?? ''}
          onChange={(kit) => {
            const next = { ...body, kit };
            if (!kit) Reflect.deleteProperty(next, 'kit');
            onChange(next);
          }}
          options={[
            { value: '', label: 'none' },
            ...kits.map(({ key, name }) => ({ value: key, label: name })),
          ]}
        />
      ) : null}
      {namedKit(body)?.reckoning ? (
        <Column gap="$1">
          <Body small strong>
            Reckoned over the whole sheet; rules read it by its name
          </Body>
          {namedKit(body)?.reckoning?.results.map(({ name, label, about }) => (
            <Body small key={name}>
              {label} ({name}): {about}
            </Body>
          ))}
        </Column>
      ) : null}
      <Tick
        label="Led: step by step, in this order"
        on={body.order === 'led'}
        onPress={toggleLed}
      />
      <Tick
        label="Scored: answers have points"
        on={body.score !== undefined}
        onPress={toggleScore}
      />
      {body.score ? (
        <>
          <Row>
            <NumberField
              label="Needs improvement below, in percent"
              value={body.score.target}
              onChange={(target) =>
                onChange({ ...body, score: { ...body.score, target: target ?? 80 } })
              }
            />
          </Row>
          <Row>
            <NumberField
              label="What a failed question that stops everything leaves, in percent"
              value={body.score.cap ?? 0}
              onChange={(cap) =>
                onChange({ ...body, score: { target: 80, ...body.score, cap: cap ?? 0 } })
              }
            />
          </Row>
          <Input
            label="Grades, one per line, as in “A from 90”"
            lines={3}
            value={grades ?? sayGrades(body)}
            onChange={setGrades}
            onLeave={() => {
              if (grades === null) return;
              const read = readGrades(grades);
              if (read) onChange({ ...body, score: { target: 80, ...body.score, grades: read } });
              setGrades(null);
            }}
          />
        </>
      ) : null}
      <DemandsFields
        demands={body.demands ?? {}}
        onChange={(demands) => {
          const next = { ...body, demands };
          if (Object.keys(demands).length === 0) Reflect.deleteProperty(next, 'demands');
          onChange(next);
        }}
      />
      <Tick
        label="Whoever answers for the place signs before it is finished"
        on={body.signedOnSite === true}
        onPress={() => {
          const { signedOnSite: was, ...rest } = body;
          onChange(was ? rest : { ...rest, signedOnSite: true });
        }}
      />
      <FollowUpFields body={body} onChange={onChange} />
      <Programmes body={body} onChange={onChange} />
      <Variants body={body} onChange={onChange} />
      {body.sections.map((section) => (
        <Expression
          key={section.id}
          label={`Section “${section.title}” is asked when`}
          body={body}
          value={section.visibleWhen}
          compose
          onChange={(visibleWhen) => {
            const { id, title, questions } = section;
            const next = { id, title, questions, ...(visibleWhen ? { visibleWhen } : {}) };
            onChange({
              ...body,
              sections: body.sections.map((each) => (each.id === id ? next : each)),
            });
          }}
        />
      ))}
      <Row gap="$2" flexWrap="wrap">
        <Button dense onPress={save}>
          Save as a file
        </Button>
        <Button dense onPress={() => picker.current?.click()}>
          Take from a file
        </Button>
        <input
          ref={picker}
          type="file"
          accept="application/json"
          hidden
          aria-label="Template file"
          onChange={(event) => void load(event.target.files?.[0])}
        />
      </Row>
      <ImportQuestions body={body} onChange={onChange} />
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
      <Body small quiet>
        Choose a question to change it, or a kind of question on the left to add one.
      </Body>
    </Column>
  );
}

const sayGrades = ({ score }: TemplateBody): string =>
  (score?.grades ?? []).map(({ word, from }) => `${word} from ${from}`).join('\n');

/** Grades from lines such as “A from 90”, best first; null when a line is something else. */
function readGrades(text: string): { word: string; from: number }[] | null {
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  const grades = lines.map((line) => /^\s*(.+?)\s+from\s+(\d+(?:\.\d+)?)\s*$/.exec(line));
  const read = grades.flatMap((found) =>
    found?.[1] && Number(found[2]) <= 100 ? [{ word: found[1], from: Number(found[2]) }] : [],
  );
  return read.length === lines.length ? read.sort((a, b) => b.from - a.from) : null;
}
