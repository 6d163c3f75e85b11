import type { DragEndEvent } from '@dnd-kit/core';
import { useTheme } from '@tamagui/core';
import { type Question, type TemplateBody, type TemplateProblem } from '@ant-trail/core/sheet';
import { homeOf, moveQuestion, nudgeQuestion } from '@ant-trail/core/templates';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { dragging } from '@/design/dragging.ts';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body } from '@/design/text.tsx';
import { KIND_WORDS } from './kind-words.ts';

export interface OutlineProps {
  readonly body: TemplateBody;
  readonly chosen: string | null;
  readonly problems: readonly TemplateProblem[];
  readonly onChange: (body: TemplateBody) => void;
  readonly onChoose: (key: string) => void;
}

const keysIn = (questions: readonly Question[]): string[] =>
  questions.flatMap((question) => [
    question.key,
    ...(question.kind === 'rows' ? keysIn(question.questions) : []),
  ]);

/** Sections and questions in their order: dragged by the handle, or moved with the arrows. */
export function Outline(props: OutlineProps) {
  const { body, onChange } = props;
  const { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } =
    dragging().core;
  const { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } =
    dragging().sortable;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent): void => {
    const to = over && homeOf(body, String(over.id));
    if (to && active.id !== over.id)
      onChange(moveQuestion(body, String(active.id), to.home, to.index));
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext
        items={body.sections.flatMap((section) => keysIn(section.questions))}
        strategy={verticalListSortingStrategy}
      >
        {body.sections.map((section, index) => (
          <Column key={section.id} padding="$3" gap="$1" role="group" aria-label={section.title}>
            <Row gap="$2" alignItems="flex-end">
              <Column flex={1}>
                <Input
                  label={`Section ${index + 1}`}
                  value={section.title}
                  onChange={(title) =>
                    onChange({
                      ...body,
                      sections: body.sections.map((each) =>
                        each.id === section.id ? { ...each, title } : each,
                      ),
                    })
                  }
                />
              </Column>
              {body.sections.length > 1 && section.questions.length === 0 ? (
                <Button
                  dense
                  plain
                  label={`Remove section ${section.title}`}
                  onPress={() =>
                    onChange({
                      ...body,
                      sections: body.sections.filter((each) => each.id !== section.id),
                    })
                  }
                >
                  Remove
                </Button>
              ) : null}
            </Row>
            {section.questions.map((question) => (
              <OutlineLine key={question.key} question={question} {...props} />
            ))}
            {section.questions.length === 0 ? (
              <Body small quiet>
                Nothing is asked here yet. Choose a kind of question on the left.
              </Body>
            ) : null}
          </Column>
        ))}
      </SortableContext>
    </DndContext>
  );
}

function OutlineLine(props: OutlineProps & { readonly question: Question }) {
  const { question, body, chosen, problems, onChange, onChoose } = props;
  const theme = useTheme();
  const { useSortable } = dragging().sortable;
  const { attributes, listeners, setNodeRef, transform, isDragging } = useSortable({
    id: question.key,
  });
  const wrong = problems.some((problem) => problem.question === question.key);
  const isChosen = chosen === question.key;
  const nudge = (step: -1 | 1): void => onChange(nudgeQuestion(body, question.key, step));
  return (
    <div
      ref={setNodeRef}
      style={{
        transform: transform ? `translateY(${transform.y}px)` : undefined,
        opacity: isDragging ? 0.6 : 1,
      }}
    >
      <Row
        gap="$1"
        style={{ color: theme.ink.get() }}
        backgroundColor={isChosen ? '$touch' : 'transparent'}
      >
        <button
          type="button"
          {...attributes}
          {...listeners}
          aria-label={`Move ${question.label}`}
          style={{
            width: 28,
            minHeight: 40,
            cursor: 'grab',
            textAlign: 'center',
            border: 0,
            background: 'transparent',
            color: 'inherit',
            touchAction: 'none',
          }}
        >
          ⁝
        </button>
        <Column flex={1}>
          <PressableRow
            minHeight={44}
            justifyContent="center"
            gap={0}
            aria-current={isChosen ? 'true' : undefined}
            onPress={() => onChoose(question.key)}
          >
            <Row gap="$2">
              {wrong ? <Mark name="needs eyes" size={16} /> : null}
              <Body small strong numberOfLines={1}>
                {question.label}
              </Body>
            </Row>
            <Body tiny quiet numberOfLines={1}>
              {KIND_WORDS[question.kind].name}
              {question.required ? '' : ', may stay open'}
              {question.visibleWhen ? ', asked when' : ''}
            </Body>
          </PressableRow>
        </Column>
        <Button dense plain repeats label={`Move ${question.label} up`} onPress={() => nudge(-1)}>
          ↑
        </Button>
        <Button dense plain repeats label={`Move ${question.label} down`} onPress={() => nudge(1)}>
          ↓
        </Button>
      </Row>
      {question.kind === 'rows' ? (
        <Column marginLeft="$4" borderLeftWidth={2} borderColor="$trail" paddingLeft="$1">
          {question.questions.map((member) => (
            <OutlineLine {...props} key={member.key} question={member} />
          ))}
        </Column>
      ) : null}
    </div>
  );
}
