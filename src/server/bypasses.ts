import { listBypasses, type Bypass } from '../core/job';
import type { Db } from '../db';
import { readNow } from './clock';
import { readSiteFor } from './job-state';
import { readOpenJobs } from './open-jobs';
import { listPeople } from './registers';

/** One line of the register: the device, the job that puts it out of action, and whether its time is over. */
export interface RegisterLine extends Bypass {
  readonly job: string;
  readonly title: string;
  readonly isOver: boolean;
}

/** The register of bypasses over all open jobs: what is out of action now first, then what will be. */
export function readRegisterOfBypasses(db: Db): {
  readonly lines: readonly RegisterLine[];
  readonly names: Readonly<Record<string, string>>;
} {
  const now = readNow(db);
  const lines = readOpenJobs(db).flatMap(({ id, dossier }) =>
    listBypasses(dossier, readSiteFor(db, dossier)).map((bypass) => ({
      ...bypass,
      job: id,
      title: dossier.title,
      isOver: bypass.allowed !== undefined && Date.parse(now) > Date.parse(bypass.allowed.until),
    })),
  );
  return {
    lines: lines.sort((a, b) => Number(b.state === 'disabled') - Number(a.state === 'disabled')),
    names: Object.fromEntries(listPeople(db).map(({ id, name }) => [id, name])),
  };
}
