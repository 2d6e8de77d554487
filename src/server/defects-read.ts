import { evolveDefects, NO_DEFECTS, type DefectEvent, type DefectRecord } from '../core/defects';
import type { Db } from '../db';
import { readRecord, type RecordRead, type SiteRecord } from './site-record';

export const DEFECTS_OF_SITE: SiteRecord<DefectRecord, DefectEvent> = {
  stream: 'site/defects',
  none: NO_DEFECTS,
  evolve: evolveDefects,
};

/** Every defect that was ever reported, and the version of the record. */
export const readDefects = (db: Db): RecordRead<DefectRecord> => readRecord(db, DEFECTS_OF_SITE);
