import {
  evolveChanges,
  NO_CHANGES,
  type ChangeEvent,
  type ChangeRecord,
} from '../core/changes/record';
import type { Db } from '../db';
import { readRecord, type RecordRead, type SiteRecord } from './site-record';

export const CHANGES_OF_SITE: SiteRecord<ChangeRecord, ChangeEvent> = {
  stream: 'site/changes',
  none: NO_CHANGES,
  evolve: evolveChanges,
};

/** Every change that was ever proposed, and the version of the record. */
export const readChanges = (db: Db): RecordRead<ChangeRecord> => readRecord(db, CHANGES_OF_SITE);
