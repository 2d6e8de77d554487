import { inArray, sql } from 'drizzle-orm';
import { listWords, type Dossier, type JobEvent, type Mark, type SiteFacts } from '../core/job';
import type { Found, FoundJob, FoundThing } from '../core/found';
import { tables, type Db } from '../db';
import { readSite } from './registers';

/** How many jobs an answer names. */
const MOST_FOUND = 20;
/** How many words of a question count. */
const MOST_WORDS = 8;

interface SearchRow {
  readonly ids: string;
  readonly words: string;
}

/** The row of a job in the index: the number in its id. */
const rowOf = (jobId: string): number => Number(jobId.replace(/\D/g, ''));

const idOf = (row: number): string => `J-${String(row).padStart(4, '0')}`;

const join = (known: string, more: readonly string[]): string =>
  [...new Set([...known.split('\n'), ...more])].filter((one) => one !== '').join('\n');

/** Adds what new events of a job can be found by. Only what was not there yet is written. */
export function indexEvents(
  tx: Db,
  jobId: string,
  dossier: Pick<Dossier, 'equipment' | 'title' | 'workOrder'>,
  events: readonly { readonly event: JobEvent; readonly mark: Mark }[],
  { people }: Pick<SiteFacts, 'people'>,
): void {
  const row = rowOf(jobId);
  const known = tx.get<SearchRow>(sql`select ids, words from search_row where rowid = ${row}`);
  const numbers = events.flatMap(({ event }) =>
    event.kind === 'permit-issued' ? [event.number] : [],
  );
  const order = dossier.workOrder === undefined ? [] : [dossier.workOrder];
  const ids = join(known?.ids ?? '', [jobId, ...order, ...numbers]);
  const words = join(
    known?.words ?? '',
    events.flatMap(({ event, mark }) => listWords(event, mark, people)),
  );
  const { equipment, title } = dossier;
  if (!known) {
    tx.run(
      sql`insert into search_row (rowid, ids, equipment, title, words) values (${row}, ${ids}, ${equipment}, ${title}, ${words})`,
    );
  } else if (known.ids !== ids || known.words !== words) {
    tx.run(sql`update search_row set ids = ${ids}, words = ${words} where rowid = ${row}`);
  }
}

/** Each word of a question as the beginning of a word or phrase; nothing that a person types is syntax. */
const toMatch = (question: string): string =>
  question
    .split(/\s+/)
    .filter((word) => /[\p{L}\p{N}]/u.test(word))
    .slice(0, MOST_WORDS)
    .map((word) => `"${word.replaceAll('"', ' ')}"*`)
    .join(' ');

const newest = (db: Db, match: string): number[] =>
  db
    .all<{
      row: number;
    }>(
      sql`select rowid as row from search_row where search_row match ${match} order by rowid desc limit ${MOST_FOUND}`,
    )
    .map(({ row }) => row);

function findJobs(db: Db, match: string): FoundJob[] {
  // Numbers first, then what the job is about, then everything that happened on it; the newest first.
  const rows = [
    ...new Set(
      [`ids : (${match})`, `{equipment title} : (${match})`, match].flatMap((one) =>
        newest(db, one),
      ),
    ),
  ].slice(0, MOST_FOUND);
  const ids = rows.map(idOf);
  const jobs = db.select().from(tables.jobRows).where(inArray(tables.jobRows.id, ids)).all();
  const permits = db
    .select()
    .from(tables.permitRows)
    .where(inArray(tables.permitRows.job, ids))
    .all();
  return ids.flatMap((id) => {
    const job = jobs.find((row) => row.id === id);
    if (!job) return [];
    const { title, equipment, stage, raisedAt } = job;
    const numbers = permits.filter((row) => row.job === id).map(({ number }) => number);
    return [{ job: id, title, equipment, stage, raisedAt, permits: numbers }];
  });
}

const HOLDING: Readonly<Record<FoundThing['kind'], string>> = {
  plant: '',
  lock: 'lock',
  person: 'person',
};

function findThings(db: Db, question: string): FoundThing[] {
  const wanted = question.trim().toLocaleLowerCase().split(/\s+/);
  const site = readSite(db);
  const { sections, links, equipment } = site.graph.plant;
  const all = (kind: FoundThing['kind'], rows: Iterable<{ id: string; name?: string }>) =>
    [...rows].map(({ id, name = '' }) => ({ kind, id, name }));
  const found = [
    ...all(
      'lock',
      [...site.locks.values()].map(({ id, set }) => ({ id, name: set })),
    ),
    ...all('person', site.people.values()),
    ...all('plant', [...sections, ...links, ...equipment]),
  ].filter(({ id, name }) => {
    const text = `${id} ${name}`.toLocaleLowerCase();
    return wanted.every((word) => text.includes(word));
  });
  const shown = found.slice(0, MOST_FOUND);
  const held = db
    .select()
    .from(tables.holdings)
    .where(
      inArray(
        tables.holdings.item,
        shown.map(({ id }) => id),
      ),
    )
    .all();
  return shown.map((thing) => {
    const holding = held.find(
      ({ kind, item }) => kind === HOLDING[thing.kind] && item === thing.id,
    );
    return { ...thing, ...(holding ? { job: holding.job } : {}) };
  });
}

/** Finds jobs by number, tag, person, lock, date or word, and things of the site by id or name. */
export function findAnything(db: Db, question: string): Found {
  const match = toMatch(question);
  if (match === '') return { jobs: [], things: [] };
  return { jobs: findJobs(db, match), things: findThings(db, question) };
}
