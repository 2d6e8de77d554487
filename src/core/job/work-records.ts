import type { AuditCode, AuditFindings } from '../audit';
import type { AirUse } from '../gas';
import type { ClearWay } from '../hotwork';
import type { CoverWay, SpaceCheckCode } from '../space';
import type { CommandOf } from './commands';
import type { DETECTOR_FAULTS } from './commands-air';
import type { Mark } from './mark';

/** A test of the air at the work: by whom (`by`) and when it was recorded, for what use, what was read where, and whether it is fit. */
export interface AirTest extends Mark, Omit<CommandOf<'test-air'>, 'kind'> {
  readonly isFit: boolean;
  readonly findings: readonly string[];
  /** What is fit and near its limit, in words. */
  readonly near?: readonly string[];
}

/** A neighbour of hot work that was dealt with; with blanks, where they are and the job under which they were fitted. */
export interface Cleared extends Mark {
  readonly way: ClearWay;
  readonly note: string;
  readonly blank?: { readonly links: readonly string[]; readonly under: string } | undefined;
}

/** What was found out and done about the surroundings of hot work. */
export interface HotWorkRecord {
  /** Whether it can be done cold or elsewhere. */
  readonly cold?: Mark & Omit<CommandOf<'ask-cold'>, 'kind'>;
  /** Neighbours that were dealt with, by id. */
  readonly cleared: Readonly<Record<string, Cleared>>;
  /** What the watch was told of the place (by whoever told them). */
  readonly briefed?: Mark & Omit<CommandOf<'brief-watch'>, 'kind'>;
  /** When sparks were first made under the permit at hand: from then on someone watches, also through breaks. */
  readonly sparked?: Mark;
  /** Detectors that stand round the work, and the wind they were placed for. */
  readonly monitors?: Mark & Omit<CommandOf<'place-monitors'>, 'kind'>;
}

/** How something round the opening or inside was found, or why there is none. */
export interface SpaceChecked extends Mark {
  readonly here: boolean;
  readonly words: string;
  readonly person?: string | undefined;
}

/** An entry into a confined space: its plan, how the space was opened and purged, and who is in it. */
export interface EntryRecord {
  readonly plan?: Mark & Omit<CommandOf<'plan-entry'>, 'kind'>;
  /** What was looked at round the opening and inside, by code. */
  readonly checked: Readonly<Partial<Record<SpaceCheckCode, SpaceChecked>>>;
  /** What the cover of the opening weighs (kg), and how it is drawn. */
  readonly cover?: Mark & { readonly weight_kg: number; readonly drawn: CoverWay };
  readonly opened?: Mark & { readonly guard: string };
  readonly pumped?: Mark & { readonly to: string };
  /** The purge that is running, and until when it has to (ISO 8601, UTC). */
  readonly purge?:
    | (Mark &
        Omit<CommandOf<'start-purge'>, 'kind'> & {
          readonly minutes: number;
          readonly why: string;
          readonly until: string;
        })
    | undefined;
  /** The purge that counts: nobody has left the space empty since. */
  readonly purged?: (Mark & { readonly seen: string }) | undefined;
  /** People inside, by id, with what they took in. */
  readonly inside: Readonly<Record<string, { readonly since: string; readonly tools: number }>>;
  /** Things that went in and have not come out. */
  readonly tools: number;
  /** When those inside were last heard. */
  readonly heard?: (Mark & { readonly heard: string }) | undefined;
  /** Why everyone has to come out, and who has not been ticked out yet. */
  readonly emptying?:
    (Mark & { readonly why: string; readonly people: readonly string[] }) | undefined;
}

/** What is wrong with a detector that stands at the work. */
export interface DetectorFault extends Mark {
  readonly use: AirUse;
  readonly place: string;
  readonly why: (typeof DETECTOR_FAULTS)[number];
  readonly words: string;
  /** When it was heard last (ISO 8601, UTC). */
  readonly since: string;
}

/** A short check of a live permit at the place, with the follow-ups that are done. */
export interface Audit extends Mark, AuditFindings {
  /** The number of the permit that was checked. */
  readonly permit: string;
  readonly done: Readonly<Partial<Record<AuditCode, Mark & { readonly words: string }>>>;
}
