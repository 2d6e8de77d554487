import type { DossierView, EarlierJob } from '../../core/job';
import type { GasDetector } from '../../core/gas';
import type { NextStep } from '../../core/watch';
import type { Fault } from '../../sim';

/** Registers of the site as the screens offer them. */
export interface SiteChoices {
  readonly locks: readonly {
    id: string;
    set: string;
    use: string;
    owner?: string;
    busy: boolean;
  }[];
  readonly boxes: readonly { id: string; name: string; busy: boolean }[];
  readonly instruments: readonly {
    id: string;
    name: string;
    reads: string;
    detector?: GasDetector | undefined;
  }[];
  readonly earths: readonly {
    id: string;
    name: string;
    rated_ka?: number | undefined;
    rated_s?: number | undefined;
  }[];
  readonly people: readonly {
    id: string;
    name: string;
    employer: string;
    worker: boolean;
    leads: boolean;
    issues: boolean;
    watches: boolean;
    standsBy: boolean;
    manager: boolean;
    fireWatch: boolean;
    safety: boolean;
    attendant: boolean;
    operator: boolean;
  }[];
}

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
  /** Whether the stand-ins may be read. */
  readonly practice: boolean;
  /** What is wrong with the stand-in plant, for whoever leads the practice. */
  readonly faults?: readonly Fault[];
}
