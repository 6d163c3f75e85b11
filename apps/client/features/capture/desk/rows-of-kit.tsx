import { parsePath } from '@ant-trail/core/log';
import {
  everyQuestion,
  mayPrepare,
  questionsOf,
  type QuestionState,
  type SheetState,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { useCallback, useContext, useMemo, type ComponentType, type ReactNode } from 'react';
import { catalogueNow } from '@/features/catalogues/desk/catalogue-now.ts';
import { AtPlace } from '@/features/kinds/desk/at-place.ts';
import type { Given } from '@/features/kinds/desk/control.ts';
import { KitRows } from '@/features/trades/kit-rows.tsx';
import type { Said } from '@/features/trades/part.ts';
import { isTaken } from './beforehand.ts';

/** At a desk nothing is sought, and a draft has seen what its dossier had. */
const pathOf = ({ path }: QuestionState): string => path;
const NOTHING = (): void => undefined;

interface RowsOfKitProps {
  readonly kit: string | undefined;
  readonly body: TemplateBody;
  readonly sheet: SheetState;
  readonly state: QuestionState;
  readonly about: string;
  readonly open: boolean;
  readonly onGive: (path: string, given: Given) => void;
  readonly Question: ComponentType<{ readonly state: QuestionState; readonly locked: boolean }>;
  readonly children: ReactNode;
}

/** A group of rows as the sheet's kit shows it, filled in beforehand: what is measured is left to whoever is there. */
export function RowsOfKit(props: RowsOfKitProps) {
  const { kit, body, sheet, state, about, open, onGive, Question, children } = props;
  const place = useContext(AtPlace);
  const taken = useMemo(
    () =>
      new Set(
        [...everyQuestion(sheet)]
          .map((stop) => stop.state)
          .filter(isTaken)
          .map(pathOf),
      ),
    [sheet],
  );
  const listOf = useCallback((key: string) => catalogueNow(key, place), [place]);
  const refuse = ({ path }: Said): string | null => {
    const { aspect, key } = parsePath(path) ?? {};
    if (aspect === 'row') return null;
    const question = questionsOf(body).find((each) => each.key === key);
    if (question && !mayPrepare(question)) return 'This is measured at the place.';
    return taken.has(path) ? 'It was said at the place already.' : null;
  };
  return (
    <KitRows
      {...{ kit, state, about, Question, sought: null }}
      {...{ CloseOut: null, Add: null, Scan: null }}
      useWhole={() => sheet}
      locked={!open}
      onShown={NOTHING}
      onType={NOTHING}
      onTyped={NOTHING}
      listOf={listOf}
      write={(said) => {
        const why = said.map(refuse).find((words) => words !== null) ?? null;
        if (why === null)
          for (const { path, value, unit } of said)
            onGive(path, unit === undefined ? { value } : { value, unit });
        return Promise.resolve(why);
      }}
    >
      {children}
    </KitRows>
  );
}
