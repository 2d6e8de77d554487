import type { Mark } from '../job/mark';
import { numbered } from '../text';
import type { StandingDefect } from './apply';
import type { DefectCommand } from './commands';
import { DEFECTS, type DefectKind } from './kinds';

type Of<Kind extends DefectCommand['kind']> = Extract<DefectCommand, { kind: Kind }>;
type Body<Kind extends DefectCommand['kind']> = Omit<Of<Kind>, 'kind'>;

/** What happened to defects, in the past tense. */
export type DefectEvent =
  | ({ readonly kind: 'defect-reported' } & Body<'report-defect'>)
  | ({ readonly kind: 'defect-guarded' } & Body<'guard-defect'>)
  | ({ readonly kind: 'defect-repaired' } & Body<'repair-defect'>)
  | ({ readonly kind: 'defect-tried' } & Body<'prove-defect'>);

/** People whose fresh PIN a command needs: anyone who is signed in may report; what lets people rely on a device again is signed. */
export const listDefectSigners = ({ kind }: DefectCommand, actor: string): readonly string[] =>
  kind === 'guard-defect' || kind === 'prove-defect' ? [actor] : [];

/** Who says that a defect may stand until when, and what stands in. */
export interface Guard extends Mark {
  readonly standsIn: string;
  readonly until: string;
}

/** Something tried after a repair that still did not work. */
export interface Tried extends Mark {
  readonly how: string;
}

interface Reported extends Mark {
  readonly number: number;
  readonly device: string;
  readonly defect: DefectKind;
  readonly seen: string;
  readonly photo?: string | undefined;
  readonly job?: string | undefined;
  /** What the reporter said of it; a guard by somebody with authority stands above it. */
  readonly until?: string | undefined;
  readonly standsIn?: string | undefined;
  readonly guard?: Guard | undefined;
  /** Repairs that were tried and did not hold, oldest first. */
  readonly failed: readonly Tried[];
}

type Repaired = Reported & { readonly repair: Mark & { readonly done: string } };

/** A defect as it stands: open, repaired and to be proved, or proved to be mended. */
export type Defect =
  | ({ readonly kind: 'open' } & Reported)
  | ({ readonly kind: 'repaired' } & Repaired)
  | ({ readonly kind: 'proved'; readonly proved: Tried } & Repaired);

/** Every defect that was ever reported, by its number less one. */
export type DefectRecord = readonly Defect[];

export const NO_DEFECTS: DefectRecord = [];

/** The record after an event; one about a defect that nobody reported changes nothing. */
export function evolveDefects(record: DefectRecord, event: DefectEvent, mark: Mark): DefectRecord {
  if (event.kind === 'defect-reported') {
    return [...record, { ...mark, ...event, kind: 'open', number: record.length + 1, failed: [] }];
  }
  return record.map((one) => (one.number === event.number ? evolveOne(one, event, mark) : one));
}

function evolveOne(
  one: Defect,
  event: Exclude<DefectEvent, { kind: 'defect-reported' }>,
  mark: Mark,
): Defect {
  switch (event.kind) {
    case 'defect-guarded':
      return { ...one, guard: { ...mark, standsIn: event.standsIn, until: event.until } };
    case 'defect-repaired':
      return { ...one, kind: 'repaired', repair: { ...mark, done: event.done } };
    case 'defect-tried': {
      const tried = { ...mark, how: event.how };
      if (one.kind === 'open') return one;
      return event.found === 'sound'
        ? { ...one, kind: 'proved', proved: tried }
        : { ...one, kind: 'open', failed: [...one.failed, tried] };
    }
  }
}

/** Whether a defect still counts: until it is proved to be mended it does. */
export const isStanding = (defect: Defect): boolean => defect.kind !== 'proved';

/** The defects that count, as a drawing is to be believed under them. */
export const listStanding = (record: DefectRecord): StandingDefect[] =>
  record.filter(isStanding).map(({ number, device, defect, at, guard }) => ({
    number,
    device,
    defect,
    at,
    ...(guard ? { guard: { until: guard.until, standsIn: guard.standsIn } } : {}),
  }));

/** Until when a defect may stand: as somebody with authority said, else as its reporter did; undefined where nobody did. */
export const findEnd = ({ guard, until }: Pick<Defect, 'guard' | 'until'>): string | undefined =>
  guard?.until ?? until;

/** "HV-2004 passes when it is shut": what is wrong with what. */
export const sayDefect = ({ device, defect }: Pick<Defect, 'device' | 'defect'>): string =>
  `${device} ${DEFECTS[defect].label}`;

/** "D-0007": a defect by its number, as it is spoken of and printed. */
export const nameDefect = (number: number): string => numbered('D', number);
