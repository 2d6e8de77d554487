import {
  findAirEnd,
  findCallDue,
  findClearanceEnd,
  findStay,
  gateCalled,
  gateClearances,
  gateDefects,
  findEndOfProofs,
  isHeld,
  listAirUses,
  listFaults,
  listOn,
  viewClearing,
  viewRunUp,
  type Dossier,
  type SiteFacts,
  type Stage,
} from '../job';
import { AIR_USE_WORDS } from '../gas';
import { computeTail } from '../hotwork';
import { findRevalidationDue } from '../permits';
import { ROLE_NAMES, type Role } from '../people/people';
import { explainIn } from '../rules/book';

/** How soon something needs someone: at once, by a moment, or when somebody gets to it. */
export type Urgency = 'now' | 'timed' | 'waiting';

/** Something on a job that needs someone next. */
export interface NextUp {
  readonly job: string;
  readonly title: string;
  readonly urgency: Urgency;
  /** By when (ISO 8601, UTC), where there is a moment. */
  readonly at?: string;
  /** Who it waits for: the role, and what it is called. */
  readonly role: Role;
  readonly who: string;
  readonly what: string;
  /** Where it is done, when that is not at a job. */
  readonly to?: string;
}

type Next = Omit<NextUp, 'job' | 'title' | 'who'> & { readonly who?: string };

const now = (role: Role, what: string): Next => ({ urgency: 'now', role, what });
const by = (at: string, role: Role, what: string): Next => ({ urgency: 'timed', at, role, what });
const waits = (role: Role, what: string): Next => ({ urgency: 'waiting', role, what });

function nameOn(dossier: Dossier, site: SiteFacts): string {
  return Object.keys(listOn(dossier.permit))
    .map((id) => site.people.get(id)?.name ?? id)
    .join(', ');
}

/** What cannot wait: an alarm, a stop or a lapse with people still on. */
function listUrgent(dossier: Dossier, site: SiteFacts, at: string): Next[] {
  const { permit, isolation, halt, entry } = dossier;
  const on = nameOn(dossier, site);
  const callOff = on === '' ? '' : `; call off ${on}`;
  const { alarm } = isolation;
  const isStood = permit.kind === 'issued' || isolation.attended !== undefined;
  const [defect] = isStood ? gateDefects(dossier, site) : [];
  const isNeeded = permit.kind === 'issued' || permit.kind === 'suspended';
  const [over] = isNeeded ? gateClearances(dossier, site, at) : [];
  const missing = (entry.emptying?.people ?? []).map((id) => site.people.get(id)?.name ?? id);
  const pig = viewClearing(dossier, site, at)?.pig;
  const { stuck } = dossier.clearing?.run ?? {};
  return [
    ...(stuck
      ? [now('performing-authority', `pig stuck: ${stuck.seen}; let it down from both sides`)]
      : []),
    ...(pig?.isOverdue && !stuck
      ? [now('performing-authority', `the pig should have come by now: take it as stuck`)]
      : []),
    ...(alarm ? [now('coordinator', `alarm at ${alarm.where}: ${alarm.seen}${callOff}`)] : []),
    ...(defect
      ? [
          now(
            'coordinator',
            `${explainIn(site.values.zone)(defect).says.replace(/\.$/, '')}${callOff}`,
          ),
        ]
      : []),
    ...(over
      ? [
          now(
            'issuing-authority',
            `${explainIn(site.values.zone)(over).says.replace(/\.$/, '')}${callOff}`,
          ),
        ]
      : []),
    ...(missing.length > 0
      ? [now('attendant', `account for ${missing.join(', ')}: not yet seen outside`)]
      : []),
    ...listFaults(dossier).map(({ device, place, words }) =>
      now('gas-tester', `${device}, ${place}: ${words}`),
    ),
    ...(halt && !alarm ? [now('issuing-authority', `stopped: ${halt.reason}${callOff}`)] : []),
    ...(permit.kind === 'lapsed'
      ? [
          on === ''
            ? waits('performing-authority', `${permit.number} has lapsed: hand it back`)
            : now('performing-authority', `${permit.number} has lapsed${callOff}`),
        ]
      : []),
  ];
}

/** When the newest tests of the air cease to let anyone on. */
const listAirEnds = (dossier: Dossier, site: SiteFacts): Next[] =>
  dossier.permit.kind === 'issued'
    ? listAirUses(dossier.permit.papers).flatMap((use) => {
        const end = findAirEnd(dossier, site, use);
        return end === undefined
          ? []
          : [by(end, 'gas-tester', `air for ${AIR_USE_WORDS[use]} to be tested again`)];
      })
    : [];

/** When those inside are called, when their stay ends, when a purge is over. */
function listEntryTimes(dossier: Dossier, site: SiteFacts): Next[] {
  const { inside, purge } = dossier.entry;
  const call = findCallDue(dossier, site);
  const stay = findStay(dossier);
  const stays = Object.entries(inside).flatMap(([person, { since }]) => {
    if (stay === undefined) return [];
    const end = new Date(Date.parse(since) + stay * 60_000).toISOString();
    return [
      by(end, 'attendant', `${site.people.get(person)?.name ?? person} comes out: stay over`),
    ];
  });
  return [
    ...(call === undefined ? [] : [by(call, 'attendant', 'call those inside')]),
    ...stays,
    ...(purge ? [by(purge.until, 'performing-authority', 'purge over: end it, then test')] : []),
  ];
}

/** When the next round of a watch for fire is due. */
function listRounds({ permit }: Dossier, at: string): Next[] {
  if (permit.kind !== 'watched') return [];
  const { nextRound } = computeTail(permit.tail, permit.handedBack.at, permit.rounds, at);
  return nextRound === undefined
    ? []
    : [by(nextRound, 'fire-watch', 'round of the watch for fire')];
}

/** What is to be begun before a stop, by whom, and the call once all of it is done. */
function listRunUp(dossier: Dossier, site: SiteFacts, at: string): Next[] {
  const runUp = viewRunUp(dossier, site, at);
  if (!runUp || runUp.isCalled) return [];
  const open = runUp.steps.filter(({ done }) => done === undefined);
  const isOpen = (id: string): boolean => open.some((step) => step.id === id);
  const late = runUp.slip_min > 0 ? `; the stop slips ${runUp.slip_min} min` : '';
  const steps = open
    .filter(({ after }) => !after.some(isOpen))
    .map(({ what, who, kind, begun, beginBy, endBy, slip_min }): Next => {
      const isEnding = begun !== undefined || kind === 'ready';
      const words = `before the stop: ${isEnding ? 'finish' : 'begin'} ${what}${slip_min > 0 ? late : ''}`;
      return {
        ...by(isEnding ? endBy : beginBy, 'area-operator', words),
        who: site.people.get(who)?.name ?? who,
      };
    });
  const isReady = open.length === 0 && gateCalled(dossier).length > 0;
  return [
    ...steps,
    ...(isReady
      ? [by(runUp.hour, 'area-operator', 'call that the plant is ready to be stopped')]
      : []),
  ];
}

/** What has a moment: lapse, revalidation, proofs that run out, tail, bypass. */
function listTimed(dossier: Dossier, site: SiteFacts, at: string): Next[] {
  const { permit } = dossier;
  const due =
    permit.kind === 'issued'
      ? findRevalidationDue(permit.validated.at, at, site.values)
      : undefined;
  const proofs = findEndOfProofs(dossier);
  const clearance = isHeld(permit) ? findClearanceEnd(dossier, site) : undefined;
  const bypasses = Object.entries(dossier.bypasses).filter(() => dossier.isolation.attended);
  return [
    ...(permit.kind === 'issued'
      ? [by(permit.until, 'issuing-authority', `${permit.number} ends: hand it back or extend it`)]
      : []),
    ...(clearance === undefined
      ? []
      : [
          by(
            clearance,
            'coordinator',
            'a clearance of another network ends: have it given for longer',
          ),
        ]),
    ...(due === undefined
      ? []
      : [by(due, 'issuing-authority', 'revalidate: a new shift has begun')]),
    ...listAirEnds(dossier, site),
    ...listEntryTimes(dossier, site),
    ...listRounds(dossier, at),
    ...listRunUp(dossier, site, at),
    ...(proofs === undefined
      ? []
      : [by(proofs, 'coordinator', 'proofs run out when nobody comes')]),
    ...(permit.kind === 'watched'
      ? [by(permit.watchedUntil, 'issuing-authority', 'fire watch ends: inspect and close')]
      : []),
    ...bypasses.map(([device, { until }]) => by(until, 'coordinator', `bypass of ${device} ends`)),
  ];
}

const WAITING: Readonly<Partial<Record<Stage, Next>>> = {
  plan: waits('coordinator', 'plan the isolation'),
  review: waits('issuing-authority', 'review the plan'),
  'walk-down': waits('area-operator', 'walk the plan down'),
  isolate: waits('isolating-process', 'isolate, let down and prove'),
  restore: waits('isolating-process', 'put the points back, walk the line'),
};

/** What waits for somebody, by the stage of the job and the state of its permit. */
function listWaiting({ permit }: Dossier, stage: Stage): Next[] {
  if (permit.kind === 'handed-back')
    return [waits('issuing-authority', 'inspect and close the permit')];
  if (stage === 'permit') {
    const what = {
      draft: 'screen and assess',
      cancelled: 'assess anew, or put back',
      assessed: 'approve',
      approved: 'issue at the hatch',
    }[permit.kind as string];
    return what === undefined ? [] : [waits('issuing-authority', what)];
  }
  const next = WAITING[stage];
  return next && !isHeld(permit) ? [next] : [];
}

const RANK: Readonly<Record<Urgency, number>> = { now: 0, timed: 1, waiting: 2 };

/** Orders what needs someone: at once, then by the moment, then what waits, by job. */
export const sortQueue = (queue: readonly NextUp[]): NextUp[] =>
  [...queue].sort(
    (a, b) =>
      RANK[a.urgency] - RANK[b.urgency] ||
      Date.parse(a.at ?? '') - Date.parse(b.at ?? '') ||
      (a.job < b.job ? -1 : a.job > b.job ? 1 : 0),
  );

/** What of a job needs someone next, at `at`. */
export function listNextUp(
  job: string,
  dossier: Dossier,
  stage: Stage,
  site: SiteFacts,
  at: string,
): NextUp[] {
  return [
    ...listUrgent(dossier, site, at),
    ...listTimed(dossier, site, at),
    ...listWaiting(dossier, stage),
  ].map((next) => ({ job, title: dossier.title, who: ROLE_NAMES[next.role], ...next }));
}
