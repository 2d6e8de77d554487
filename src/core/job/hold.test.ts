import { decideOnSmall, jobWith, siteOn } from '../../../tests/support/small-job';
import { planOf, smallPlant } from '../../../tests/support/small-plant';
import { findWorkOrder, listCarriedOut, viewDossier, type Command, type Dossier } from '.';
import type { Plant } from '../plant';

/** END is the shaft of pump SB, whose casing W stands under the header's pressure: nothing in it is shut or drained. */
const drawn = smallPlant({
  links: { SB: { kind: 'pump' } },
  sections: { END: { medium: 'SHAFT' } },
});
const plant: Plant = {
  ...drawn,
  media: [
    ...drawn.media,
    { id: 'SHAFT', name: 'shaft', energy: 'mechanical', phase: 'none', hazards: [] },
  ],
};
const site = siteOn(plant);
const HOLD: Command = { kind: 'restrain-store', store: 'SB', how: 'coupling parted' };
const now = '2026-11-24T06:31:00.000Z';
const run = (state: Dossier, actor: string, command: Command) =>
  decideOnSmall(state, actor, command, { site, now });
const job = () => jobWith('END', planOf([]));

describe('a shaft that what stands in a line could turn', () => {
  it('is a step of the order, by its pump', () => {
    const step = findWorkOrder(job(), site)?.steps.find(({ isHold }) => isHold);
    expect(step).toMatchObject({ phase: 'restrain', subject: 'SB' });
    expect(step?.words).toContain('W could turn END');
  });

  it('needs no step once the line is let down', () => {
    const drained = jobWith('END', planOf(['V2'], ['DR']));
    expect(findWorkOrder(drained, site)?.steps.filter(({ isHold }) => isHold)).toEqual([]);
  });

  it('holds the job up until it is held, by whoever isolates machines', () => {
    const held = (state: Dossier) => viewDossier(state, site, now).holding.map(({ code }) => code);
    expect(held(job())).toContain('not-let-down');
    expect(run(job(), 'elif', HOLD).codes).toEqual(['role-missing']);
    const { codes, after } = run(job(), 'finn', HOLD);
    expect(codes).toEqual([]);
    expect(held(after)).not.toContain('not-let-down');
    expect(run(after, 'finn', HOLD).codes).toEqual(['already-done']);
  });

  it('is a lamp that names the shaft, lit until it is held', () => {
    const lampOf = (state: Dossier) => viewDossier(state, site, now).lamps.find(({ id }) => id === 'SB'); // prettier-ignore
    expect(lampOf(job())).toMatchObject({
      kind: 'store',
      state: 'lit',
      name: 'the shaft at SB, which what stands in its line could turn',
    });
    expect(lampOf(run(job(), 'finn', HOLD).after)?.state).not.toBe('lit');
  });

  it('is no point of the plan, and is let go on the way back', () => {
    const { after } = run(job(), 'finn', HOLD);
    expect(listCarriedOut(after).restrain).toEqual([]);
    expect(findWorkOrder(after, site)?.restore).toContainEqual({
      kind: 'free-store',
      subject: 'SB',
      group: 2,
    });
  });
});

describe('a machine that only drives from further off', () => {
  /** Two boards feed the motor of pump P, which drives the header SRC; two valves stand between that and the work. */
  const far = smallPlant();
  const fed: Plant = {
    ...far,
    media: plant.media,
    sections: [
      ...far.sections,
      ...['SH', 'C2', 'B1', 'B2'].map((id) => ({
        id,
        name: id,
        medium: id === 'SH' ? 'SHAFT' : 'POWER',
        area: 'A',
        ...(id.startsWith('B') ? { source: { name: id } } : {}),
      })),
    ],
    links: [
      ...far.links,
      { id: 'P', kind: 'pump', between: ['SH', 'SRC'] },
      { id: 'M2', kind: 'motor', between: ['C2', 'SH'] },
      { id: 'Q1', kind: 'circuit-breaker', between: ['B1', 'C2'] },
      { id: 'Q2', kind: 'circuit-breaker', between: ['B2', 'C2'] },
    ],
  };
  const there = siteOn(fed);
  const lamps = (state: Dossier) =>
    viewDossier(state, there, now).lamps.filter(({ name }) =>
      name.includes('inside the isolation'),
    );

  it('is one lamp for all that feeds it, as long as it is left inside', () => {
    const state = jobWith('W', planOf(['V2', 'CB'], ['DR']));
    const [lamp, ...others] = lamps(state);
    if (lamp === undefined) throw new Error('no lamp for a far drive');
    expect(others).toEqual([]);
    expect(lamp).toMatchObject({ id: 'drive:M2', state: 'lit' });
    expect(lamp.sources.map(({ id }) => id)).toEqual(['B1', 'B2']);
  });
});
