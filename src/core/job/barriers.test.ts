import { carryOut, LIVE, SET_BARRIERS, site, WALKED } from '../../../tests/support/seal-change';
import type { Command, Dossier, DossierState } from '.';
import { gateBarriers, needsBarriers } from './barriers';

const there = (state: DossierState): Dossier => {
  if (!state) throw new Error('no job');
  return state;
};
const onCable = (): Dossier => ({
  ...there(WALKED()),
  scope: { work: [{ section: 'P201-CBL', activity: 'touch' }], hours: 2 },
});
const always = { ...site, values: { ...site.values, barriers: 'always' as const } };

describe('barriers and notices', () => {
  it.each<[string, () => Dossier, typeof site, boolean]>([
    ['at a pump', () => there(WALKED()), site, false],
    ['at a pump, where the site has them on every job', () => there(WALKED()), always, true],
    ['at a cable', onCable, site, true],
  ])('%s', (_, dossier, at, expected) => {
    expect(needsBarriers(dossier(), at)).toBe(expected);
    expect(gateBarriers(dossier(), at)).toHaveLength(expected ? 1 : 0);
  });

  it('are named with who set them, and set anew for another scope', () => {
    const set = carryOut([SET_BARRIERS], WALKED());
    expect(there(set).barriers).toMatchObject({ by: 'jun', where: 'from the door to the crane rail' }); // prettier-ignore
    expect(gateBarriers(there(set), always)).toEqual([]);
    const scope: Command = { kind: 'change-scope', work: [{ section: 'P201-NOZ', activity: 'open' }], hours: 2, reason: 'worn' }; // prettier-ignore
    expect(there(carryOut([['ada', scope]], set)).barriers).toBeUndefined();
    expect(there(LIVE()).barriers).toBeUndefined();
  });
});
