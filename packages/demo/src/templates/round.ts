import type { Question } from '@ant-trail/core/sheet';

/** A check of a round: a no asks for a word and a photo. */
export const yesNo = (key: string, label: string, action?: string): Question => ({
  kind: 'yesNo',
  key,
  label,
  required: true,
  whenAmiss: {
    reason: true,
    photo: true,
    severity: 2,
    ...(action ? { action } : {}),
  },
});

/** How every round ends. */
export const closing: Question[] = [
  {
    kind: 'text',
    key: 'remarks',
    label: 'Anything the next person should know?',
    required: false,
  },
  {
    kind: 'photo',
    key: 'overview',
    label: 'The place as you leave it',
    required: false,
  },
  { kind: 'signature', key: 'signed', label: 'Your signature', required: true },
];
