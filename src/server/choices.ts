import type { SiteFacts } from '../core/job';
import { listEmptiable } from '../core/plant';
import { hasLeft, type Role } from '../core/people/people';
import type { Db } from '../db';
import { listHeld } from './jobs';

/**
 * The registers of the site as forms offer them: what is busy, and who is there and may do what by role. Whose authorisation has lapsed or does not count there
 * stays in the lists: the refusal says why.
 */
export function readChoices(db: Db, site: SiteFacts, now: string) {
  const held = listHeld(db);
  return {
    locks: [...site.locks.values()].map((lock) => ({ ...lock, busy: held.has(lock.id) })),
    boxes: [...site.boxes.values()].map((box) => ({ ...box, busy: held.has(box.id) })),
    instruments: [...site.instruments.values()],
    earths: [...site.earths.values()],
    people: [...site.people.values()]
      .filter((person) => !hasLeft(person, now))
      .map(({ id: one, name, employer, authorisations }) => {
        const holds = (...roles: Role[]) => authorisations.some(({ role }) => roles.includes(role));
        return {
          id: one,
          name,
          employer,
          worker: holds('worker', 'performing-authority'),
          leads: holds('performing-authority'),
          issues: holds('issuing-authority'),
          watches: holds(
            'area-operator',
            'isolating-process',
            'isolating-mechanical',
            'isolating-electrical',
          ),
          standsBy: holds('isolating-electrical', 'area-operator'),
          manager: holds('site-manager'),
          fireWatch: holds('fire-watch'),
          safety: holds('auditor'),
          attendant: holds('attendant'),
          operator: holds('area-operator'),
        };
      }),
  };
}

/** The sections where work can be, in the order of ids: a source only where it can be run empty first. */
export function listOffered({ graph }: SiteFacts) {
  const emptiable = new Set(listEmptiable(graph.plant));
  return graph.sections
    .filter(({ id, source }) => !source || emptiable.has(id))
    .map(({ id, name, source }) => ({ id, name, isSource: source !== undefined }));
}
