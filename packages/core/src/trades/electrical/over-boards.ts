import type { Reckoned, Reckoning, SheetAnswers } from '../kit.ts';
import { rowsOf, type RowAnswers } from '../rows-of.ts';
import { maximumDemand, useOf, type LoadedCircuit } from './demand.ts';
import { BOARDS, CIRCUITS } from './keys/index.ts';
import { deviceLimit, residualLimit, tripLimit } from './loop.ts';
import { codesOf, isSatisfactory } from './verdict.ts';

const numberIn = (value: unknown, key: string): number | null => {
  const found =
    typeof value === 'object' && value !== null ? (value as RowAnswers)[key] : undefined;
  return typeof found === 'number' && Number.isFinite(found) && found >= 0 ? found : null;
};

/** What a circuit takes: as it is known, else no more than its device lets through; nothing where it feeds a board. */
function loadOf(circuit: RowAnswers): LoadedCircuit | null {
  const amps = numberIn(circuit, 'load') ?? numberIn(circuit.device, 'rating');
  return amps === null || circuit.use === 'board' ? null : { use: useOf(circuit.use), amps };
}

/** Insulation resistance at 500 V d.c. below which a circuit must not be used (BS 7671 table 64, from memory). */
const LEAST_MEGOHMS = 1;

/**
 * Whether what was measured of a circuit shows that it must not stay as it is: insulation below 1 MΩ, wrong
 * polarity, a loop in which its device disconnects late even where the whole limit counts, a residual current
 * device that trips late. What is not known yet says nothing. A template may be stricter.
 */
function isUnsafe(circuit: RowAnswers, earthing: unknown): boolean {
  const more = (key: string, limit: number): boolean => (numberIn(circuit, key) ?? 0) > limit;
  return (
    (numberIn(circuit, 'insulation') ?? LEAST_MEGOHMS) < LEAST_MEGOHMS ||
    circuit.polarity === 'no' ||
    more('earth_loop', loopAllowed(circuit, earthing)) ||
    more('trip_once', tripLimit(1) * 1_000) ||
    more('trip_five', tripLimit(5) * 1_000)
  );
}

/** The whole limit of a circuit’s loop, Ω; none where its device is not known, or none of the tables has it. */
function loopAllowed({ device, rcd, use }: RowAnswers, earthing: unknown): number {
  const milliamps = numberIn(rcd, 'milliamps');
  if (earthing === 'TT' && milliamps) return residualLimit(milliamps);
  const rating = numberIn(device, 'rating');
  const { curve } = (device ?? {}) as { readonly curve?: unknown };
  if (rating === null || typeof curve !== 'string') return Infinity;
  try {
    return deviceLimit(curve, rating, use === 'board' ? 5 : 0.4);
  } catch {
    return Infinity;
  }
}

/** Goes over all boards: how many circuits there are, what they take together, and what the observations say. */
export const OVER_BOARDS: Reckoning = {
  results: [
    {
      ...{ name: 'circuitsInUse', label: 'Circuits in use', type: 'double' },
      about: 'How many circuits have a protective device.',
    },
    {
      ...{ name: 'maximumDemand', label: 'Maximum demand', type: 'double', unit: 'A' },
      about:
        'What all circuits can be expected to take at once, A (IET On-Site Guide, table A2, one household).',
    },
    {
      ...{ name: 'overallVerdict', label: 'Overall', type: 'string' },
      about:
        '“satisfactory”, unless an observation is of code C1, C2 or FI (BS 7671, model forms), or a circuit was measured that must not stay as it is.',
    },
  ],
  run: (answers: SheetAnswers): Reckoned => {
    const circuits = rowsOf(answers[BOARDS]).flatMap((board) => rowsOf(board[CIRCUITS]));
    const used = circuits.filter(({ device }) => device !== undefined);
    if (used.length === 0) return {};
    const loads = circuits.flatMap((circuit) => loadOf(circuit) ?? []);
    return {
      circuitsInUse: used.length,
      ...(loads.length > 0 ? { maximumDemand: maximumDemand(loads) } : {}),
      overallVerdict:
        isSatisfactory(codesOf(answers.observations)) &&
        !circuits.some((circuit) => isUnsafe(circuit, answers.earthing))
          ? 'satisfactory'
          : 'not satisfactory',
    };
  },
};
