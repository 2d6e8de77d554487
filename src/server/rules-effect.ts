import { compareRules, type RulesEffect } from '../core/job';
import type { SiteValues } from '../core/rules/values';
import type { Db } from '../db';
import { readNow } from './clock';
import { readOpenJobs } from './open-jobs';
import { readSite } from './registers';

/** What saving values would change for the jobs that are open, as far as it can be told beforehand. */
export const previewValues = (db: Db, values: SiteValues): RulesEffect[] =>
  compareRules(readOpenJobs(db), readSite(db), values, readNow(db));
