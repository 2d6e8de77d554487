import { liveEntry } from '../../tests/support/live-entry';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import { buildGraph, type Plant } from '../core/plant';
import { closeDatabase, openDatabase, tables, type Db } from '../db';
import { loadDemo } from './demo';
import { readDossierPage } from './dossier-page';
import { draftReport } from './handover';
import { carryOut, readJobNow } from './jobs';
import { readOpenJobs, surveyOpenJobs } from './open-jobs';
import { findNewestVersion, readGraph, readPlantVersion, savePlant, type Becomes } from './plant';
import { readPresence } from './presence';
import { listPeople } from './registers';
import { followNames, listTouchedJobs, sayTouched } from './touched-jobs';
import { readBoard } from './watch';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

/** The plant with a section under another name, everywhere. */
const renamed = (plant: Plant, from: string, to: string): Plant =>
  JSON.parse(JSON.stringify(plant).replaceAll(`"${from}"`, `"${to}"`)) as Plant;

type Answers = Readonly<Record<string, Becomes>>;

const keep = (jobs: readonly { readonly job: string }[]): Answers =>
  Object.fromEntries(jobs.map(({ job }) => [job, 'keep']));

const save = (document: Plant, become: Answers = {}) =>
  savePlant(db, {
    document,
    expected: findNewestVersion(db),
    note: 'changed',
    actor: 'ada',
    findTouched: (tx, plant) => listTouchedJobs(tx, plant, become),
    follow: (tx) => followNames(tx, become, 'ada'),
  });

describe('a drawing that no longer has where an open job is done', () => {
  const first = () => readOpenJobs(db)[0] as ReturnType<typeof readOpenJobs>[number];
  const gone = () => {
    const section = first().dossier.scope.work[0]?.section ?? '';
    return renamed(readGraph(db).plant, section, `${section}-NEW`);
  };

  it('is not saved before each such job is named', () => {
    const plant = gone();
    const touched = listTouchedJobs(db, plant);
    expect(touched.map(({ job }) => job)).toContain(first().id);
    expect(touched.every(({ mayFollow }) => !mayFollow)).toBe(true);
    expect(save(plant)).toMatchObject({ ok: false, kind: 'touches-jobs', touched });
    expect(findNewestVersion(db)).toBe(1);
    expect(save(plant, keep(touched))).toMatchObject({ ok: true, version: 2 });
    // It was said once, and is asked again only where the drawing says what it is called.
    expect(save({ ...plant, name: 'named anew' })).toMatchObject({ ok: true, version: 3 });
    const section = first().dossier.scope.work[0]?.section ?? '';
    const known = { ...plant, renamed: [{ id: section, now: `${section}-NEW` }] };
    expect(save(known)).toMatchObject({ ok: false, kind: 'touches-jobs' });
    expect(save(known, { [first().id]: 'follow' })).toMatchObject({ ok: true, version: 4 });
    expect(readJobNow(db, first().id)?.holding.map(({ code }) => code)).not.toContain('scope-gone');
  });

  it('leaves the job readable where its place is, and holds it up until its scope is changed', () => {
    const { id } = first();
    const plant = gone();
    save(plant, keep(listTouchedJobs(db, plant))); // prettier-ignore
    const now = readJobNow(db, id);
    expect(now?.holding.map(({ code }) => code)).toContain('scope-gone');
    const board = readBoard(db);
    expect(board.unreadable).toEqual([]);
    expect(draftReport(db).report).toBeDefined();
    const [ada] = listPeople(db).filter((one) => one.id === 'ada');
    if (!ada) throw new Error('no coordinator');
    expect(readDossierPage(db, id, ada)?.view.stage).toBe('plan');
    const section =
      [...buildGraph(plant).sectionAt.keys()].find((one) => one.endsWith('-NEW')) ?? '';
    const answer = carryOut(db, {
      jobId: id,
      command: {
        kind: 'change-scope',
        work: [{ section, activity: 'open' }],
        hours: 4,
        reason: 'the section has another name now',
      },
      expected: now?.sequence ?? 0,
      key: nanoid(),
      actor: 'ada',
      signed: ['ada'],
    });
    expect(answer).toMatchObject({ ok: true });
    expect(readJobNow(db, id)?.holding.map(({ code }) => code)).not.toContain('scope-gone');
  });

  it('and says under which id it has it takes the job along, where that is asked for', () => {
    const { id, dossier } = first();
    const section = dossier.scope.work[0]?.section ?? '';
    const plant = { ...gone(), renamed: [{ id: section, now: `${section}-NEW` }] };
    const touched = listTouchedJobs(db, plant);
    const own = touched.find(({ job }) => job === id);
    expect(own).toMatchObject({ mayFollow: true, gone: [], renamed: [{ from: section }] });
    expect(sayTouched(own as (typeof touched)[number])).toContain(`is called ${section}-NEW on it`);
    const answers = Object.fromEntries(touched.map(({ job }) => [job, 'follow' as const]));
    expect(save(plant, answers)).toMatchObject({ ok: true });
    const now = readJobNow(db, id);
    expect(now?.holding.map(({ code }) => code)).not.toContain('scope-gone');
    expect(readOpenJobs(db).find((one) => one.id === id)?.dossier.scope.work[0]?.section).toBe(
      `${section}-NEW`,
    );
  });

  it('does not move a job whose isolation stands, whatever is asked for', () => {
    const { job } = liveEntry(db);
    const { plant } = readGraph(db);
    const section =
      readOpenJobs(db).find(({ id }) => id === job)?.dossier.scope.work[0]?.section ?? '';
    const next = {
      ...renamed(plant, section, `${section}-NEW`),
      renamed: [{ id: section, now: `${section}-NEW` }],
    };
    const answers = Object.fromEntries(readOpenJobs(db).map(({ id }) => [id, 'follow' as const]));
    expect(listTouchedJobs(db, next, answers).map((one) => one.job)).not.toContain(job);
    expect(save(next, answers)).toMatchObject({ ok: true });
    const live = readJobNow(db, job);
    expect(live?.holding.map(({ code }) => code)).not.toContain('plant-outgrew-plan');
    expect(readOpenJobs(db).find(({ id }) => id === job)?.dossier.scope.work[0]?.section).toBe(
      section,
    );
    expect(readBoard(db).unreadable).toEqual([]);
  });

  it('that has more is no trouble for a job that stands on the one before, whatever is raised there', () => {
    const { job } = liveEntry(db);
    const { plant } = readGraph(db);
    const [first] = plant.sections;
    const added = {
      id: 'ANNEX',
      name: 'Annex',
      medium: first?.medium ?? '',
      area: first?.area ?? '',
    };
    expect(save({ ...plant, sections: [...plant.sections, added] })).toMatchObject({ ok: true });
    const raised = carryOut(db, {
      jobId: 'new',
      command: { kind: 'raise-job', title: 'Annex looked into', equipment: 'P-201', work: [{ section: 'ANNEX', activity: 'open' }], hours: 2, performer: 'jun' }, // prettier-ignore
      expected: 0,
      key: nanoid(),
      actor: 'ada',
      signed: [],
    });
    expect(raised).toMatchObject({ ok: true });
    const [ada] = listPeople(db).filter((one) => one.id === 'ada');
    if (!ada) throw new Error('no coordinator');
    for (const { id } of readOpenJobs(db)) expect(readDossierPage(db, id, ada)).toBeDefined();
    expect(readDossierPage(db, job, ada)?.view.drawing).toMatchObject({ version: 1, newest: 2 });
    expect(readBoard(db).unreadable).toEqual([]);
    expect(draftReport(db).report.live.map((line) => line.job)).toContain(job);
  });

  it('of another works altogether takes no list with it, and no job that is live', () => {
    const { job } = liveEntry(db);
    const other: Plant = {
      ...readGraph(db).plant,
      sections: readGraph(db)
        .plant.sections.slice(0, 1)
        .map(({ id, name, medium, area }) => {
          return { id, name, medium, area };
        }),
      links: [],
      outlets: [],
      gauges: [],
      equipment: [],
      surroundings: [],
      interlocks: [],
    };
    expect(save(other, Object.fromEntries(readOpenJobs(db).map(({ id }) => [id, 'keep'])))).toEqual({ ok: true, version: 2 }); // prettier-ignore
    const board = readBoard(db);
    expect(board.unreadable).toEqual([]);
    expect(board.rows.map((row) => row.job)).toEqual([job]);
    expect(draftReport(db).report.live.map((line) => line.job)).toEqual([job]);
    expect(readPresence(db).alarms).toEqual([]);
  });
});

describe('what cannot be read', () => {
  /** Writes over what the ledger holds, as a fault of the disk or a forger would. */
  const spoil = (job: string, payload: string) =>
    db.$client
      .prepare(
        `update event set payload = ? where stream = ? and sequence =
         (select max(sequence) from event where stream = ?)`,
      )
      .run(payload, `job/${job}`, `job/${job}`);

  it.each([
    ['an event that is no JSON', '{"kind":'],
    ['an event without its parts', '{"kind":"detector-failed","why":"silent"}'],
    ['nothing', 'null'],
  ])(
    '%s: the job stands in every list with its permit and people, and no other job goes with it',
    (_label, payload) => {
      const { job } = liveEntry(db);
      const { length } = readOpenJobs(db);
      db.insert(tables.holdings).values({ kind: 'person', item: 'kit', job }).run();
      spoil(job, payload);
      // Opened anew: what was read before is kept, and would hide it.
      const file = join(mkdtempSync(join(tmpdir(), 'lantern-')), 'spoilt.db');
      writeFileSync(file, db.$client.serialize());
      const copy = openDatabase(file);
      try {
        const { jobs, unreadable } = surveyOpenJobs(copy);
        const isLost = unreadable.length === 1;
        expect(jobs.length + unreadable.length).toBe(length);
        const board = readBoard(copy);
        const shown = [
          ...board.unreadable.map(({ id }) => id),
          ...board.rows.map((row) => row.job),
        ];
        expect(shown).toContain(job);
        if (!isLost) return;
        expect(unreadable[0]).toMatchObject({ id: job, people: ['kit'] });
        expect(unreadable[0]?.permit?.number).toMatch(/^PTW|\d/);
        expect(draftReport(copy).report.live.some((line) => line.job === job)).toBe(true);
        expect(readPresence(copy).alarms.map((alarm) => alarm.job)).toContain(job);
      } finally {
        closeDatabase(copy);
      }
    },
  );

  it('a drawing: the one before counts, and every screen says so', () => {
    const { plant } = readGraph(db);
    save({ ...plant, name: 'another name' });
    db.update(tables.plantVersions).set({ document: '{"no":"plant"}', digest: 'x' }).run();
    db.update(tables.plantVersions)
      .set({ document: JSON.stringify(plant), digest: 'y' })
      .where(eq(tables.plantVersions.version, 1))
      .run();
    expect(readPlantVersion(db)).toBe(1);
    expect(findNewestVersion(db)).toBe(2);
    expect(readPresence(db).trouble).toContain('Version 2 of the plant cannot be read');
    expect(readBoard(db).unreadable).toEqual([]);
  });

  it('authorisations: they authorise nobody, and everyone else is there', () => {
    const all = listPeople(db).length;
    db.update(tables.people)
      .set({ authorisations: 'none' })
      .where(eq(tables.people.id, 'kit'))
      .run();
    expect(listPeople(db)).toHaveLength(all);
    expect(listPeople(db).find(({ id }) => id === 'kit')?.authorisations).toEqual([]);
  });
});
