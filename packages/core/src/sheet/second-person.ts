import { hmac } from '@noble/hashes/hmac.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { hexToBytes, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalize from 'canonicalize';
import { readShortCode, shortCode } from '../codes/index.ts';
import type { Entry, HoldValue } from '../log/index.ts';
import { isHold } from './kinds/index.ts';
import type { QuestionState } from './state.ts';
import type { Question } from './template.ts';

/** Signs of the code that one phone shows to the other: 45 bits and a check sign. */
export const ASKED_LENGTH = 10;
/** Signs of the code that is given back: the verdict and 40 bits, and a check sign. */
export const GIVEN_LENGTH = 10;

/** The first sign of the code given back tells the verdict. */
const SIGN_OF = { passed: 'P', refused: 'R' } as const;

/** What a second person is asked to pass: this step, as it stood before their answer. */
export type AskedOf = Pick<Entry, 'sheet' | 'path' | 'seen'> & Pick<HoldValue, 'person'>;

/** The code by which a phone asks one person to pass one step; another step or person, another code. */
export const askedCode = ({ sheet, path, person, seen }: AskedOf): string =>
  shortCode(
    sha256(utf8ToBytes(canonicalize(['pass', sheet, path, person, [...seen].sort()]) ?? '')),
    ASKED_LENGTH,
  );

/**
 * The code by which a person answers an {@link askedCode}, made with their own key (hex): HMAC-SHA256
 * (RFC 2104, FIPS 198-1), cut to 40 bits. Whoever has not the key can't make it, and it fits
 * nothing else. Null where what is asked was mistyped.
 */
export function givenCode(
  key: string,
  asked: string,
  verdict: HoldValue['verdict'],
): string | null {
  const read = readShortCode(asked, ASKED_LENGTH);
  if (read === null) return null;
  const mac = hmac(sha256, hexToBytes(key), utf8ToBytes(`${verdict}:${read}`));
  return shortCode(mac, GIVEN_LENGTH, SIGN_OF[verdict]);
}

/** The verdict a code given back tells, and the code as it is kept; null where it was mistyped. */
export function readGiven(
  typed: string,
): { readonly verdict: HoldValue['verdict']; readonly code: string } | null {
  const code = readShortCode(typed, GIVEN_LENGTH);
  if (code?.startsWith(SIGN_OF.passed)) return { verdict: 'passed', code };
  return code?.startsWith(SIGN_OF.refused) ? { verdict: 'refused', code } : null;
}

/** Whether the code kept with an answer was made by whoever it names, for just this step. */
export function givenFits(key: string, { sheet, path, seen }: Entry, value: HoldValue): boolean {
  const asked = askedCode({ sheet, path, seen, person: value.person });
  return value.proof !== undefined && givenCode(key, asked, value.verdict) === value.proof;
}

/**
 * Whether a hold point was answered by the person it names: under their own sign-in, or with a code
 * from their own phone, which the office has compared. Somebody from outside has neither; a template
 * says where their signature is enough.
 */
export function isVouchedFor(
  question: Question,
  { value, by }: Pick<Entry, 'value' | 'by'>,
): boolean {
  if (question.kind !== 'hold' || !isHold(value)) return true;
  if (value.person === '') return question.outside === true;
  return value.person === by || value.proof !== undefined;
}

/** A hold point that nobody else has passed for certain: no rule and no export may go by it. */
export const isUnproven = ({ looseEnds }: QuestionState): boolean =>
  looseEnds.some(({ missing }) => missing === 'second person' || missing === 'proof');
