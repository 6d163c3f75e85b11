import { CataloguesAnswer } from '@ant-trail/contract/catalogues';
import { PublishedTemplate } from '@ant-trail/contract/templates';
import { questionsOf, type Question, type TemplateProblem } from '@ant-trail/core/sheet';
import {
  addSection,
  differences,
  homeOf,
  insertQuestion,
  listAt,
  type Home,
} from '@ant-trail/core/templates';
import { useMemo, useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Notice } from '@/design/notice.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Title } from '@/design/text.tsx';
import { useHoldStill } from '@/device/hold-still.ts';
import { ask, wordsFor } from '@/device/api.ts';
import { useOfficeHere } from '@/device/office-here.ts';
import { openDraft } from './draft.ts';
import { forgetDraft } from './kept-draft.ts';
import { QuestionSource } from './question-source.tsx';
import { Outline } from './outline.tsx';
import { Preview } from './preview.tsx';
import { allProblems } from './problems.ts';
import { QuestionEditor } from './question-editor.tsx';
import { SheetEditor } from './sheet-editor.tsx';

export interface BuilderProps {
  readonly published: PublishedTemplate | null;
  readonly onClose: (published: boolean) => void;
}

/** Where a template is built: kinds to add, the outline, the chosen question, and it at work. */
export function Builder({ published, onClose }: BuilderProps) {
  useHoldStill();
  const template = published?.template ?? 'new';
  const [useDraft] = useState(() => openDraft(template, published));
  const draft = useDraft();
  const { body, chosen } = draft;
  const { answer: kept } = useOfficeHere(CataloguesAnswer, '/api/catalogues');
  const problems = useMemo(
    () => allProblems(body, kept ? new Set(kept.catalogues.map(({ key }) => key)) : null),
    [body, kept],
  );
  const [publishing, setPublishing] = useState(false);
  const [dropping, setDropping] = useState(false);
  const question = questionsOf(body).find(({ key }) => key === chosen);

  const add = (made: Question): void => {
    const at = chosen === null ? null : homeOf(body, chosen);
    const into: Home | null =
      question?.kind === 'rows' && made.kind !== 'rows'
        ? { rows: question.key }
        : (at?.home ?? null);
    const last = body.sections.at(-1);
    const home = into ?? (last ? { section: last.id } : null);
    if (!home) return;
    const index = into && at && into === at.home ? at.index + 1 : listAt(body, home).length;
    draft.change(insertQuestion(body, home, index, made));
    draft.choose(made.key);
  };
  const discard = (): void => {
    forgetDraft(template);
    onClose(false);
  };
  return (
    <Column flex={1} minHeight={0}>
      <Row
        render="section"
        aria-label="The template"
        paddingHorizontal="$4"
        paddingVertical="$2"
        gap="$3"
        flexWrap="wrap"
      >
        <Title flex={1}>{body.title}</Title>
        <Body small quiet>
          {draft.after === 0 ? 'not published yet' : `from version ${draft.after}`}
        </Body>
        <Button repeats dense disabled={draft.earlier.length === 0} onPress={draft.undo}>
          Undo
        </Button>
        {draft.unkept ? (
          <Body small eyes role="alert">
            This browser has no room to keep the draft. Save it as a file.
          </Body>
        ) : null}
        <Button dense plain onPress={() => setDropping(true)}>
          Drop the draft
        </Button>
        <Button dense onPress={() => onClose(false)}>
          Templates
        </Button>
        <Button main dense onPress={() => setPublishing(true)}>
          Publish
        </Button>
      </Row>
      <Row
        className="panes"
        flex={1}
        minHeight={0}
        alignItems="stretch"
        borderTopWidth={1}
        borderColor="$rule"
      >
        <Scroll render="nav" aria-label="Questions to add" tabIndex={0} flex={1} minWidth={190}>
          <QuestionSource body={body} onAdd={add} />
        </Scroll>
        <Scroll
          render="main"
          id="main"
          tabIndex={0}
          flex={2}
          minWidth={300}
          borderLeftWidth={1}
          borderRightWidth={1}
          borderColor="$rule"
        >
          <Outline
            body={body}
            chosen={chosen}
            problems={problems}
            onChange={draft.change}
            onChoose={draft.choose}
          />
          <Row padding="$3">
            <Button dense onPress={() => draft.change(addSection(body))}>
              Add a section
            </Button>
          </Row>
        </Scroll>
        <Scroll
          render="section"
          aria-label="What is chosen"
          tabIndex={0}
          flex={2}
          minWidth={300}
          borderRightWidth={1}
          borderColor="$rule"
        >
          <Problems problems={problems} onChoose={draft.choose} />
          {question ? (
            <QuestionEditor
              key={draft.turn}
              body={body}
              question={question}
              onChange={draft.change}
              onChoose={draft.choose}
              onFollow={draft.follow}
            />
          ) : (
            <SheetEditor body={body} onChange={draft.change} />
          )}
        </Scroll>
        <Scroll render="aside" aria-label="How it works" tabIndex={0} flex={2} minWidth={280}>
          <Preview body={body} chosen={chosen} onChange={draft.change} />
        </Scroll>
      </Row>
      {dropping ? (
        <Dialog title="Drop the draft" onClose={() => setDropping(false)}>
          <Column gap="$3">
            <Body>
              {published
                ? `Everything changed since version ${draft.after} is gone then.`
                : 'This template was never published: all of it is gone then.'}
            </Body>
            <Button main onPress={discard}>
              Drop it
            </Button>
          </Column>
        </Dialog>
      ) : null}
      {publishing ? (
        <PublishDialog
          problems={problems.map(({ message }) => message)}
          changes={published ? differences(published.body, body) : null}
          onClose={() => setPublishing(false)}
          onPublish={async () => {
            await ask(PublishedTemplate, 'POST', '/api/templates', {
              ...(published ? { template: published.template } : {}),
              after: draft.after,
              body,
            });
            forgetDraft(template);
            onClose(true);
          }}
        />
      ) : null}
    </Column>
  );
}

interface ProblemsProps {
  readonly problems: readonly TemplateProblem[];
  readonly onChoose: (key: string) => void;
}

/** The check list: each line leads to the question it is about. */
function Problems({ problems, onChoose }: ProblemsProps) {
  if (problems.length === 0) return null;
  return (
    <Column padding="$3" gap="$1" backgroundColor="$clayGround" role="list" aria-label="Problems">
      {problems.map(({ question, message }) => (
        <Column key={message} role="listitem">
          <PressableRow justifyContent="center" onPress={() => question && onChoose(question)}>
            <Body small eyes>
              {message}
            </Body>
          </PressableRow>
        </Column>
      ))}
    </Column>
  );
}

interface PublishDialogProps {
  readonly problems: readonly string[];
  readonly changes: readonly string[] | null;
  readonly onClose: () => void;
  readonly onPublish: () => Promise<void>;
}

function PublishDialog({ problems, changes, onClose, onPublish }: PublishDialogProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const send = async () => {
    try {
      await onPublish();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog title="Publish" onClose={onClose}>
      <Column gap="$3">
        {problems.length > 0 ? (
          <Notice tone="eyes" mark="needs eyes">
            {problems.length === 1
              ? problems[0]
              : `${problems.length} problems have to be mended first.`}
          </Notice>
        ) : (
          <>
            <Column gap="$1" maxHeight={280} style={{ overflowY: 'auto' }} tabIndex={0} role="list">
              {(changes ?? ['The first version of this template.']).map((change) => (
                <Body key={change} role="listitem">
                  {change}
                </Body>
              ))}
              {changes?.length === 0 ? <Body quiet>Nothing was changed.</Body> : null}
            </Column>
            <Body small quiet>
              Sheets that were begun keep their version. New work begins under this one.
            </Body>
            <Button main disabled={changes?.length === 0} onPress={() => send()}>
              Publish this version
            </Button>
          </>
        )}
        {problem ? (
          <Body eyes role="alert">
            {problem}
          </Body>
        ) : null}
      </Column>
    </Dialog>
  );
}
