import type { JobEvent } from '../events';
import type { Mark, PermitRecord } from '../state';
import { drop, put } from './ledger';

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
          }
        : permit;
    case 'signed-on':
      return permit.kind === 'issued'
        ? { ...permit, people: put(permit.people, event.person, event.lock) }
        : permit;
    case 'signed-off':
      return permit.kind === 'issued'
        ? { ...permit, people: drop(permit.people, event.person) }
        : permit;
    case 'absent-lock-removed':
      return permit.kind === 'issued' && permit.people[event.owner] === event.lock
        ? { ...permit, people: drop(permit.people, event.owner) }
        : permit;
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
