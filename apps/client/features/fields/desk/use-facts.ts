import type { Fact, Facts } from '@ant-trail/core/fields';
import { useState } from 'react';
import type { Given } from '@/features/kinds/desk/control.ts';

const NONE: ReadonlyMap<string, string> = new Map();

export interface WrittenFacts {
  readonly facts: Facts;
  /** What is wrong, by the key of its field; said once somebody wants to keep it. */
  readonly wrong: ReadonlyMap<string, string>;
  readonly give: (key: string, given: Given) => void;
  /** Whether all of it can be kept; from now on it is said what can't. */
  readonly settle: () => boolean;
}

/** Facts that are being written. */
export function useFacts(first: Facts): WrittenFacts {
  const [facts, setFacts] = useState(first);
  const [wrong, setWrong] = useState(NONE);
  const [asked, setAsked] = useState(false);
  const give = (key: string, given: Given): void => {
    const nowWrong = new Map(wrong);
    nowWrong.delete(key);
    if ('problem' in given) nowWrong.set(key, given.problem);
    else {
      const rest = Object.fromEntries(Object.entries(facts).filter(([each]) => each !== key));
      const { value, unit } = given;
      const fact: Fact | null =
        value === null ? null : { value, ...(unit === undefined ? {} : { unit }) };
      setFacts(fact ? { ...rest, [key]: fact } : rest);
    }
    setWrong(nowWrong);
  };
  const settle = (): boolean => {
    setAsked(true);
    return wrong.size === 0;
  };
  return { facts, wrong: asked ? wrong : NONE, give, settle };
}
