import { createHash } from 'node:crypto';
import { standAt } from '../core/job';
import {
  decideHandover,
  evolveHandovers,
  findHandoverDue,
  makeReport,
  NO_HANDOVERS,
  NOTHING_KEPT,
  type HandoverCommand,
  type HandoverEvent,
  type HandoverRecord,
  type HandoverReport,
} from '../core/handover';
import type { Db } from '../db';
import { findHead } from '../ledger';
import { readChanges } from './changes-read';
import { readNow } from './clock';
import { readDefects } from './defects-read';
import { surveyOpenJobs } from './open-jobs';
import { readProcedures } from './procedures-read';
import { readSite } from './registers';
import {
  readRecord,
  writeRecord,
  type RecordAnswer,
  type RecordRead,
  type SiteRecord,
} from './site-record';
import { describeLost, readEach } from './unreadable';

const HANDOVERS: SiteRecord<HandoverRecord, HandoverEvent> = {
  stream: 'site/handover',
  none: NO_HANDOVERS,
  evolve: evolveHandovers,
};

/** Every handover and promise, and the version of the record. */
export const readHandovers = (db: Db): RecordRead<HandoverRecord> => readRecord(db, HANDOVERS);

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
    makeReport([job], [], NOTHING_KEPT, site, now);
    return job;
  });
  const lost = [...open.unreadable, ...unreadable].map((job) => ({
    id: job.id,
    words: describeLost(job),
    people: job.people,
  }));
  const kept = {
    promised: record.promises,
    defects: readDefects(db).record,
    procedures: readProcedures(db).record,
    changes: readChanges(db).record,
  };
  const report = makeReport(jobs, lost, kept, site, now);
  const isEmpty = Object.values(report).every((lines) => lines.length === 0);
  return {
    report,
    digest: createHash('sha256').update(JSON.stringify(report)).digest('hex').slice(0, 16),
    due: isEmpty ? undefined : findHandoverDue(record, now, site.values),
  };
}

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
): RecordAnswer {
  const { command, expected, digest, actor, signed } = given;
  return writeRecord(db, HANDOVERS, actor, {
    decide: (tx, { version, record }, now) => {
      const draft = draftReport(tx);
      const isSeen = command.kind !== 'hand-over-shift' || digest === draft.digest;
      if (version !== expected || !isSeen) return undefined;
      const decision = decideHandover(record, command, {
        actor,
        now,
        site: readSite(tx),
        signed: new Set(signed),
        report: draft.report,
      });
      return decision.ok && decision.event.kind === 'shift-handed-over'
        ? { ok: true, event: { ...decision.event, ledger: findHead(tx) } }
        : decision;
    },
  });
}
