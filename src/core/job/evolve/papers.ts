import { AUDIT_CHECKS } from '../../audit';
import type { JobEvent } from '../events';
import type { Dossier, Mark } from '../state';
import { drop, put } from './ledger';

/** What a job has about it beside plan, isolation and permit: papers, hour, team, stop, clashes and duties. */
type About = Pick<
  Dossier,
  'scope' | 'papers' | 'team' | 'window' | 'halt' | 'clashes' | 'duties' | 'sharedWatch'
>;

/** Why a check stopped the job: what was seen of each that is grave. */
const describeGrave = ({ grave, answers }: Extract<JobEvent, { kind: 'permit-audited' }>): string =>
  grave.map((code) => `${AUDIT_CHECKS[code].asks} Found: ${answers[code]?.seen ?? ''}`).join(' ');

const describeAirAlarm = ({
  device,
  place,
  findings,
}: Extract<JobEvent, { kind: 'air-alarmed' }>): string =>
  `alarm of ${device}, ${place}: ${findings.join('; ')}`;

/** Why a job is stopped when a detector sends nothing. */
export const describeSilence = ({
  device,
  place,
  words,
}: Extract<JobEvent, { kind: 'detector-failed' }>): string => `${device}, ${place}: ${words}`;

/** Names the acceptance of one clash: the rule and the other job. */
export const keyOfClash = (rule: string, other: string): string => `${rule} ${other}`;

/** What an event changes about a job beside its plan, isolation and permit. */
export function evolveAbout(dossier: Dossier, event: JobEvent, mark: Mark): Partial<About> {
  switch (event.kind) {
    case 'job-screened': {
      const { answers, proposed, kinds, left } = event;
      return { papers: { ...mark, answers, proposed, kinds, left: { ...left } } };
    }
    case 'job-scheduled': {
      const { from, until, operator } = event;
      return { window: { ...mark, from, until, operator } };
    }
    case 'team-named':
      return { team: event.people };
    case 'work-stopped':
      return { halt: { ...mark, reason: event.reason } };
    // An alarm stops the work where there is any.
    case 'alarm-raised':
      return dossier.permit.kind === 'issued'
        ? { halt: { ...mark, reason: `alarm at ${event.where}: ${event.seen}` } }
        : {};
    // Air that is not fit stops the work where there is any.
    case 'air-tested':
      return !event.isFit && dossier.permit.kind === 'issued'
        ? { halt: { ...mark, reason: `air not fit: ${event.findings.join('; ')}` } }
        : {};
    case 'air-alarmed':
      return dossier.permit.kind === 'issued'
        ? { halt: { ...mark, reason: describeAirAlarm(event) } }
        : {};
    // Where nobody knows what the air is, nobody goes on working in it.
    case 'detector-failed':
      return event.why === 'silent' && dossier.permit.kind === 'issued'
        ? { halt: { ...mark, reason: describeSilence(event) } }
        : {};
    case 'line-read':
      return event.rose === undefined
        ? {}
        : {
            halt: {
              ...mark,
              reason: `pressure ${event.side} a stuck pig rose from ${event.rose} to ${event.bar} bar: nobody forces it`,
            },
          };
    case 'permit-audited':
      return event.grave.length > 0 && !dossier.halt
        ? { halt: { ...mark, reason: describeGrave(event) } }
        : {};
    case 'stop-lifted':
      return { halt: undefined };
    case 'scope-changed':
      return {
        // What was run empty stays so unless it is said anew.
        scope: {
          ...dossier.scope,
          work: event.work,
          hours: event.hours,
          ...(event.emptied ? { emptied: event.emptied } : {}),
        },
        papers: undefined,
        clashes: {},
      };
    case 'clash-accepted': {
      const { rule, other, how, measure } = event;
      const accepted = { ...mark, other, how, measure };
      return { clashes: put(dossier.clashes, keyOfClash(rule, other), accepted) };
    }
    case 'duty-taken':
      return { duties: put(dossier.duties, event.person, { ...mark, duty: event.duty }) };
    case 'duty-left':
      return { duties: drop(dossier.duties, event.person) };
    case 'fire-watch-shared':
      return { sharedWatch: { ...mark, reason: event.reason } };
    // The duties end with the permit; who watches for fire is on the permit.
    case 'permit-handed-back':
      return { duties: {}, sharedWatch: undefined };
    default:
      return {};
  }
}
