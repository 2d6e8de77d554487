import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import {
  decideJob,
  evolveDossier,
  listSigners,
  type DossierState,
  type JobEvent,
} from '../src/core/job';
import { tables, openDatabase, writeAlone, type Db } from '../src/db';
import { appendEvents } from '../src/ledger';
import { readNow } from '../src/server/clock';
import { loadDemo } from '../src/server/demo';
import { readState } from '../src/server/job-state';
import { carryOut } from '../src/server/jobs';
import { readSite, saveRegister } from '../src/server/registers';
import { findAnything, indexEvents } from '../src/server/search';
import { readBoard } from '../src/server/watch';
import {
  contextFor,
  fieldSteps,
  HANDED_BACK,
  PERMIT,
  USABLE,
  type Step,
} from '../tests/support/seal-change';
import { say, summarise, time } from './timing';

const PERMITS = Number(process.env.LANTERN_BENCH_PERMITS ?? 50_000);
const LIVE = 300;
const EVENTS_EACH = 40;
const PEOPLE = 50;
const HOUR = 3_600_000;
/** Numbers, tags, people, locks, dates and words, rare ones and such as stand in every job. */
const QUESTIONS = [
  'P-7000',
  'J-12',
  'HV-2004',
  'C-1',
  'Hana Brightwater',
  '2026-11',
  'seal change',
  'stopped at the panel',
  'Seal change 4711',
  'a',
  'nothing-like-this',
] as const;

/** Jobs of the bench, after those of the demonstration. */
const idOf = (n: number): string => `J-${n + 1000}`;

/** The events of one job, each with who did it, an hour and a half before `now`. */
function listEvents(
  now: string,
): { readonly event: JobEvent; readonly by: string; readonly at: string }[] {
  const steps: Step[] = [...USABLE, ...fieldSteps(), ...PERMIT, HANDED_BACK[0] as Step];
  const start = Date.parse(now) - 40 * 60_000;
  let state: DossierState;
  return steps.flatMap(([by, command]) => {
    const isLate = ['wait-out-store', 'prove', 'try-start', 'lock-box', 'sign-on'].includes(
      command.kind,
    );
    const at = new Date(
      start + (isLate || command.kind.endsWith('permit') ? 30 * 60_000 : 0),
    ).toISOString();
    const context = { ...contextFor(by, listSigners(command, by), at) };
    const issue = command.kind === 'issue-permit' ? { ...command, hours: undefined } : command;
    const decision = decideJob(state, issue, context);
    if (!decision.ok) throw new Error(`${command.kind}: ${JSON.stringify(decision.refusals)}`);
    return decision.events.map((event) => {
      state = evolveDossier(state, event, { by, at });
      return { event, by, at };
    });
  });
}

/** The same event on another job: with locks, boxes and a worker of its own. */
const moved = (event: JobEvent, n: number): JobEvent =>
  JSON.parse(
    JSON.stringify(event).replace(/"((?:E|P|C|W|BOX)-\d+|kit)"/g, `"$1.${n}"`),
  ) as JobEvent;

/** Every lock and box that hangs on the live jobs is in the register, as it would be. */
function registerLocks(db: Db, events: ReturnType<typeof listEvents>): void {
  const { locks, boxes, instruments, earths } = readSite(db);
  const more = Array.from({ length: LIVE }, (_, index) => PERMITS - LIVE + index).flatMap((n) =>
    events
      .flatMap(({ event }) => {
        if (event.kind === 'point-locked') return [{ set: 'bench', use: 'point', id: event.lock }];
        if (event.kind === 'box-locked') return [{ set: 'bench', use: 'control', id: event.lock }];
        if (event.kind !== 'signed-on') return [];
        const own = { set: 'bench', use: 'personal', owner: `${event.person}.${n}` };
        return Object.values(event.locks).map((id) => ({ ...own, id }));
      })
      .map(({ id, ...rest }) => ({ ...rest, id: `${id}.${n}` })),
  );
  saveRegister(db, 'registers', {
    locks: [...locks.values(), ...more],
    boxes: [...boxes.values()],
    instruments: [...instruments.values()],
    earths: [...earths.values()],
  });
}

/** Ten years of records: so many closed jobs of forty events each, and three hundred whose permits are live. */
function fill(db: Db): void {
  const now = readNow(db);
  const events = listEvents(now);
  const past = events.slice(0, EVENTS_EACH);
  const closed = PERMITS - LIVE;
  registerLocks(db, events);
  const batch = 500;
  const { people } = readSite(db);
  for (let from = 0; from < PERMITS; from += batch) {
    writeAlone(db, (tx) => {
      for (let n = from; n < Math.min(PERMITS, from + batch); n++) {
        const id = idOf(n);
        const isLive = n >= closed;
        const own = isLive ? events : past;
        const back = isLive ? 0 : (closed - n) * 1.7 * HOUR;
        own.forEach(({ event, by, at }, sequence) =>
          appendEvents(tx, `job/${id}`, sequence, [isLive ? moved(event, n) : event], {
            actor: by,
            at: new Date(Date.parse(at) - back).toISOString(),
            policy: 'bench',
          }),
        );
        tx.insert(tables.jobRows)
          .values({
            id,
            title: `Seal change ${n}`,
            equipment: 'P-201',
            stage: isLive ? 'work' : 'closed',
            raisedAt: now,
            until: null,
          })
          .run();
        const number = id.replace('J', 'P');
        const raisedAt = new Date(Date.parse(now) - back).toISOString();
        tx.insert(tables.permitRows)
          .values({
            number,
            job: id,
            state: isLive ? 'issued' : 'closed',
            papers: '["general"]',
            performer: 'jun',
            issuer: 'hana',
            issuedAt: raisedAt,
            until: raisedAt,
          })
          .run();
        const marked = own.map(({ event, by, at }) => ({
          event: event.kind === 'permit-issued' ? { ...event, number } : event,
          mark: { by, at: new Date(Date.parse(at) - back).toISOString() },
        }));
        indexEvents(tx, id, { equipment: 'P-201', title: `Seal change ${n}` }, marked, {
          people,
        });
      }
    });
  }
}

/** Times the live board and commands over ten years of records; prints medians. */
export async function benchBoard(): Promise<void> {
  const db = openDatabase(join(mkdtempSync(join(tmpdir(), 'lantern-bench-')), 'bench.db'));
  await loadDemo(db);
  const filling = time(() => fill(db));
  say(
    `${PERMITS} permits, ${LIVE} live, about ${PERMITS * EVENTS_EACH} events (made in ${(filling / 1000).toFixed(0)} s)`,
  );
  say(`  board, first time: ${time(() => readBoard(db)).toFixed(0)} ms`);
  const boards: number[] = [];
  const commands: number[] = [];
  for (let turn = 0; turn < 4 * PEOPLE; turn++) {
    const job = idOf(PERMITS - 1 - (turn % PEOPLE));
    const { sequence, state } = readState(db, job);
    const command = state?.halt
      ? ({ kind: 'lift-stop', found: 'seen to' } as const)
      : ({ kind: 'stop-work', reason: 'noise' } as const);
    commands.push(
      time(() =>
        carryOut(db, {
          jobId: job,
          command,
          expected: sequence,
          key: nanoid(),
          actor: 'hana',
          signed: ['hana'],
        }),
      ),
    );
    boards.push(time(() => readBoard(db)));
  }
  const finds = Array.from({ length: 10 }, () => QUESTIONS).flat();
  const found = finds.map((question) => time(() => findAnything(db, question)));
  for (const [name, times] of [
    [`find anything (${QUESTIONS.length} questions)`, found],
    ['board after a change', boards],
    [`a command, ${PEOPLE} people in turn`, commands],
  ] as const) {
    const { median, p90 } = summarise(times);
    say(`  ${name}: median ${median.toFixed(1)} ms, 90 % within ${p90.toFixed(1)} ms`);
  }
}
