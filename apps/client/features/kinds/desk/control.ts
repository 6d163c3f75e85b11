import type { AnswerValue } from '@ant-trail/core/log';
import type { Question, QuestionKind, QuestionOf } from '@ant-trail/core/sheet';
import type { ComponentType } from 'react';

/** What was given at the desk by now: an answer, nothing any more, or words for what can't be one. */
export type Given =
  { readonly value: AnswerValue | null; readonly unit?: string } | { readonly problem: string };

export interface DeskControlProps<Q extends Question = Question> {
  readonly question: Q;
  readonly label: string;
  readonly hideLabel?: boolean;
  readonly value: AnswerValue | null;
  readonly unit?: string | undefined;
  readonly onGive: (given: Given) => void;
}

/** How a question of one kind is answered at a desk, without a phone in the hand. */
export type DeskControl<Kind extends QuestionKind = QuestionKind> = ComponentType<
  DeskControlProps<QuestionOf<Kind>>
>;
