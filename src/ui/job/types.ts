import type { DossierView, EarlierJob } from '../../core/job';
import type { PackedChoices, SiteChoices } from '../../core/choices';
import type { NextStep } from '../../core/watch';
import type { JobProcedures } from '../../core/procedures/offered';
import type { Fault } from '../../sim';

export interface DossierProps {
  readonly jobId: string;
  readonly sequence: number;
  readonly me: string;
  readonly names: Readonly<Record<string, string>>;
  readonly view: DossierView;
  /** What is to be done next, and by whom. */
  readonly next?: NextStep;
  readonly choices: SiteChoices;
  /** Points found in the field as drawn, with who and when. */
  readonly asBuilt: Readonly<Record<string, string>>;
  /** Earlier jobs on the same equipment, newest first. */
  readonly earlier: readonly EarlierJob[];
  /** Procedures of its machine, for whoever may write its plan down as one: the one that it is, and all. */
  readonly procedures?: JobProcedures;
  /** Whether the stand-ins may be read. */
  readonly practice: boolean;
  /** What is wrong with the stand-in plant, for whoever leads the practice. */
  readonly faults?: readonly Fault[];
}

/** What a page of a job is given by the server. */
export type PackedProps = Omit<DossierProps, 'choices'> & { readonly choices: PackedChoices };
