import type { Question, QuestionKind, QuestionOf, TemplateBody } from '@ant-trail/core/sheet';
import type { ComponentType } from 'react';
import type { Patch } from '../patch.ts';

export interface KindFieldsProps<Q extends Question = Question> {
  readonly body: TemplateBody;
  readonly question: Q;
  readonly set: (patch: Patch) => void;
}

/** What a question of one kind has besides what all questions have. */
export type FieldsOf<Kind extends QuestionKind = QuestionKind> = ComponentType<
  KindFieldsProps<QuestionOf<Kind>>
>;
