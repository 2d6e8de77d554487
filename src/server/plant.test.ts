import { findCalculation, listStartInputs } from '../core/bench';
import { nanoid } from 'nanoid';
import {
  DRAFT,
  PLAN,
  RAISE,
  REVIEWED,
  WALKED_DOWN,
  type Step,
} from '../../tests/support/seal-change';
import { writeSheets, type Plant } from '../core/plant';
import { listSigners } from '../core/job';
import { closeDatabase, openDatabase, tables, type Db } from '../db';
import { readStream, verifyLedger } from '../ledger';
import { describeAsBuilt } from './as-built';
import { findGiven, listJobChoices } from './bench';
import { loadDemo } from './demo';
import { readJob } from './job-state';
import { carryOut } from './jobs';
import {
  adoptEarlierPlant,
  listPlantVersions,
  previewPlant,
  readGraph,
  readPlantVersion,
  savePlant,
} from './plant';
import { listTemplates } from './templates';
import { verifyAll } from './verify';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

const plant = (): Plant => readGraph(db).plant;
const save = (document: unknown, expected = readPlantVersion(db)) =>
  savePlant(db, { document, expected, note: 'changed', actor: 'ada' });
const withLink = (more: object): Plant => ({
  ...plant(),
  links: [
    ...plant().links,
    { id: 'HV-NEW', kind: 'ball-valve', between: ['D1-LIQ', 'P201-CAS'], ...more },
  ],
});

/** Gives commands one after the other on one job; answers its number. */
function give(steps: readonly Step[], job = ''): string {
  return steps.reduce((jobId, [actor, command]) => {
    const answer = carryOut(db, {
      jobId,
      command,
      expected: jobId === '' ? 0 : readJob(db, jobId).sequence,
      key: nanoid(),
      actor,
      signed: [...listSigners(command, actor)],
    });
    if (!answer.ok) throw new Error(`${command.kind}: ${JSON.stringify(answer)}`);
    return answer.jobId;
  }, job);
}
const refusalsOf = (job: string, actor: string, command: Step[1]) => {
  const answer = carryOut(db, {
    jobId: job,
    command,
    expected: readJob(db, job).sequence,
    key: nanoid(),
    actor,
    signed: [...listSigners(command, actor)],
  });
  return !answer.ok && answer.kind === 'refused' ? answer.refusals.map(({ code }) => code) : [];
};

describe('versions of the plant', () => {
  it('are kept each, in order, with who and why, and stand in the ledger', () => {
    expect(save(withLink({}))).toEqual({ ok: true, version: 2 });
    expect(listPlantVersions(db).map(({ version, actor }) => [version, actor])).toEqual([
      [2, 'ada'],
      [1, 'site set-up'],
    ]);
    expect(readGraph(db, 1).linkAt.has('HV-NEW')).toBe(false);
    expect(readGraph(db).linkAt.has('HV-NEW')).toBe(true);
    expect(readStream(db, 'plant').map(({ type }) => type)).toEqual(['plant-saved', 'plant-saved']);
    expect(verifyLedger(db).whole).toBe(true);
    expect(verifyAll(db).problems).toEqual([]);
  });

  it.each([
    [
      'a changed document',
      "UPDATE plant_version SET document = replace(document, 'HV-2001', 'HV-2x')",
    ],
    ['a digest made up to fit', "UPDATE plant_version SET digest = 'x', document = '{}'"],
  ])('are found out: %s', (_label, sql) => {
    db.$client.prepare(sql).run();
    expect(verifyAll(db).problems.join()).toMatch(
      /plant_version 1: (digest, )?document is another/,
    );
  });

  it('refuse a plant that does not hold together, and keep nothing', () => {
    const before = verifyLedger(db);
    const unfit = save(withLink({ between: ['D1-LIQ', 'NOWHERE'] }));
    expect(unfit).toMatchObject({ ok: false, kind: 'unfit' });
    expect(JSON.stringify(unfit)).toContain('NOWHERE');
    expect(save({ format: 'other' })).toMatchObject({ ok: false, kind: 'unfit' });
    expect(verifyLedger(db)).toEqual(before);
    expect(readPlantVersion(db)).toBe(1);
  });

  it('tell the second of two that someone was faster', () => {
    const [first, second] = [withLink({}), withLink({ minutes: 3 })];
    expect(save(first, 1).ok).toBe(true);
    expect(save(second, 1)).toEqual({
      ok: false,
      kind: 'changed-meanwhile',
      version: 2,
    });
    expect(readPlantVersion(db)).toBe(2);
  });

  it('take over the plant of a database from before there were versions', () => {
    const document = JSON.stringify(plant());
    db.delete(tables.plantVersions).run();
    db.$client.prepare("DELETE FROM event WHERE stream = 'plant'").run();
    db.insert(tables.registers).values({ name: 'plant', version: 1, document }).run();
    adoptEarlierPlant(db);
    adoptEarlierPlant(db);
    expect(listPlantVersions(db).map(({ version }) => version)).toEqual([1]);
    expect(JSON.stringify(plant())).toBe(document);
  });
});

describe('a plant file that is looked at first', () => {
  const preview = (bytes: Uint8Array | string) =>
    previewPlant(db, typeof bytes === 'string' ? new TextEncoder().encode(bytes) : bytes);

  it.each([
    ['JSON', () => JSON.stringify(plant())],
    ['a zip of sheets', () => writeSheets(plant())],
  ])('is read as %s', async (_label, bytes) => {
    expect(await preview(bytes())).toEqual({ ok: true, document: plant(), expected: 1 });
  });

  it.each([
    ['rubbish', 'rubbish', 'is not JSON'],
    ['a zip that is none', 'PK rubbish', 'is not a zip file'],
    ['nothing', '', 'is not JSON'],
    ['another format', '{"format":"x"}', 'format'],
  ])('is refused: %s', async (_label, bytes, says) => {
    const found = await preview(bytes);
    expect(found.ok ? [] : found.problems.join('\n')).toContain(says);
  });
});

describe('a plan and its drawing', () => {
  it('has to be kept again before review when a newer drawing is in force', () => {
    const job = give([
      ['ada', RAISE],
      ['ada', DRAFT],
    ]);
    save(withLink({ between: ['P202-SUC', 'P202-CAS'] }));
    const submit = { kind: 'submit-plan', drawingChecked: false } as const;
    expect(refusalsOf(job, 'ada', submit)).toEqual(['plant-changed']);
    give([['ada', DRAFT]], job);
    expect(refusalsOf(job, 'ada', submit)).toEqual([]);
  });

  it('stays tied to its own once accepted, and is held up when it no longer passes on the newest', () => {
    const job = give([...REVIEWED, ...WALKED_DOWN]);
    const stop = { kind: 'stop-plant', how: 'at the panel' } as const;
    save(withLink({}));
    const { state } = readJob(db, job);
    expect(state?.plan).toMatchObject({ kind: 'accepted', plantVersion: 1 });
    give([['ada', { kind: 'tell-affected', who: 'all' }]], job);
    expect(refusalsOf(job, 'cora', stop)).toEqual([]);
    expect(
      refusalsOf(job, 'hana', { kind: 'issue-permit', hours: 8, briefed: true, performer: 'jun' }),
    ).toContain('plant-outgrew-plan');
    expect(verifyAll(db).problems).toEqual([]);
  });

  it('marks as built what was found as drawn, and forgets a walk-down that sent the plan back', () => {
    const job = give([...REVIEWED, ...WALKED_DOWN.slice(0, 3)]);
    const seen = describeAsBuilt(db);
    expect(Object.keys(seen).sort()).toEqual([...PLAN.close].sort().slice(0, 3));
    expect(seen[PLAN.close[0] ?? '']).toContain(`Finn Delacourt-Reyes`);
    give(
      [['finn', { kind: 'check-label', point: 'HV-2007', found: 'not-as-drawn', note: 'a tee' }]],
      job,
    );
    expect(readJob(db, job).state?.plan).toMatchObject({
      kind: 'drafted',
      returned: 'Walked down, at HV-2007 it is not as drawn: a tee',
    });
    give(
      [
        ['ada', { kind: 'submit-plan', drawingChecked: false }],
        ['hana', { kind: 'accept-plan', note: '' }],
      ],
      job,
    );
    expect(readJob(db, job).state?.plan).toMatchObject({ kind: 'accepted', labels: {} });
  });
});

describe('a plan used before', () => {
  it('is offered for the same equipment with what has changed since, what lies on it first', () => {
    const job = give(REVIEWED);
    const other = give([['ada', RAISE]]);
    expect(listTemplates(db, other)).toMatchObject([
      { job, version: 1, newest: 1, gone: [], changes: [], plan: PLAN },
    ]);
    const { links, gauges } = plant();
    save({
      ...plant(),
      gauges: gauges.slice(1),
      links: links.map((link) =>
        link.id === 'HV-2008' ? { ...link, id: 'HV-2028', minutes: 2 } : link,
      ),
    });
    const [template] = listTemplates(db, other) ?? [];
    expect(template).toMatchObject({ version: 1, newest: 2, gone: ['HV-2008'] });
    expect(template?.plan.close).not.toContain('HV-2008');
    expect(template?.changes.map(({ touches }) => touches)).toEqual([true, true, false]);
  });

  it('is not offered from a job that was never accepted, from other equipment, or from nowhere', () => {
    give([
      ['ada', RAISE],
      ['ada', DRAFT],
    ]);
    expect(listTemplates(db, give([['ada', RAISE]]))).toEqual([]);
    expect(listTemplates(db, 'J-0002')).toEqual([]);
    expect(listTemplates(db, 'NONE')).toBeUndefined();
  });
});

describe('figures for a job', () => {
  it('begin with what the plant file gives, and stand in the job once noted', () => {
    const job = give(REVIEWED);
    const choice = listJobChoices(db).find(({ id }) => id === job);
    expect(choice?.subjects.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['ST-P201-ROT', 'DR-2002', 'P201-CAS']),
    );
    const given = findGiven(db, job, 'ST-P201-ROT', 'rotor');
    expect(given).toMatchObject({ inertia: { value: 0.9, unit: 'kg m^2' } });
    expect(findGiven(db, job, 'ST-P201-ROT', 'spring')).toBeUndefined();
    expect(findGiven(db, 'NONE', 'ST-P201-ROT', 'rotor')).toBeUndefined();
    give(
      [
        [
          'ada',
          {
            kind: 'note-calculation',
            calculation: 'rotor',
            subject: 'ST-P201-ROT',
            inputs: {
              body: 'given',
              inertia: { value: 0.9, unit: 'kg m^2' },
              speed: { value: 152, unit: 'rad/s' },
              friction: { value: 1, unit: 'N m' },
            },
          },
        ],
      ],
      job,
    );
    const noted = readJob(db, job).state?.noted['ST-P201-ROT'];
    expect(noted).toMatchObject({ by: 'ada', calculation: 'rotor' });
    expect(noted?.seconds).toBeCloseTo(136.8, 6);
    expect(noted?.figures.find(({ isMain }) => isMain)?.quantity).toBe('time');

    // How long air lasts is a time, but none to wait out; and another sum about the same thing takes no wait away.
    const air = findCalculation('inert-leak');
    const inputs = air ? listStartInputs(air.fields) : {};
    give(
      [
        [
          'ada',
          {
            kind: 'note-calculation',
            calculation: 'inert-leak',
            subject: 'ST-P201-ROT',
            inputs: inputs as Record<string, string>,
          },
        ],
      ],
      job,
    );
    const after = readJob(db, job).state?.noted;
    expect(after?.['ST-P201-ROT']?.seconds).toBeCloseTo(136.8, 6);
    expect(after?.['ST-P201-ROT inert-leak']).toMatchObject({ subject: 'ST-P201-ROT' });
    expect(after?.['ST-P201-ROT inert-leak']?.seconds).toBeUndefined();
  });
});
