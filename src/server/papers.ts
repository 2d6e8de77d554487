import { describeSheets, isNumbered, standAt } from '../core/job';
import { momentsIn } from '../core/moments';
import type { Db } from '../db';
import { readNow } from './clock';
import { describeHead } from './head';
import { readSiteFor, readState } from './job-state';
import { printSheets } from './print/papers';

/** The papers of a job as it stands, as a PDF; undefined when there is no such job. `copy` names a numbered copy that was given. */
export async function readPapers(
  db: Db,
  jobId: string,
  copy?: number,
): Promise<Buffer | undefined> {
  const { state } = readState(db, jobId);
  if (!state) return undefined;
  const now = readNow(db);
  const dossier = standAt(state, now);
  const { permit } = dossier;
  const number = isNumbered(permit) ? permit.number : 'not issued';
  const site = readSiteFor(db, state);
  const sheets = describeSheets(dossier, { job: jobId, site, now, copy });
  const printed = momentsIn(site.values.zone).instant(now);
  return printSheets(sheets, `${jobId}, permit ${number}, printed ${printed}, ${describeHead(db)}`);
}
