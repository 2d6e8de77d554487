import type { JobCaution } from './cautions';

/** The cautions to be said at a point, which may be named by what is read there ("voltage:CAP-1"). */
export function findCautionsAt(cautions: readonly JobCaution[], subject: string): JobCaution[] {
  const id = subject.slice(subject.indexOf(':') + 1);
  return cautions.filter(({ points }) => points.includes(id));
}
