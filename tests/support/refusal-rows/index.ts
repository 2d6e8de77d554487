import { AIR_ROWS } from './air';
import { AMISS_ROWS } from './amiss';
import { AUDIT_ROWS } from './audits';
import { BRIEFING_ROWS } from './briefing';
import { CLEARANCE_ROWS } from './clearances';
import { CLEARING_ROWS } from './clearing';
import { CYLINDER_ROWS } from './cylinders';
import { DETECTOR_ROWS } from './detectors';
import { DUTY_ROWS } from './duties';
import { ENTRY_ROWS } from './entry';
import { FIELD_ROWS } from './field';
import { FIRM_ROWS } from './firms';
import { HOT_ROWS } from './hot-work';
import { ISOLATING_ROWS } from './isolating';
import { KIT_ROWS } from './kit';
import { LOCK_ROWS } from './locks';
import { PAPER_ROWS } from './papers';
import { PERMIT_ROWS } from './permit';
import { PLANNING_ROWS } from './planning';
import { RESTORING_ROWS } from './restoring';
import { RUN_UP_ROWS } from './run-up';
import { SUM_ROWS } from './sums';
import { VALIDITY_ROWS } from './validity';
import type { RefusalRow } from '../seal-change';

/** Every step that is tried on a state of a job, with the codes that refuse it; none where it is allowed. */
export const ALL_ROWS: readonly RefusalRow[] = [
  ...PLANNING_ROWS,
  ...FIELD_ROWS,
  ...ISOLATING_ROWS,
  ...PAPER_ROWS,
  ...PERMIT_ROWS,
  ...VALIDITY_ROWS,
  ...DUTY_ROWS,
  ...AUDIT_ROWS,
  ...AIR_ROWS,
  ...DETECTOR_ROWS,
  ...HOT_ROWS,
  ...ENTRY_ROWS,
  ...LOCK_ROWS,
  ...FIRM_ROWS,
  ...CLEARANCE_ROWS,
  ...AMISS_ROWS,
  ...RUN_UP_ROWS,
  ...KIT_ROWS,
  ...BRIEFING_ROWS,
  ...CYLINDER_ROWS,
  ...CLEARING_ROWS,
  ...RESTORING_ROWS,
  ...SUM_ROWS,
];
