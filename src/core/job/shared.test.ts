import {
  carryOut,
  contextFor,
  HANDED_BACK,
  LIVE,
  nobody,
  refusalsOf,
  restoreSteps,
  START,
} from '../../../tests/support/seal-change';
import { decideOnSmall, jobWith, siteOn } from '../../../tests/support/small-job';
import { planOf, smallPlant } from '../../../tests/support/small-plant';
import { decideJob, viewDossier, type Command, type Context, type Dossier } from '.';

/** The small plant with its drain behind a valve: whoever shuts SB cuts W off from DR. */
const SITE = siteOn(
  smallPlant({ links: { SB: { kind: 'gate-valve' } }, outlets: { DR: { section: 'END' } } }),
);
const A = planOf(['V1', 'CB'], ['DR']);
const B = planOf(['SB'], ['DR']);
const beside = (...dossiers: Dossier[]): Partial<Context> => ({
  site: SITE,
  others: {
    ...nobody,
    open: () => dossiers.map((dossier, n) => ({ id: `J-000${n + 2}`, dossier })),
  },
});
const SUBMIT: Command = { kind: 'submit-plan', drawingChecked: false };

/** Code, other job and whose plan it is about, of each refusal. */
const saidOf = (decision: ReturnType<typeof decideJob>) =>
  decision.ok ? [] : decision.refusals.map(({ code, facts }) => [code, facts.job, facts.of]);

describe('plans of two jobs', () => {
  it('pass alone, and are refused together when one cuts the other off from its drain', () => {
    const mine = jobWith('W', A, 'drafted');
    expect(decideOnSmall(mine, 'ada', SUBMIT, beside()).codes).toEqual([]);
    const refused = decideJob(mine, SUBMIT, {
      ...contextFor('ada'),
      ...beside(jobWith('END', B)),
    });
    expect(saidOf(refused)).toContainEqual(['plans-contradict', 'J-0002', 'this job']);
  });

  it('say so ahead of time, on the draft and while it is reviewed', () => {
    const others = [{ id: 'J-0002', dossier: jobWith('END', B) }];
    const mine = jobWith('W', A, 'drafted');
    const { after } = decideOnSmall(mine, 'ada', SUBMIT, beside());
    for (const job of [mine, after]) {
      const codes = viewDossier(job, SITE, START, others).holding.map(({ code }) => code);
      expect(codes).toContain('plans-contradict');
    }
  });

  it('are refused as well when it is the other that no longer passes', () => {
    const mine = jobWith('END', B, 'drafted');
    const refused = decideJob(mine, SUBMIT, { ...contextFor('ada'), ...beside(jobWith('W', A)) });
    expect(saidOf(refused)).toContainEqual(['plans-contradict', 'J-0002', 'J-0002']);
  });

  it('stand side by side when they share points and each stays proved', () => {
    const both = planOf(['V1', 'V2', 'CB'], ['DR']);
    const mine = jobWith('W', A, 'drafted');
    expect(decideOnSmall(mine, 'ada', SUBMIT, beside(jobWith('W', both))).codes).toEqual([]);
  });

  it('may open what one of them has run empty, whichever is planned first', () => {
    const source = { name: 'tank level' };
    const own = siteOn(
      smallPlant({
        sections: { SRC: { source, volume_m3: 40 } },
        outlets: { BL: { section: 'SRC' } },
      }),
    );
    const line = (stage: 'drafted' | 'accepted') =>
      jobWith('W', planOf(['V2', 'CB'], ['DR']), stage);
    const tank = (stage: 'drafted' | 'accepted', emptied?: string[]) =>
      jobWith('SRC', planOf(['V1'], ['BL']), stage, emptied);
    const codes = (mine: Dossier, other: Dossier) =>
      decideOnSmall(mine, 'ada', SUBMIT, { ...beside(other), site: own }).codes;
    expect(codes(line('drafted'), tank('accepted', ['SRC']))).toEqual([]);
    expect(codes(tank('drafted', ['SRC']), line('accepted'))).toEqual([]);
    expect(codes(line('drafted'), tank('accepted'))).toContain('plans-contradict');
  });

  it('are not compared with a plan that nobody has accepted, nor with one on its way back', () => {
    const mine = jobWith('W', A, 'drafted');
    const other = jobWith('END', B);
    for (const one of [jobWith('END', B, 'drafted'), { ...other, restoring: true }])
      expect(decideOnSmall(mine, 'ada', SUBMIT, beside(one)).codes).toEqual([]);
  });

  it('are compared again when the plan is accepted', () => {
    const mine = jobWith('W', A, 'drafted');
    const { after } = decideOnSmall(mine, 'ada', SUBMIT, beside());
    const accept: Command = { kind: 'accept-plan', note: '' };
    const { codes } = decideOnSmall(after, 'hana', accept, beside(jobWith('END', B)));
    expect(new Set(codes)).toEqual(new Set(['plans-contradict']));
  });
});

describe('a point that two jobs need', () => {
  const other = LIVE() as Dossier;
  const others = { ...nobody, open: () => [{ id: 'J-0002', dossier: other }] };
  const back = (steps: number) => {
    const s = carryOut(HANDED_BACK, LIVE());
    return carryOut(restoreSteps(s).slice(0, steps), s);
  };

  it('is left as it stands by the first that lets go, and put back by the last', () => {
    const state = back(2);
    const shut: Command = { kind: 'close-outlet', outlet: 'DR-2004' };
    expect(refusalsOf(state, 'finn', shut, { others })).toEqual(['held-by-other']);
    expect(refusalsOf(state, 'finn', { ...shut, left: true }, { others })).toEqual([]);
    expect(refusalsOf(state, 'finn', { ...shut, left: true })).toEqual(['held-by-nobody']);
    expect(refusalsOf(state, 'finn', shut)).toEqual([]);
    const free: Command = { kind: 'free-store', store: 'ST-P201-SPR' };
    expect(refusalsOf(back(1), 'finn', free, { others })).toEqual(['held-by-other']);
  });

  it('is in line as the other job holds it', () => {
    const all = restoreSteps(carryOut(HANDED_BACK, LIVE()));
    const first = all.findIndex(([, { kind }]) => kind === 'walk-lineup');
    const state = back(first) as Dossier;
    const line = viewDossier(state, contextFor('ada').site, START, others.open()).lineup;
    expect(line.find(({ point }) => point === 'HV-2001')).toMatchObject({
      normal: 'closed',
      heldBy: 'J-0002',
    });
    expect(line.find(({ point }) => point === 'DR-2002')).toMatchObject({ normal: 'open' });
    const walk = (found: 'open' | 'closed') => {
      const command: Command = { kind: 'walk-lineup', point: 'HV-2001', found };
      const decision = decideJob(state, command, { ...contextFor('cora'), others });
      return decision.ok && decision.events[0]?.kind;
    };
    expect([walk('closed'), walk('open')]).toEqual(['lineup-walked', 'lineup-differed']);
  });

  it('is named with the job that holds it', () => {
    const view = viewDossier(LIVE() as Dossier, contextFor('ada').site, START, others.open());
    expect(view.shared['HV-2001']).toBe('J-0002');
    expect(viewDossier(LIVE() as Dossier, contextFor('ada').site, START).shared).toEqual({});
  });

  it('is not shut by a watcher who is called away', () => {
    const watched = { by: 'finn', at: START, watcher: 'cora' };
    const job = LIVE() as Dossier;
    const draining = {
      ...job,
      isolation: { ...job.isolation, watched: { 'DR-2002': watched } },
    };
    const stop: Command = { kind: 'end-watch', outlet: 'DR-2002', end: 'stopped', seen: 'called' };
    expect(refusalsOf(draining, 'cora', stop, { others })).toEqual(['held-by-other']);
    expect(refusalsOf(draining, 'cora', stop)).toEqual([]);
  });
});
