export { differences } from './difference.ts';
export {
  addSection,
  type Home,
  homeOf,
  insertQuestion,
  keysOf,
  listAt,
  moveQuestion,
  newQuestion,
  nudgeQuestion,
  removeQuestion,
  replaceQuestion,
  withList,
} from './edit.ts';
export { explain, type Reason } from './explain.ts';
export { copyOf, questionBank } from './question-bank.ts';
export { addQuestions, readQuestions, type ReadQuestions } from './read-questions.ts';
export { sampleAnswer } from './sample-answer.ts';
