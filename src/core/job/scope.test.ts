import { gaugeAlone, stepsToWalkDown } from '../../../tests/support/any-job';
import {
  carryOut,
  fieldStepsOf,
  HANDED_BACK,
  UNSIGNED,
  permitSteps,
  RAISE,
  restoreSteps,
  site,
  START,
  type Step,
} from '../../../tests/support/seal-change';
import { decideOnSmall, jobWith, siteOn } from '../../../tests/support/small-job';
import { planOf, smallPlant } from '../../../tests/support/small-plant';
import {
  computeLamps,
  evolveDossier,
  findStage,
  findWorkOrder,
  type Dossier,
  type JobEvent,
} from '.';

const MARK = { by: 'ada', at: START };
const follow = (dossier: Dossier, ...events: JobEvent[]) =>
  events.reduce<Dossier>((state, event) => evolveDossier(state, event, MARK), dossier);
const TANK = siteOn(
  smallPlant({ sections: { SRC: { source: { name: 'tank level' }, volume_m3: 40 } } }),
);
const change = (more: object) =>
  ({ kind: 'change-scope', hours: 8, reason: 'worn too', ...more }) as never;
const WORK = [{ section: 'SRC', activity: 'enter' as const }];

describe('a scope that changes', () => {
  it('is proved for what is worked on now, though the same points are accepted again', () => {
    const own = siteOn(smallPlant());
    const plan = planOf(['V1', 'V2', 'CB'], ['DR']);
    const before = jobWith('W', plan);
    const zoneOf = (dossier: Dossier) => findWorkOrder(dossier, own)?.requirement.trace.zone;
    const was = zoneOf(before);
    const work = [...before.scope.work, { section: 'MID', activity: 'open' as const }];
    const after = follow(
      before,
      { kind: 'scope-changed', work, hours: 8, reason: 'worn too' },
      { kind: 'plan-submitted' },
      { kind: 'plan-accepted', note: '' },
    );
    expect(after.plan.kind === 'accepted' && before.plan.kind === 'accepted').toBe(true);
    expect(zoneOf(after)).toHaveLength((was?.length ?? 0) + 1);
    expect(findWorkOrder(after, own)?.proofs.map(({ id }) => id)).toContain('pressure:MID');
  });

  it('keeps what is run empty unless it is said anew, and refuses a tank that is no longer', () => {
    const job = jobWith('W', planOf(['V1', 'CB'], ['DR']), 'drafted', ['SRC']);
    const decide = (more: object) => decideOnSmall(job, 'ada', change(more), { site: TANK });
    expect(decide({ work: WORK }).after.scope).toEqual({ work: WORK, hours: 8, emptied: ['SRC'] });
    expect(decide({ work: WORK, emptied: [] }).codes).toEqual(['source-in-work']);
    expect(decide({ work: WORK, emptied: ['SRC', 'BUS'] }).codes).toEqual(['cannot-run-empty']);
  });
});

describe('the lamp of a tank that is run empty', () => {
  const lampOf = (dossier: Dossier) =>
    computeLamps(dossier, TANK)
      .flatMap(({ sources }) => sources)
      .find(({ id }) => id === 'SRC');

  it('is lit until it is proved empty', () => {
    const job = jobWith('W', planOf(['CB'], ['DR']), 'accepted', ['SRC']);
    expect(lampOf(job)).toMatchObject({ state: 'lit', route: ['V1', 'V2'] });
    const proofs = findWorkOrder(job, TANK)?.proofs.map(({ id }) => id) ?? [];
    const proved = {
      ...job,
      isolation: {
        ...job.isolation,
        locked: { CB: { ...MARK, lock: 'E-1', tag: 'T' } },
        seenOpen: { V1: MARK, V2: MARK },
        opened: { DR: MARK },
        proved: Object.fromEntries(
          proofs.map((id) => [
            id,
            { ...MARK, reading: 0, unit: 'bar', instrument: 'PG', seen: [] },
          ]),
        ),
      },
    } as unknown as Dossier;
    expect(lampOf(proved)).toMatchObject({ state: 'dark', why: 'run empty, and proved so' });
  });
});

describe('a job in a tank of the demonstration', () => {
  it('is raised where the tank is run empty, and goes on like any other', () => {
    const job = carryOut([
      ['ada', { ...RAISE, work: [{ section: 'D2-LIQ', activity: 'enter' }], emptied: ['D2-LIQ'] }],
    ]);
    const ids = job
      ? computeLamps(job, site).flatMap(({ sources }) => sources.map(({ id }) => id))
      : [];
    expect(ids).toContain('D2-LIQ');
  });

  it('is isolated, proved and issued, handed back and restored', () => {
    const work = [{ section: 'D2-LIQ', activity: 'enter' as const }];
    const plan = stepsToWalkDown(work, { equipment: 'D-2', emptied: ['D2-LIQ', 'BT-LIQ'] });
    const walked = carryOut(plan);
    const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
    const isolated = carryOut([gaugeAlone(START), ...fieldStepsOf(walked), box], walked);
    const lamps = isolated ? computeLamps(isolated, site) : [];
    expect(new Set(lamps.map(({ state }) => state))).toEqual(new Set(['dark']));
    const live = carryOut(permitSteps(walked, ['enter']), isolated);
    expect(live?.permit.kind).toBe('issued');
    const back = HANDED_BACK.slice(2).map(([actor, command]): Step => [
      actor,
      command.kind === 'hand-back' ? { ...command, unsigned: UNSIGNED } : command,
    ]);
    const closed = carryOut(back, live);
    const restored = carryOut(restoreSteps(closed), closed);
    expect(restored && findStage(restored, site)).toBe('closed');
  });
});
