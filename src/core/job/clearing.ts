import { findPig, type ClearingSection } from '../clearing/profile';
import { isFluid } from '../plant';
import { DEAD_LIMITS } from '../proving';
import { refuse, type Refusal } from '../rules/refuse';
import { PIG_SIDES } from './commands-clearing';
import type { ClearingRecord, CriticalMessage } from './clearing-records';
import type { CommandOf } from './commands';
import type { SiteValues } from '../rules/values';
import type { Context, SiteFacts } from './site';
import type { Dossier } from './state';

type Side = (typeof PIG_SIDES)[number];

/** Sides of a line that have not been read without pressure since the pig last moved. */
export const listUnread = ({ readings }: ClearingRecord): Side[] =>
  PIG_SIDES.filter((side) => !((readings[side]?.bar ?? Infinity) <= DEAD_LIMITS.pressure.most));

/** Refuses to go to a line, or to open it, that may be under pressure. One that never held gas is not. */
export function requireDead(clearing: ClearingRecord): Refusal[] {
  const unread = clearing.isCharged ? listUnread(clearing) : [];
  return unread.length > 0
    ? [
        refuse('line-under-pressure', {
          sides: unread
            .map((side) => (side === 'ahead' ? 'ahead of the pig' : 'behind the pig'))
            .join(', '),
        }),
      ]
    : [];
}

/** Messages that were sent and not read back right. */
const listOpenMessages = ({ messages }: Dossier): CriticalMessage[] =>
  messages.filter(({ back }) => back?.right !== true);

const refuseOpen = (message: CriticalMessage): Refusal =>
  refuse('message-open', { number: message.number, said: message.said });

/** Refuses the next step while a message stands open, or where none was read back right lately. */
export function requireMessage(dossier: Dossier, { values }: SiteFacts, now: string): Refusal[] {
  const open = listOpenMessages(dossier);
  if (open.length > 0) return open.map(refuseOpen);
  const minutes = values['message-counts-min'];
  const isLate = dossier.messages.every(
    ({ back }) => !back || Date.parse(now) - Date.parse(back.at) > minutes * 60_000,
  );
  return isLate ? [refuse('message-missing', { minutes })] : [];
}

/** Whoever starts something sees everybody, or had a message read back; where nobody says which, they do not see them. */
export const requireSight = (
  dossier: Dossier,
  { ran, sight }: CommandOf<'see-start' | 'run-test'>,
  { site, now }: Pick<Context, 'site' | 'now'>,
): Refusal[] => (ran && sight !== 'seen' ? requireMessage(dossier, site, now) : []);

/** What of a line that is cleared keeps the permit from being handed back: a pig in it, or pressure. */
export function gateCleared({ clearing }: Dossier): Refusal[] {
  if (!clearing) return [];
  return [...(clearing.run ? [refuse('pig-under-way')] : []), ...requireDead(clearing)];
}

/** The section that is cleared now or next; undefined once all are. */
export const findSection = ({ worked, cleared }: ClearingRecord): ClearingSection | undefined =>
  worked.sections[cleared];

/** A line that is cleared with gas, as its page shows it. */
export interface ClearingView {
  readonly section: ClearingSection | undefined;
  /** Where the pig is as far as it is known (m), and whether it should have come by now. */
  readonly pig: { readonly at_m: number; readonly isOverdue: boolean } | undefined;
  /** Nobody within of the receiver (m). */
  readonly zone_m: number;
  readonly unread: readonly Side[];
}

/** How far off everybody stays from a line that is cleared with gas (m). */
const findZone = ({ worked }: ClearingRecord, values: SiteValues): number =>
  Math.max(values['receiver-clear-m'], ...worked.sections.map(({ clear_m }) => clear_m));

/** The same while there is or may be gas in it; undefined where nothing is to be cleared any more. */
export const findClearDistance = (
  { clearing }: Dossier,
  { values }: SiteFacts,
): number | undefined =>
  clearing && (findSection(clearing) || requireDead(clearing).length > 0)
    ? findZone(clearing, values)
    : undefined;

export function viewClearing(
  { clearing }: Dossier,
  { values }: SiteFacts,
  now: string,
): ClearingView | undefined {
  if (!clearing) return undefined;
  const section = findSection(clearing);
  const { run, plan } = clearing;
  const until = run?.stuck?.at ?? now;
  return {
    section,
    pig: run && section && findPig(section, run.seen, plan.speed_m_min, until),
    zone_m: findZone(clearing, values),
    unread: clearing.isCharged ? listUnread(clearing) : [],
  };
}

/** Whether the place of work is a line or vessel that something flows through. */
export const canBeCleared = ({ scope }: Dossier, { graph }: SiteFacts): boolean =>
  scope.work.some(({ section }) => {
    const energy = graph.medium[graph.sectionAt.get(section) ?? -1]?.energy;
    return energy !== undefined && isFluid(energy);
  });
