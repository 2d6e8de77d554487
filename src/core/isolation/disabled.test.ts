import { jobOn, planOf, smallPlant } from '../../../tests/support/small-plant';
import type { IsolationPlan } from '../plant';
import { listDisabled } from '.';

/** SB is a relief valve on MID that guards W; GG samples MID; IL is a trip contact fed through F2. */
function devices(plan: IsolationPlan, inside: readonly string[] = []): string[] {
  const plant = smallPlant({
    links: { SB: { kind: 'relief-valve', between: ['MID', 'END'], protects: ['W'] } },
  });
  const { graph } = jobOn({
    ...plant,
    sections: [
      ...plant.sections,
      { id: 'CTL', name: 'control', medium: 'POWER', area: 'A', voltage_v: 24 },
      { id: 'TRIP', name: 'trip wire', medium: 'POWER', area: 'A', voltage_v: 24 },
    ],
    links: [
      ...plant.links,
      { id: 'F2', kind: 'fuse-switch', between: ['BUS', 'CTL'] },
      { id: 'IL', kind: 'interlock-contact', between: ['CTL', 'TRIP'] },
    ],
    gauges: [...plant.gauges, { id: 'GG', section: 'MID', reads: 'gas' }],
  });
  const at = inside.map((id) => graph.sectionAt.get(id) ?? -1);
  return listDisabled(graph, plan, at).map(({ device, kind }) => `${kind} ${device}`);
}

describe('what a plan puts out of action', () => {
  it.each<[string, IsolationPlan, string[], string[]]>([
    ['nothing without a plan', planOf([]), [], []],
    ['a relief valve cut off from what it guards', planOf(['V2']), [], ['relief SB']],
    [
      'no relief valve once what it guards stands open to a safe place',
      planOf(['V2', 'V1', 'CB'], ['DR']),
      ['W'],
      ['detector GG'],
    ],
    [
      'a gas gauge cut off from what it samples',
      planOf(['V1', 'V2', 'CB'], ['BL']),
      ['W'],
      ['detector GG', 'relief SB'],
    ],
    ['no gauge on what is worked on', planOf(['V1', 'CB'], ['DR']), ['W'], []],
    ['a trip whose wire loses its supply', planOf(['F2']), [], ['trip IL']],
    ['no trip of the machine that is isolated itself', planOf(['F2']), ['CTL', 'TRIP'], []],
    ['nothing by a point that the plant does not have', planOf(['NONE']), [], []],
  ])('%s', (_label, plan, inside, found) => {
    expect(devices(plan, inside).sort()).toEqual([...found].sort());
  });
});
