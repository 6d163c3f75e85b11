import { unitFor, writeUnit } from '@ant-trail/core/measure';
import {
  inUnit,
  judgeReading,
  numberOf,
  offScaleOf,
  readReading,
  turnedOffScale,
  writeReading,
  type Alert,
  type NumberQuestion,
  type QuestionState,
} from '@ant-trail/core/sheet';
import type { AnswerValue } from '@ant-trail/core/log';
import { useEffect, useRef, useState } from 'react';
import { useSetting } from '@/device/settings.ts';
import type { KitRowsProps, Said } from '../part.ts';
import {
  above,
  beside,
  firstAt,
  nextPlace,
  onward,
  questionIn,
  type At,
  type Place,
} from './places.ts';

/** Kinds whose one press is the whole answer. */
const BY_PRESS: ReadonlySet<string> = new Set(['yesNo', 'choice', 'performed', 'lookup']);

/** The value that is being entered, and the ways on from it. */
export interface ValueEntry {
  readonly at: At | null;
  readonly state: QuestionState | null;
  /** Null where what is asked is no number. */
  readonly number: NumberQuestion | null;
  /** The unit it is entered in, UCUM. */
  readonly unit: string;
  readonly text: string;
  /** Why what stands there can't be an answer. */
  readonly problem: string | null;
  /** What is not as expected of it, as it is typed. */
  readonly alert: Alert | null;
  readonly type: (text: string) => void;
  readonly press: (key: string) => void;
  readonly back: () => void;
  readonly choose: (value: AnswerValue) => void;
  readonly take: (said: readonly Said[], place: Place) => void;
  readonly go: (to: At | null) => void;
  readonly step: (by: -1 | 1) => void;
  readonly nextValue: () => void;
  readonly nextWay: (() => void) | null;
  readonly asAbove: (() => void) | null;
  /** Keeps what stands there, and goes; stays where it can't be an answer. */
  readonly leave: (then: () => void) => void;
}

/**
 * Enters one value after the other. What is typed is kept as soon as somebody goes on, and only that
 * which is no number holds them up.
 */
export function useEntry(
  places: readonly Place[],
  begin: At | null,
  { locked, write, onType, onTyped }: Pick<KitRowsProps, 'locked' | 'write' | 'onType' | 'onTyped'>,
): ValueEntry {
  const system = useSetting('units');
  const [chosen, setAt] = useState<At | null>(() => begin ?? firstOpenOf(places));
  const [draft, setDraft] = useState<string | null>(null);
  // What somebody else answers meanwhile, in whatever unit, must not change what is being typed.
  const [typedIn, setTypedIn] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  // Somebody else may have removed the way meanwhile.
  const at =
    chosen && places.some(({ path }) => path === chosen.place) ? chosen : firstOpenOf(places);
  const place = places.find(({ path }) => path === at?.place);
  const state = (at && questionIn(place, at.key)) ?? null;
  const number = state?.question.kind === 'number' ? state.question : null;
  const units = number ? [number.unit, ...(number.alsoIn ?? [])] : ['1'];
  const unit = typedIn ?? state?.answer?.unit ?? unitFor(units, system) ?? units[0] ?? '1';
  const entered = state?.answer ? numberOf(state.answer.value) : null;
  const enteredOff = state?.answer ? offScaleOf(state.answer.value) : null;
  const kept =
    number && entered !== null ? writeReading(entered, enteredOff, decimalsIn(number, unit)) : '';
  const text = draft ?? kept;
  const read =
    number && text.trim() ? readReading(number, text, { units: [writeUnit(unit), unit] }) : null;
  const value = read && 'value' in read ? read.value : null;

  const isKept = (said: AnswerValue): boolean =>
    numberOf(said) === entered && offScaleOf(said) === enteredOff && state?.answer?.unit === unit;

  const write1 = (said: Said): void => {
    void write([said]).then(setRefused);
  };
  const type = (typed: string): void => {
    if (draft === null && state) {
      onType(state.path);
      setTypedIn(unit);
    }
    setRefused(null);
    setDraft(typed);
  };
  const forget = (): void => {
    setDraft(null);
    setTypedIn(null);
    if (draft !== null && state) onTyped(state.path);
  };
  /** Keeps what was typed; says whether one may go on. */
  const settle = (): boolean => {
    if (draft === null || !state || !number || locked) return true;
    if (read && 'problem' in read) {
      setRefused(read.problem);
      return false;
    }
    setRefused(null);
    if (value === null && state.answer) write1({ path: state.path, value: null });
    else if (value !== null && !isKept(value)) write1({ path: state.path, value, unit });
    forget();
    return true;
  };
  useBeforeLeaving(settle);
  const go = (to: At | null): void => {
    if (settle() && to) setAt(to);
  };
  const model = at ? above(places, at) : null;
  const nextWay = at ? nextPlace(places, at) : null;
  useOnwardByPress(state, () => at && setAt(onward(places, at) ?? at));
  return {
    ...{ at, state, number, unit, text },
    problem: refused,
    alert:
      number && value !== null
        ? judgeReading(
            number,
            inUnit(numberOf(value) ?? 0, unit, number.unit),
            state?.expected,
            offScaleOf(value),
          )
        : null,
    type,
    press: (key) => {
      if (key === '−') type(turned(text));
      // On what stands there from before it begins anew, as figures do.
      else if (key === '>') type(turnedOffScale(draft ?? ''));
      else type((draft ?? '') + key);
    },
    back: () => type(text.slice(0, -1).trimEnd()),
    choose: (answer) => state && write1({ path: state.path, value: answer }),
    take: (said, to) => {
      void write(said).then(setRefused);
      const taken = new Set(said.map(({ path }) => path));
      const open = firstAt({
        ...to,
        questions: to.questions.filter((each) => !taken.has(each.path)),
      });
      if (open) setAt(open);
    },
    go,
    step: (by) => at && go(beside(places, at, by)),
    nextValue: () => at && go(onward(places, at)),
    nextWay: nextWay && (() => go(nextWay)),
    asAbove:
      model?.answer && state && at && !locked
        ? () => {
            const { value: same, unit: sameUnit } = model.answer ?? { value: '' };
            forget();
            write1({
              ...{ path: state.path, value: same },
              ...(sameUnit === undefined ? {} : { unit: sameUnit }),
            });
            const next = onward(places, at);
            if (next) setAt(next);
          }
        : null,
    leave: (then) => {
      if (settle()) then();
    },
  };
}

const firstOpenOf = (places: readonly Place[]): At | null => {
  const open = places.find(({ questions }) =>
    questions.some(({ looseEnds }) => looseEnds.length > 0),
  );
  const [place = null] = open ? [open] : places;
  return place && firstAt(place);
};

const decimalsIn = ({ unit, decimals }: NumberQuestion, shown: string): number | undefined =>
  shown === unit ? decimals : undefined;

const turned = (text: string): string => (text.startsWith('-') ? text.slice(1) : `-${text}`);

/** What stands there is kept before the page is put out of sight, or this is: a phone may close it without another word. */
function useBeforeLeaving(settle: () => unknown): void {
  const latest = useRef(settle);
  useEffect(() => {
    latest.current = settle;
  });
  useEffect(() => {
    const keep = (): void => void latest.current();
    document.addEventListener('visibilitychange', keep);
    addEventListener('pagehide', keep);
    return () => {
      document.removeEventListener('visibilitychange', keep);
      removeEventListener('pagehide', keep);
      keep();
    };
  }, []);
}

/** An answer given by one press brings what comes next, once it is known what that is. */
function useOnwardByPress(state: QuestionState | null, onward: () => void): void {
  const before = useRef<{ path: string; said: boolean } | null>(null);
  useEffect(() => {
    const said = (state?.answer ?? null) !== null;
    const was = before.current;
    before.current = state && { path: state.path, said };
    if (!state || !said || was?.path !== state.path || was.said) return;
    if (BY_PRESS.has(state.question.kind) && !state.asksReason && !state.asksPhoto) onward();
  });
}
