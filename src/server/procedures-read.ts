import {
  evolveProcedures,
  NO_PROCEDURES,
  type ProcedureEvent,
  type ProcedureRecord,
} from '../core/procedures/record';
import type { Db } from '../db';
import { readRecord, type RecordRead, type SiteRecord } from './site-record';

export const PROCEDURES_OF_SITE: SiteRecord<ProcedureRecord, ProcedureEvent> = {
  stream: 'site/procedures',
  none: NO_PROCEDURES,
  evolve: evolveProcedures,
};

/** Every procedure that was ever written, and the version of the record. */
export const readProcedures = (db: Db): RecordRead<ProcedureRecord> =>
  readRecord(db, PROCEDURES_OF_SITE);
