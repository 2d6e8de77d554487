import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TZDate } from '@date-fns/tz';
import { nanoid } from 'nanoid';
import { z } from 'zod';
import { changeCommandSchema } from '../core/changes';
import { defectCommandSchema } from '../core/defects';
import { commandSchema, listSigners } from '../core/job';
import { procedureCommandSchema } from '../core/procedures';
import { ProgrammerFault } from '../core/result';
import type { SiteValues } from '../core/rules/values';
import { writeAlone, type Db } from '../db';
import { readNow, setClock } from './clock';
import { carryOutChange } from './changes';
import { carryOutDefect } from './defects';
import { carryOutHandover, draftReport } from './handover';
import { carryOut } from './jobs';
import { carryOutProcedure } from './procedures';
import type { RecordAnswer } from './site-record';
import { readValues } from './site-rules';
import { hoursAfter } from '../core/hours';

const entrySchema = z.strictObject({
  /** When it is given (min after the day shift begins). */
  at: z.number(),
  /** The job it is on, by a name of this file alone. */
  job: z.string(),
  actor: z.string(),
  command: commandSchema,
});
type Entry = z.infer<typeof entrySchema>;

/** What was told of the site beside its jobs, in the order of time. */
const entryOf = <Record extends string, Schema extends z.ZodType>(
  record: Record,
  command: Schema,
) => z.strictObject({ at: z.number(), record: z.literal(record), actor: z.string(), command });
const siteEntrySchema = z.discriminatedUnion('record', [
  entryOf('defects', defectCommandSchema),
  entryOf('procedures', procedureCommandSchema),
  entryOf('changes', changeCommandSchema),
]);
type SiteEntry = z.infer<typeof siteEntrySchema>;

/** Moments in the file are written as if the day shift began here. */
const WRITTEN_FOR = Date.parse('2000-01-01T06:00:00.000Z');

/** The entries of a file with every moment in them moved to the day that is played. */
function readEntries<Schema extends z.ZodType>(
  file: string,
  schema: Schema,
  begins: number,
): z.infer<Schema>[] {
  const written = readFileSync(file, 'utf8');
  const moved = written.replace(/"((?:1999|2000)-\d\d-\d\dT[\d:.]+Z)"/g, (_, at: string) =>
    JSON.stringify(new Date(Date.parse(at) - WRITTEN_FOR + begins).toISOString()),
  );
  return z.array(schema).parse(JSON.parse(moved));
}

/** Where the demonstration begins (min after the day shift begins). */
const OPENS_AT = 130;
/** When the night shift hands over (min). */
const HANDED_OVER_AT = -20;

/** The beginning of the first shift of the day, by the clock on the site's wall (ms). */
function findMorning(now: string, { zone, 'shift-starts': starts }: SiteValues): number {
  const today = new TZDate(Date.parse(now), zone);
  const [hour = 6, minute = 0] = (starts[0] ?? '06:00').split(':').map(Number);
  return new TZDate(
    today.getFullYear(),
    today.getMonth(),
    today.getDate(),
    hour,
    minute,
    zone,
  ).getTime();
}

type Played = Map<string, { readonly id: string; readonly sequence: number }>;

function play(
  db: Db,
  entries: readonly Entry[],
  jobs: Played,
  clock: (minutes: number) => void,
): void {
  for (const { at, job, actor, command } of entries) {
    clock(at);
    const known = jobs.get(job) ?? { id: 'new', sequence: 0 };
    const answer = carryOut(db, {
      jobId: known.id,
      command,
      expected: known.sequence,
      key: nanoid(),
      actor,
      signed: listSigners(command, actor),
    });
    if (!answer.ok) {
      throw new ProgrammerFault(`${job}, ${command.kind} at ${at}: ${JSON.stringify(answer)}`);
    }
    jobs.set(job, { id: answer.jobId, sequence: answer.sequence });
  }
}

function giveOnSite(
  db: Db,
  told: SiteEntry,
  by: { readonly actor: string; readonly signed: readonly string[] },
): RecordAnswer {
  switch (told.record) {
    case 'defects':
      return carryOutDefect(db, { ...by, command: told.command });
    case 'procedures':
      return carryOutProcedure(db, { ...by, command: told.command });
    case 'changes':
      return carryOutChange(db, { ...by, command: told.command });
  }
}

function playOnSite(db: Db, entries: readonly SiteEntry[], clock: (minutes: number) => void): void {
  for (const told of entries) {
    const { at, actor } = told;
    clock(at);
    const signed = [actor];
    const answer = giveOnSite(db, told, { actor, signed });
    if (!answer.ok)
      throw new ProgrammerFault(`${told.command.kind} at ${at}: ${JSON.stringify(answer)}`);
  }
}

/** The night shift hands over with a promise for the day. */
function handOver(db: Db, now: string): void {
  const until = hoursAfter(now, 10);
  const answer = carryOutHandover(db, {
    command: {
      kind: 'hand-over-shift',
      incoming: 'hana',
      notes: 'Quiet night. The flushing valve of P-202 is back in service since yesterday.',
      promises: [{ what: 'spare packing nut for P-202 ordered', who: 'jun', until }],
    },
    expected: 0,
    digest: draftReport(db).digest,
    actor: 'ben',
    signed: ['ben', 'hana'],
  });
  if (!answer.ok) throw new ProgrammerFault(JSON.stringify(answer));
}

/**
 * Plays the invented morning of the demonstration onto a site that was just loaded, each step through the same rules as any other,
 * and leaves the clock two hours into the day shift. `raise` raises the jobs that are only raised, the day before. All of it is
 * kept, or nothing.
 */
export function playMorning(
  db: Db,
  raise: (db: Db) => void,
  folder = join(process.cwd(), 'demo'),
): void {
  const begins = findMorning(readNow(db), readValues(db).values);
  const entries = readEntries(join(folder, 'morning.json'), entrySchema, begins);
  const onSite = readEntries(join(folder, 'site-morning.json'), siteEntrySchema, begins);
  const isNight = ({ at }: { readonly at: number }) => at < HANDED_OVER_AT;
  writeAlone(db, (tx) => {
    const clock = (minutes: number) => setClock(tx, begins + minutes * 60_000);
    const jobs: Played = new Map();
    clock((entries[0]?.at ?? 0) - 60);
    raise(tx);
    play(tx, entries.filter(isNight), jobs, clock);
    playOnSite(tx, onSite.filter(isNight), clock);
    clock(HANDED_OVER_AT);
    handOver(tx, readNow(tx));
    const isDay = (entry: { readonly at: number }) => !isNight(entry);
    play(tx, entries.filter(isDay), jobs, clock);
    playOnSite(tx, onSite.filter(isDay), clock);
    clock(OPENS_AT);
  });
}
