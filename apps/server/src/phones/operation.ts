import type { Receipt } from '@ant-trail/contract/sync';
import { contentHash } from '@ant-trail/core/log';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import type { Session } from '../http/session.ts';
import { Refusal } from '../refusals/refusal.ts';

/** Who sends, and the transaction in which it is taken. */
export interface Taking {
  readonly db: EntityManager;
  readonly session: Session;
  /** How far the sender's clock is before the office's, in milliseconds; 0 where it is not told. */
  readonly clockOffMs: number;
  /** Has something done later, once this transaction has gone through. */
  readonly later: (line: string, task: object) => Promise<void>;
}

/** The office's word on what it took: received or had already, or why it was refused. */
export type Word = Exclude<Receipt['outcome'], 'refused'> | { readonly refused: string };

/** A kind of operation, as its capability declares it: what it holds, and how the office takes it. */
export interface OperationTaker<Body = unknown> {
  readonly kind: string;
  readonly schema: z.ZodType<Body>;
  /**
   * Takes operations in the order they were said, and gives a word on each in that order. What it
   * throws takes back all of these: they are then taken one by one, to find the bad one.
   */
  readonly take: (taking: Taking, bodies: readonly Body[]) => Promise<Word[]>;
}

/** For a list of takers, which all hold something else. */
export const taker = <Body>(declared: OperationTaker<Body>): OperationTaker =>
  // Each is only ever given bodies that its own schema has read.
  declared as unknown as OperationTaker;

/** Takes operations each by itself: one that is refused in words keeps none of the others out. */
export const oneByOne =
  <Body>(
    takeOne: (db: EntityManager, session: Session, body: Body) => Promise<Word>,
  ): OperationTaker<Body>['take'] =>
  async ({ db, session }, bodies) => {
    const words: Word[] = [];
    for (const body of bodies)
      try {
        words.push(await takeOne(db, session, body));
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        words.push({ refused: error.message });
      }
    return words;
  };

const OTHER_CONTENT = 'The office already has something else under this number.';

/** The word on what comes under a number that is known: had already, where it is the same. */
export const hadBefore = (isSame: boolean): Word =>
  isSame ? 'already had' : { refused: OTHER_CONTENT };

/** The same, of something kept just as it was said. */
export const hadAsSaid = (known: object, said: object): Word =>
  hadBefore(contentHash(known) === contentHash(said));

/** Whoever sends speaks for nobody else. */
export const ANOTHERS_NAME = 'This was recorded under another person’s name.';
