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
