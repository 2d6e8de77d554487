import type { JobEvent } from '../events';
import type { Mark, PermitRecord } from '../state';
import { drop, put } from './ledger';

type Live = Extract<PermitRecord, { kind: 'issued' }>;

/** The incoming lead of a crew takes over; without one the crew is gone. */
function passCrew(crews: Live['crews'], name: string): Live['crews'] {
  const incoming = crews[name]?.incoming;
  return incoming ? put(crews, name, incoming) : drop(crews, name);
}

/** A lock that came off for its absent owner: of a lead, or of someone signed on, who is off with their last lock. */
function takeOff(
  permit: Live,
  { lock, owner, where }: Extract<JobEvent, { kind: 'absent-lock-removed' }>,
): Live {
  const led = Object.entries(permit.crews).find(([, crew]) => crew.lock === lock)?.[0];
  if (led !== undefined) return { ...permit, crews: passCrew(permit.crews, led) };
  const on = permit.people[owner];
  if (on?.locks[where] !== lock) return permit;
  const locks = drop(on.locks, where);
  const isOff = Object.keys(locks).length === 0;
  const { people } = permit;
  return { ...permit, people: isOff ? drop(people, owner) : put(people, owner, { ...on, locks }) };
}

function evolvePeople(
  permit: Live,
  event: Extract<
    JobEvent,
    {
      kind:
        | 'signed-on'
        | 'signed-off'
        | 'crew-joined'
        | 'crew-lead-incoming'
        | 'crew-handed-over'
        | 'crew-left'
        | 'absent-lock-removed';
    }
  >,
  { at }: Mark,
): Live {
  const { people, crews } = permit;
  switch (event.kind) {
    case 'signed-on': {
      const { person, locks, crew } = event;
      return { ...permit, people: put(people, person, { locks, crew, since: at }) };
    }
    case 'signed-off':
      return { ...permit, people: drop(people, event.person) };
    case 'crew-joined': {
      const { crew, lead, lock, verified } = event;
      return { ...permit, crews: put(crews, crew, { lead, lock, verified, since: at }) };
    }
    case 'crew-lead-incoming': {
      const { crew, lead, lock, verified } = event;
      const known = crews[crew];
      if (!known) return permit;
      const incoming = { lead, lock, verified, since: at };
      return { ...permit, crews: put(crews, crew, { ...known, incoming }) };
    }
    case 'crew-handed-over':
    case 'crew-left':
      return { ...permit, crews: passCrew(crews, event.crew) };
    case 'absent-lock-removed':
      return takeOff(permit, event);
  }
}

export function evolvePermit(permit: PermitRecord, event: JobEvent, mark: Mark): PermitRecord {
  switch (event.kind) {
    case 'task-assessed': {
      const { hazards, equipment, emergency } = event;
      return { kind: 'assessed', assessment: { ...mark, hazards, equipment, emergency } };
    }
    case 'permit-approved':
      return permit.kind === 'assessed' ? { ...permit, kind: 'approved', approved: mark } : permit;
    case 'permit-issued':
      return permit.kind === 'approved'
        ? {
            ...permit,
            kind: 'issued',
            number: event.number,
            issuer: mark.by,
            issuedAt: mark.at,
            until: event.until,
            people: {},
            crews: {},
          }
        : permit;
    case 'signed-on':
    case 'signed-off':
    case 'crew-joined':
    case 'crew-lead-incoming':
    case 'crew-handed-over':
    case 'crew-left':
    case 'absent-lock-removed':
      return permit.kind === 'issued' ? evolvePeople(permit, event, mark) : permit;
    case 'permit-handed-back': {
      if (permit.kind !== 'issued') return permit;
      const { assessment, approved, number, issuer, issuedAt, until } = permit;
      return {
        kind: 'handed-back',
        assessment,
        approved,
        number,
        issuer,
        issuedAt,
        until,
        handedBack: mark,
      };
    }
    case 'permit-closed':
      return permit.kind === 'handed-back' ? { ...permit, kind: 'closed', closed: mark } : permit;
    default:
      return permit;
  }
}
