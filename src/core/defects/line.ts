import type { TouchedByDefect } from './answer';
import type { DefectKind } from './kinds';
import type { Defect } from './record';

/** A defect as a screen lists it. */
export interface DefectLine {
  readonly defect: Defect;
  readonly name: string;
  readonly says: string;
  readonly means: string;
  readonly isCritical: boolean;
  /** Whether the newest drawing still has the device. */
  readonly isDrawn: boolean;
  /** Whether the time is over until which it was said to stand. */
  readonly isOver: boolean;
  readonly jobs: readonly TouchedByDefect[];
  /** Who may prove it mended, by id. */
  readonly provers: readonly string[];
}

/** A device that can be reported, and what can be wrong with it. */
export interface ReportableDevice {
  readonly id: string;
  readonly label: string;
  readonly fits: readonly DefectKind[];
  /** What is reported of it already. */
  readonly known: readonly string[];
}

const rank = ({ isCritical, jobs }: DefectLine): number => {
  if (isCritical) return 0;
  if (jobs.some(({ isHeld }) => isHeld)) return 1;
  return jobs.length > 0 ? 2 : 3;
};

/** Safety-critical devices first, then what holds jobs up, then what a plan names; the oldest first among equals. */
export const sortDefects = (lines: readonly DefectLine[]): DefectLine[] =>
  [...lines].sort((a, b) => rank(a) - rank(b) || a.defect.number - b.defect.number);
