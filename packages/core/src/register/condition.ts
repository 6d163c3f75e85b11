/** How a thing is, in the order it gets worse; unknown where nobody has looked yet. */
export const CONDITIONS = ['unknown', 'sound', 'watch', 'poor', 'failed'] as const;
export type Condition = (typeof CONDITIONS)[number];

/** How a condition is drawn; the marks themselves belong to the interface. */
export type ConditionMark = 'planned' | 'finished' | 'under way' | 'needs eyes' | 'returned';

export interface ConditionRules {
  readonly mark: ConditionMark;
  /** Somebody has to do something about it. */
  readonly needsEyes: boolean;
}

/** Every condition: how it is drawn, and whether it calls for somebody. */
export const CONDITION_RULES: Readonly<Record<Condition, ConditionRules>> = {
  unknown: { mark: 'planned', needsEyes: false },
  sound: { mark: 'finished', needsEyes: false },
  watch: { mark: 'under way', needsEyes: false },
  poor: { mark: 'needs eyes', needsEyes: true },
  failed: { mark: 'returned', needsEyes: true },
};
