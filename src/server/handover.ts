import { createHash } from 'node:crypto';
import { standAt } from '../core/job';
import {
  decideHandover,
  evolveHandovers,
  findHandoverDue,
  makeReport,
  NO_HANDOVERS,
  type HandoverCommand,
  type HandoverEvent,
  type HandoverRecord,
  type HandoverReport,
} from '../core/handover';
import { explainIn, type ExplainedRefusal } from '../core/rules/book';
import { writeAlone, type Db } from '../db';
import { appendEvents, findHead, readStream } from '../ledger';
import { readNow } from './clock';
import { surveyOpenJobs } from './open-jobs';
import { readSite } from './registers';
import { describeLost, readEach } from './unreadable';

const STREAM = 'site/handover';

/** The record as far as it has been read. */
interface Known {
  readonly version: number;
  readonly record: HandoverRecord;
}

const kept = new WeakMap<Db['$client'], Known>();

/** Every handover and promise, and the version of the record. What was read before is kept: events never change. */
export function readHandovers(db: Db): Known {
  const known = kept.get(db.$client) ?? { version: 0, record: NO_HANDOVERS };
  const read = readStream(db, STREAM, known.version).reduce<Known>(
    ({ record }, { sequence, actor, at, payload }) => ({
      version: sequence,
      record: evolveHandovers(record, payload as HandoverEvent, { by: actor, at }),
    }),
    known,
  );
  kept.set(db.$client, read);
  return read;
}

/** The report as it would be handed over now. */
export interface DraftReport {
  readonly report: HandoverReport;
  /** Names what the report says: it changes when anything in it does. */
  readonly digest: string;
  /** Since when a handover is due (ISO 8601, UTC). */
  readonly due: string | undefined;
}

export function draftReport(db: Db): DraftReport {
  const now = readNow(db);
  const site = readSite(db);
  const { record } = readHandovers(db);
  const open = surveyOpenJobs(db);
  const standing = open.jobs.map((job) => ({ ...job, dossier: standAt(job.dossier, now) }));
  // Each is tried by itself first: one that cannot be reported takes no other with it.
  const { read: jobs, unreadable } = readEach(db, standing, (job) => {
    makeReport([job], [], [], site, now);
    return job;
  });
  const lost = [...open.unreadable, ...unreadable].map((job) => ({
    id: job.id,
    words: describeLost(job),
    people: job.people,
  }));
  const report = makeReport(jobs, lost, record.promises, site, now);
  const isEmpty = Object.values(report).every((lines) => lines.length === 0);
  return {
    report,
    digest: createHash('sha256').update(JSON.stringify(report)).digest('hex').slice(0, 16),
    due: isEmpty ? undefined : findHandoverDue(record, now, site.values),
  };
}

export type HandoverAnswer =
  | { readonly ok: true; readonly version: number }
  | { readonly ok: false; readonly kind: 'refused'; readonly refusals: readonly ExplainedRefusal[] }
  | { readonly ok: false; readonly kind: 'changed-meanwhile'; readonly version: number };

/**
 * Carries out a command about handovers on what its sender saw: the version of the record, and for a handover the digest of its
 * report. When either is another by now, nothing is kept.
 */
export function carryOutHandover(
  db: Db,
  given: {
    readonly command: HandoverCommand;
    readonly expected: number;
    readonly digest?: string | undefined;
    readonly actor: string;
    readonly signed: readonly string[];
  },
): HandoverAnswer {
  return writeAlone(db, (tx) => {
    const { command, expected, digest, actor, signed } = given;
    const { version, record } = readHandovers(tx);
    const draft = draftReport(tx);
    const isSeen = command.kind !== 'hand-over-shift' || digest === draft.digest;
    if (version !== expected || !isSeen) return { ok: false, kind: 'changed-meanwhile', version };
    const site = readSite(tx);
    const now = readNow(tx);
    const decision = decideHandover(record, command, {
      actor,
      now,
      site,
      signed: new Set(signed),
      report: draft.report,
    });
    if (!decision.ok) {
      return {
        ok: false,
        kind: 'refused',
        refusals: decision.refusals.map(explainIn(site.values.zone)),
      };
    }
    const { event } = decision;
    const said = event.kind === 'shift-handed-over' ? { ...event, ledger: findHead(tx) } : event;
    appendEvents(tx, STREAM, version, [said], {
      actor,
      at: now,
      policy: `rules ${site.valuesVersion}`,
    });
    return { ok: true, version: version + 1 };
  });
}
