import { listFollowUps } from '../audit';
import { findNextForChange, NEXT_FOR_CHANGE, sayReview } from '../changes/line';
import { findChangeEnd, isPending, nameChange, sayChange, type Change } from '../changes/record';
import { findEnd, isStanding, nameDefect, sayDefect, type Defect } from '../defects/record';
import {
  computeLamps,
  findCallDue,
  findClearanceEnd,
  findEndOfProofs,
  findInspectionDue,
  isHeld,
  listBypasses,
  listHanging,
  listLit,
  listOn,
  siteOf,
  type Dossier,
  type SiteFacts,
} from '../job';
import { findInspectionEnd, nameProcedure, type Procedure } from '../procedures/record';
import { findRevalidationDue } from '../permits';
import type { HandoverLine, HandoverPart, HandoverReport } from './parts';
import type { Promised } from './promised';

/** A job as it stands at the moment of the report. */
export interface StandingJob {
  readonly id: string;
  readonly dossier: Dossier;
  /** Its own facts, where it is read on another drawing than the newest. */
  readonly site?: SiteFacts | undefined;
}

/** A job of which only this is left, since it cannot be read. */
export interface LostJob {
  readonly id: string;
  readonly words: string;
  readonly people: readonly string[];
}

type Lines = Readonly<Partial<Record<HandoverPart, readonly HandoverLine[]>>>;

/** How far ahead agreed windows are named (h). */
const AHEAD_H = 24;

const isOver = (until: string, now: string): boolean => Date.parse(until) < Date.parse(now);

const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

function describeIsolation(dossier: Dossier, site: SiteFacts): string {
  const { isolation, restoring, permit } = dossier;
  const hanging = listHanging(dossier).filter((lock) => lock.as === 'point').length;
  const { box } = isolation;
  const lit = listLit(computeLamps(dossier, site));
  const parts = [
    count(hanging, 'point lock hangs', 'point locks hang'),
    ...(box ? [`${box.box} shut with ${box.lock}`] : []),
    ...(Object.keys(isolation.earths).length > 0
      ? [count(Object.keys(isolation.earths).length, 'earth on', 'earths on')]
      : []),
    ...(isolation.relit ? ['to be proved again'] : []),
    ...(restoring ? ['being put back'] : []),
    ...(lit.length > 0 ? [`lamps lit: ${lit.join(', ')}`] : []),
    ...(permit.kind === 'watched' || permit.kind === 'handed-back'
      ? [`${permit.number} handed back, not closed`]
      : []),
  ];
  return parts.join('; ');
}

const isIsolated = ({ isolation }: Dossier): boolean =>
  Object.keys(isolation.locked).length +
    Object.keys(isolation.tagged).length +
    Object.keys(isolation.opened).length >
  0;

/** What stands: live, stopped, or isolated with nobody working. */
function listStanding({ id, dossier }: StandingJob, site: SiteFacts): Lines {
  const { permit, halt, title } = dossier;
  const people = Object.keys(listOn(permit));
  const line = (words: string, until?: string): HandoverLine => ({
    job: id,
    words: `${title}: ${words}`,
    ...(until === undefined ? {} : { until }),
    ...(people.length === 0 ? {} : { people }),
  });
  if (halt) return { suspended: [line(halt.reason)] };
  if (permit.kind === 'issued') {
    return { live: [line(`${permit.number}, ${describeIsolation(dossier, site)}`, permit.until)] };
  }
  return isIsolated(dossier) ? { isolated: [line(describeIsolation(dossier, site))] } : {};
}

function listOut({ id, dossier }: StandingJob, site: SiteFacts): HandoverLine[] {
  return listBypasses(dossier, site)
    .filter(({ state }) => state === 'disabled')
    .map(({ device, words, allowed }) => ({
      job: id,
      words: `${device}: ${words}; ${allowed ? `instead: ${allowed.standsIn}` : 'allowed by nobody'}`,
      ...(allowed ? { until: allowed.until } : {}),
    }));
}

/** What is past its moment on a job. */
function listOverdue({ id, dossier }: StandingJob, site: SiteFacts, now: string): HandoverLine[] {
  const { permit, isolation, absent } = dossier;
  const people = Object.keys(listOn(permit));
  const past = (until: string | undefined, words: string): HandoverLine[] =>
    until !== undefined && isOver(until, now) ? [{ job: id, words, until }] : [];
  const untold = Object.keys(absent).filter((owner) => !absent[owner]?.told);
  const due =
    permit.kind === 'issued'
      ? findRevalidationDue(permit.validated.at, now, site.values)
      : undefined;
  return [
    ...(permit.kind === 'lapsed'
      ? [
          {
            job: id,
            words: `${permit.number} has lapsed and is not handed back`,
            until: permit.until,
            ...(people.length > 0 ? { people } : {}),
          },
        ]
      : []),
    ...(isolation.alarm
      ? [{ job: id, words: `alarm at ${isolation.alarm.where}: ${isolation.alarm.seen}` }]
      : []),
    ...past(due, 'not revalidated since the shift began'),
    ...(permit.kind === 'watched'
      ? past(permit.watchedUntil, `${permit.number}: fire watch over, not inspected and closed`)
      : []),
    ...past(
      isHeld(permit) ? findClearanceEnd(dossier, site) : undefined,
      'a clearance of another network has ended',
    ),
    ...past(findCallDue(dossier, site), 'those inside the space have not been called since'),
    ...past(findInspectionDue(dossier, site), 'inspection of the isolation'),
    ...past(isHeld(permit) ? undefined : findEndOfProofs(dossier), 'proofs have run out'),
    ...Object.entries(dossier.bypasses).flatMap(([device, { until }]) =>
      past(until, `${device} was allowed to be out of action until then`),
    ),
    ...(untold.length > 0
      ? [{ job: id, words: 'not told that their lock was taken off', people: untold }]
      : []),
  ];
}

/** What was promised on a job: its hour, what stands against a clash, what is to be done after a check. */
function listPromised({ id, dossier }: StandingJob, now: string): HandoverLine[] {
  const { window, clashes, title } = dossier;
  const isNear =
    window !== undefined &&
    !isOver(window.until, now) &&
    Date.parse(window.from) < Date.parse(now) + AHEAD_H * 3_600_000;
  return [
    ...(isNear
      ? [{ job: id, words: `${title}: begins`, until: window.from, people: [window.operator] }]
      : []),
    ...Object.values(clashes).map(({ other, measure, by }) => ({
      job: id,
      words: `beside ${other}: ${measure}`,
      people: [by],
    })),
  ];
}

function listAfterChecks({ id, dossier }: StandingJob, now: string): Lines {
  const lines = listFollowUps(
    dossier.audits.map((audit) => ({ ...audit, job: id })),
    now,
  );
  const of = (wanted: 'open' | 'overdue'): HandoverLine[] =>
    lines
      .filter(({ state }) => state === wanted)
      .map(({ what, who, until }) => ({ job: id, words: what, until, people: [who] }));
  return { promised: of('open'), overdue: of('overdue') };
}

function listKept(promised: readonly Promised[], now: string): Lines {
  const open = promised.filter(({ kept }) => !kept);
  const line = ({ what, who, until }: Promised): HandoverLine => {
    return { words: what, until, people: [who] };
  };
  return {
    promised: open.filter(({ until }) => !isOver(until, now)).map(line),
    overdue: open.filter(({ until }) => isOver(until, now)).map(line),
  };
}

/** What the site keeps beside its jobs: promises of earlier shifts, defects of devices. */
export interface Kept {
  readonly promised: readonly Promised[];
  readonly defects: readonly Defect[];
  readonly procedures: readonly Procedure[];
  readonly changes: readonly Change[];
}

export const NOTHING_KEPT: Kept = { promised: [], defects: [], procedures: [], changes: [] };

/** Procedures whose yearly inspection is overdue. */
const listProcedures = (
  record: readonly Procedure[],
  { values }: SiteFacts,
  now: string,
): Lines => ({
  overdue: record
    .filter(({ withdrawn }) => withdrawn === undefined)
    .map((one): HandoverLine => {
      const until = findInspectionEnd(one, values['procedure-inspect-d']);
      return { words: `${nameProcedure(one.number)} (${one.task}): inspection`, until };
    })
    .filter(({ until }) => until !== undefined && isOver(until, now)),
});

/** What is wrong with devices, and what stood in for longer than it was allowed to. */
function listDefects(record: readonly Defect[], now: string): Lines {
  const lines = record.filter(isStanding).map((defect): HandoverLine => {
    const { number, guard } = defect;
    const end = findEnd(defect);
    const parts = [
      `${nameDefect(number)}: ${sayDefect(defect)}`,
      ...(guard ? [`instead: ${guard.standsIn}`] : []),
      ...(defect.kind === 'repaired' ? ['repaired, to be proved'] : []),
    ];
    return { words: parts.join('; '), ...(end === undefined ? {} : { until: end }) };
  });
  return byTime('defects', lines, now);
}

/** Lines of a part, and those of them whose time is over among what is overdue. */
function byTime(part: HandoverPart, lines: readonly HandoverLine[], now: string): Lines {
  const isLate = ({ until }: HandoverLine) => until !== undefined && isOver(until, now);
  return { [part]: lines.filter((line) => !isLate(line)), overdue: lines.filter(isLate) };
}

/** What is changed and not settled: how far its review is, and what has to be done next. */
const listChanges = (record: readonly Change[], now: string): Lines =>
  byTime(
    'changes',
    record.filter(isPending).map((one): HandoverLine => {
      const end = findChangeEnd(one);
      const next = NEXT_FOR_CHANGE[findNextForChange(one, now)];
      const words = `${nameChange(one.number)}, ${sayChange(one)}: ${sayReview(one, now)}; ${next}`;
      return { words, ...(end === undefined ? {} : { until: end }) };
    }),
    now,
  );

/** Gathers what is live, isolated, stopped, out of action, overdue and promised at `now`, from the jobs that are not closed, those of them that cannot be read, and what the site keeps beside them. */
export function makeReport(
  jobs: readonly StandingJob[],
  lost: readonly LostJob[],
  { promised, defects, procedures, changes }: Kept,
  site: SiteFacts,
  now: string,
): HandoverReport {
  const all: readonly Lines[] = [
    ...jobs.flatMap((job): Lines[] => {
      const own = siteOf(job, site);
      return [
        listStanding(job, own),
        { bypassed: listOut(job, own) },
        { overdue: listOverdue(job, own, now), promised: listPromised(job, now) },
        listAfterChecks(job, now),
      ];
    }),
    // Nobody knows how it stands: it is handed over as if it were live.
    ...lost.map(({ id, words, people }): Lines => ({ live: [{ job: id, words, people }] })),
    listKept(promised, now),
    listDefects(defects, now),
    listChanges(changes, now),
    listProcedures(procedures, site, now),
  ];
  const of = (part: HandoverPart) => all.flatMap((lines) => lines[part] ?? []);
  return {
    live: of('live'),
    isolated: of('isolated'),
    suspended: of('suspended'),
    bypassed: of('bypassed'),
    defects: of('defects'),
    changes: of('changes'),
    overdue: of('overdue'),
    promised: of('promised'),
  };
}
