import type { Catalogue } from '@ant-trail/core/catalogues';
import { answersOf, questionAtPath, type SheetState } from '@ant-trail/core/sheet';
import type * as Energy from '@ant-trail/core/trades/energy';
import { PARTS } from '@ant-trail/core/trades/energy/keys';
import { useMemo } from 'react';
import { kitCode } from '../kit-code.ts';

export type EnergyKit = typeof Energy;

export const useKit = kitCode<EnergyKit>(() => import('@ant-trail/core/trades/energy'));

/** A survey as it stands, and what else could be taken up. */
export interface EnergyNow {
  readonly kit: EnergyKit;
  readonly survey: Energy.Survey;
  readonly measures: readonly Energy.Measure[];
  readonly dangers: readonly Energy.Danger[];
  /** Paths of the rows of the house’s parts, in the order the figures have them. */
  readonly rows: readonly { readonly path: string; readonly name: string }[];
}

/** Null while the house is not known well enough to tell. */
export function useEnergy(state: SheetState, list: Catalogue | null): EnergyNow | null {
  const kit = useKit();
  const measures = useMemo(() => (kit && list ? measuresOf(kit, list) : NONE), [kit, list]);
  return useMemo(() => (kit ? nowOf(kit, state, measures) : null), [kit, state, measures]);
}

const NONE: readonly Energy.Measure[] = [];

export const measuresOf = (kit: EnergyKit, { rows }: Catalogue): readonly Energy.Measure[] =>
  rows.flatMap((row) => kit.measureFrom({ ...row.fields, row: row.code, label: row.label }) ?? []);

export function nowOf(
  kit: EnergyKit,
  state: SheetState,
  measures: readonly Energy.Measure[],
): EnergyNow | null {
  const answers = answersOf(state);
  const survey = kit.surveyOf(answers);
  if (!survey) return null;
  const all = questionAtPath(state, PARTS)?.rows ?? [];
  const rows = kit.partsAt(answers).flatMap((at) => all[at] ?? []);
  return { kit, survey, measures, dangers: kit.dangersOf(answers), rows };
}
