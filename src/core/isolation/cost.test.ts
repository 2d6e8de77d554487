import { jobOn, planOf, smallPlant } from '../../../tests/support/small-plant';
import { buildGraph, type Plant } from '../plant';
import { computeCost, listLostSections } from './cost';

type Change = Parameters<typeof smallPlant>[0];

const EFFORT: [string, Change, string, number][] = [
  ['a valve', {}, 'V1', 10],
  ['a blind', {}, 'SB', 60],
  ['a valve that stands closed', { links: { V1: { normal: 'closed' } } }, 'V1', 5],
  ['a blind that stands closed', { links: { SB: { normal: 'closed' } } }, 'SB', 30],
  ['its own minutes', { links: { V1: { minutes: 7 } } }, 'V1', 7],
  [
    'its own minutes, standing closed',
    { links: { V1: { minutes: 7, normal: 'closed' } } },
    'V1',
    3.5,
  ],
  ['no minutes at all', { links: { V1: { minutes: 0 } } }, 'V1', 0],
];

describe('computeCost', () => {
  it.each(EFFORT)('%s', (...[, change, link, effort]) => {
    const { graph } = jobOn(smallPlant(change));
    expect(computeCost(graph, planOf([link]))).toMatchObject({ effort, points: 1 });
  });

  it('counts outlets and restraints, each id once, and unknown ids not at all', () => {
    const { graph } = jobOn(
      smallPlant({
        sections: { W: { stores: [{ id: 'ST', kind: 'spring', release: 'restrain' }] } },
        outlets: { BL: { minutes: 2 } },
      }),
    );
    const cost = computeCost(graph, planOf(['V1', 'V1', 'V9'], ['DR', 'BL'], ['ST', 'NO']));
    expect(cost).toEqual({ effort: 10 + 5 + 2 + 5, outage: 0, points: 4 });
  });
});

describe('lost supply', () => {
  const served = {
    sections: { MID: { serves: 3 }, W: { serves: 4 }, CBL: { serves: 5 }, END: { serves: 6 } },
  };
  const outage = (change: Change, close: string[]) =>
    computeCost(jobOn(smallPlant(change)).graph, planOf(close)).outage;

  it.each([
    ['the header valve: all behind it', {}, ['V1'], 3 + 4 + 6],
    ['the work valve', {}, ['V2'], 4 + 6],
    ['the breaker', {}, ['CB'], 5],
    [
      'a dead end that stood closed is not lost',
      { links: { SB: { normal: 'closed' } } },
      ['V2'],
      4,
    ],
    [
      'nothing behind a valve that stood closed is lost',
      { links: { V1: { normal: 'closed' } } },
      ['V1'],
      0,
    ],
  ])('%s', (_label, change, close, wanted) => {
    const { links } = change as { links?: Record<string, object> };
    // The motor also joins power to the work's medium; taken as a pump here, so that supply stays within each medium.
    expect(outage({ ...served, links: { M: { kind: 'pump' }, ...links } }, close)).toBe(wanted);
  });

  it('passes from medium to medium at a motor, and never through an exchanger', () => {
    const lost = (kind: string) =>
      listLostSections(
        jobOn(smallPlant({ ...served, links: { M: { kind }, V2: { normal: 'closed' } } })).graph,
        ['CB'],
      ).length;
    expect(lost('motor')).toBe(3);
    expect(lost('exchanger')).toBe(1);
  });
});

describe('supply over machines', () => {
  /** Two motors on one shaft, each behind a breaker of its own board; only board A has a source. */
  const plant = () => {
    const drawn = smallPlant();
    const at = { medium: 'POWER', area: 'A', voltage_v: 400 } as const;
    return {
      ...drawn,
      media: [
        ...drawn.media,
        { id: 'SHAFT', name: 'shaft', energy: 'mechanical', phase: 'none', hazards: [] },
      ],
      sections: [
        ...drawn.sections,
        { id: 'BOARD-B', name: 'board B', serves: 7, ...at },
        { id: 'CBL-B', name: 'cable B', ...at },
        { id: 'SH', name: 'shaft', medium: 'SHAFT', area: 'A', serves: 5 },
      ],
      links: [
        ...drawn.links,
        { id: 'M-A', kind: 'motor', between: ['CBL', 'SH'] },
        { id: 'M-B', kind: 'motor', between: ['CBL-B', 'SH'] },
        { id: 'CB-B', kind: 'circuit-breaker', between: ['BOARD-B', 'CBL-B'] },
        { id: 'TIE', kind: 'circuit-breaker', between: ['BUS', 'BOARD-B'] },
      ],
    } as unknown as Plant;
  };
  const lost = (...close: string[]) => {
    const graph = buildGraph(plant());
    return listLostSections(graph, close).map((section) => graph.sections[section]?.id);
  };

  it('turns a shaft from either of its motors, and is lost once neither is fed', () => {
    expect(lost('CB')).not.toContain('SH');
    expect(lost('CB', 'CB-B')).toContain('SH');
  });

  it('never comes back from a shaft to a board', () => {
    expect(lost('TIE')).toEqual(expect.arrayContaining(['BOARD-B', 'CBL-B']));
    expect(lost('TIE')).not.toContain('SH');
  });
});
