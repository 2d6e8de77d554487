import { standAt, viewDossier, type DossierView, type EarlierJob } from '../core/job';
import { findAuthorisation, type Person } from '../core/people/people';
import type { JobProcedures } from '../core/procedures/offered';
import { findNextStep, listNextUp, type NextStep } from '../core/watch';
import type { Db } from '../db';
import { describeAsBuilt } from './as-built';
import { packChoices, type PackedChoices } from '../core/choices';
import { readNow } from './clock';
import { readEarlier } from './memory';
import { readJob, readSiteFor } from './job-state';
import { listHeld, readOthers } from './jobs';
import { readJobProcedures } from './procedures';
import type { Fault } from '../sim';
import { readFaults } from './stand-ins';

/** Everything that a page about one job shows. */
export interface DossierPage {
  readonly jobId: string;
  readonly sequence: number;
  readonly names: Readonly<Record<string, string>>;
  readonly view: DossierView;
  /** What is to be done next, and by whom. */
  readonly next?: NextStep;
  readonly asBuilt: Readonly<Record<string, string>>;
  readonly choices: PackedChoices;
  readonly practice: boolean;
  /** Earlier jobs on the same equipment, newest first. */
  readonly earlier: readonly EarlierJob[];
  readonly procedures?: JobProcedures;
  readonly faults?: readonly Fault[];
}

/** Reads what a page about a job shows; undefined when there is no such job. */
export function readDossierPage(db: Db, jobId: string, me: Person): DossierPage | undefined {
  const practice = process.env.LANTERN_DEMO === '1';
  const leads = findAuthorisation(me, 'coordinator', readNow(db)) === 'held';
  const { state, sequence } = readJob(db, jobId);
  if (!state) return undefined;
  const site = readSiteFor(db, state);
  const view = viewDossier(state, site, readNow(db), readOthers(db, jobId, site).open(), jobId);
  const queue = listNextUp(jobId, standAt(state, view.now), view.stage, site, view.now);
  const next = findNextStep(queue, view, site);
  const procedures = readJobProcedures(db, jobId, state, me);
  return {
    jobId,
    sequence,
    names: Object.fromEntries([...site.people.values()].map(({ id, name }) => [id, name])),
    view,
    ...(next ? { next } : {}),
    asBuilt: describeAsBuilt(db),
    choices: packChoices(site, { held: listHeld(db), now: view.now }),
    practice,
    earlier: readEarlier(db, jobId, state.equipment, view),
    ...(procedures ? { procedures } : {}),
    ...(practice && leads ? { faults: readFaults(db) } : {}),
  };
}
