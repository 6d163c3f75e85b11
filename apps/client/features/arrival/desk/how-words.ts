import type { Opening } from '@ant-trail/contract/arrival';

/** How somebody came to read what is only for whoever is there. */
export const HOW_WORDS: Readonly<Record<Opening['how'], string>> = {
  code: 'opened it by the place’s code',
  position: 'opened it by position',
  number: 'opened it by a number',
  reason: 'opened it without proof',
  office: 'read it at the desk',
};

/** Words alone prove nothing: somebody should look at those. */
export const needsLook = (how: Opening['how']): boolean => how === 'reason' || how === 'number';
