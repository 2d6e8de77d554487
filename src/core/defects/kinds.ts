/** What can be wrong with a device: how it is said, and what it means for a plan until it is repaired and proved. Source: practice. */
export const DEFECTS = {
  passes: {
    label: 'passes when it is shut',
    means: 'It is no barrier, whatever hangs on it.',
  },
  'blade-stayed': {
    label: 'keeps a blade in when it is switched off',
    means: 'It is no barrier, whatever hangs on it.',
  },
  seized: {
    label: 'is stuck and cannot be moved',
    means: 'It is no barrier, and nothing that is let down may rely on it.',
  },
  'no-lock-place': {
    label: 'has no place for a lock',
    means: 'It is no barrier, and it cannot be locked open.',
  },
  plugged: {
    label: 'is blocked, or the earth is unfit',
    means: 'Opened or applied, it does nothing: what it was for has to come about in another way.',
  },
  'gauge-dead': {
    label: 'reads nothing, or reads wrong',
    means: 'Nothing is proved by it.',
  },
  'out-of-order': {
    label: 'does not work',
    means: 'It guards nothing. Someone says by name what stands in for it, and until when.',
  },
  label: {
    label: 'has no label, or a wrong one',
    means: 'It cannot be found in the field as drawn: no plan is walked down past it.',
  },
} as const;

export type DefectKind = keyof typeof DEFECTS;
export const DEFECT_KINDS = Object.keys(DEFECTS) as [DefectKind, ...DefectKind[]];
