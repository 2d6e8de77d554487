import { smallPlant } from '../../../tests/support/small-plant';
import { parseGrades, parsePlan, parsePlant, parsePlantText, parseScope } from './parse';

type Loose = Record<string, Record<string, unknown>[]>;
const broken = (change: (plant: Loose) => void): unknown => {
  const plant = structuredClone(smallPlant()) as unknown as Loose;
  change(plant);
  return plant;
};
const row = (plant: Loose, table: string, at: number) =>
  plant[table]?.[at] as Record<string, unknown>;

const DRUMS = { id: 'DRUMS', name: 'drums', kind: 'combustible', area: 'A', at: [0, 0, 0] };

const BAD: [string, unknown, string, string][] = [
  [
    'an unknown field',
    broken((p) => (row(p, 'sections', 2).colour = 'red')),
    'sections[2]',
    'unknown field "colour"',
  ],
  ['an unknown table', broken((p) => (p.pumps = [])), '(file)', 'unknown field "pumps"'],
  [
    'an id used twice',
    broken((p) => (row(p, 'links', 1).id = 'SRC')),
    'links[1].id',
    'already used at sections[0].id',
  ],
  [
    'a link to nowhere',
    broken((p) => (row(p, 'links', 0).between = ['SRC', 'src'])),
    'links[0].between[1]',
    'not in sections',
  ],
  [
    'a link to itself',
    broken((p) => (row(p, 'links', 0).between = ['W', 'W'])),
    'links[0].between',
    'to itself',
  ],
  [
    'a valve between two media',
    broken((p) => (row(p, 'sections', 0).medium = 'POWER')),
    'links[0].between',
    'joins "SRC" (power, current) and "MID" (water, fluid) by a gate-valve, which can only join fluid and fluid',
  ],
  [
    'a joint between a cable and a pipe',
    broken((p) => (row(p, 'links', 4).kind = 'joint')),
    'links[4].between',
    'joins "CBL" (power, current) and "W" (water, fluid) by a joint',
  ],
  [
    'a valve moved by nowhere',
    broken((p) => (row(p, 'links', 0).powered_by = 'AIR')),
    'links[0].powered_by',
    'not in sections',
  ],
  [
    'an interlock of one position',
    broken((p) => (p.interlocks = [{ id: 'KI', closed: ['V1'] }])),
    'interlocks[0].closed',
    'must name two positions at least',
  ],
  [
    'an interlock of what is not drawn',
    broken((p) => (p.interlocks = [{ id: 'KI', open: ['DR'], closed: ['DR'] }])),
    'interlocks[0].closed[0]',
    'leads to "DR", which is not in links',
  ],
  [
    'an interlock of one link open and closed',
    broken((p) => (p.interlocks = [{ id: 'KI', open: ['V1'], closed: ['V1'] }])),
    'interlocks[0].closed[0]',
    'is among those that are open as well',
  ],
  [
    'two interlocks of one id',
    broken((p) => (p.interlocks = ['KI', 'KI'].map((id) => ({ id, closed: ['V1', 'V2'] })))),
    'interlocks[1].id',
    'already used at interlocks[0].id',
  ],
  [
    'a pressure below none at all',
    broken((p) => (row(p, 'sections', 1).pressure_bar = -2)),
    'sections[1].pressure_bar',
    'at least -1.1, found -2',
  ],
  [
    'a voltage as text',
    broken((p) => (row(p, 'sections', 4).voltage_v = '400')),
    'sections[4].voltage_v',
    'must be number, found "400"',
  ],
  [
    'a pressure that is null',
    broken((p) => (row(p, 'sections', 1).pressure_bar = null)),
    'sections[1].pressure_bar',
    'must be number',
  ],
  [
    'below absolute zero',
    broken((p) => (row(p, 'sections', 1).temperature_c = -274)),
    'sections[1].temperature_c',
    'at least -273.15',
  ],
  [
    'no volume',
    broken((p) => (row(p, 'sections', 1).volume_m3 = 0)),
    'sections[1].volume_m3',
    'above 0, found 0',
  ],
  [
    'a kind that is none',
    broken((p) => (row(p, 'links', 0).kind = 'tap')),
    'links[0].kind',
    'must be one of',
  ],
  [
    'a store without release',
    broken((p) => (row(p, 'sections', 2).stores = [{ id: 'ST', kind: 'gas' }])),
    'sections[2].stores[0].release',
    'must be string',
  ],
  [
    'a store released nowhere',
    broken((p) => (row(p, 'sections', 2).stores = [{ id: 'ST', kind: 'gas', release: 'O9' }])),
    'sections[2].stores[0].release',
    'not in outlets',
  ],
  [
    'a store parameter below nothing',
    broken(
      (p) =>
        (row(p, 'sections', 2).stores = [{ id: 'ST', kind: 'gas', release: 'DR', volume_m3: -1 }]),
    ),
    'sections[2].stores[0].volume_m3',
    'at least 0',
  ],
  [
    'surroundings in no area',
    { ...smallPlant(), surroundings: [{ ...DRUMS, area: 'Z' }] },
    'surroundings[0].area',
    'not in areas',
  ],
  [
    'surroundings that open into nothing',
    { ...smallPlant(), surroundings: [{ ...DRUMS, section: 'Z' }] },
    'surroundings[0].section',
    'not in sections',
  ],
  [
    'two surroundings of one id',
    { ...smallPlant(), surroundings: [DRUMS, DRUMS] },
    'surroundings[1].id',
    'already used',
  ],
  [
    'a gauge with the id of a section: a tag has to mean one place',
    { ...smallPlant(), gauges: [{ id: 'W', section: 'W', reads: 'pressure' }] },
    'gauges[0].id',
    'each of the sections, links, outlets, gauges and stores has an id of its own',
  ],
  [
    'surroundings of no kind',
    { ...smallPlant(), surroundings: [{ ...DRUMS, kind: 'cloud' }] },
    'surroundings[0].kind',
    'must be one of',
  ],
  ['another version', { ...smallPlant(), version: 2 }, 'version', 'must be one of 1'],
  [
    'a medium that is not there',
    broken((p) => (row(p, 'sections', 1).medium = 'AIR')),
    'sections[1].medium',
    'not in media',
  ],
  ['rubbish', [1, 2], '(file)', 'must be object'],
];

describe('parsePlant', () => {
  it('reads a whole plant', () => expect(parsePlant(smallPlant()).ok).toBe(true));

  it.each(BAD)('%s', (...[, document, path, message]) => {
    const read = parsePlant(document);
    const problems = read.ok ? [] : read.problems;
    expect(problems.find((problem) => problem.path === path)?.message).toContain(message);
  });

  it('lets equipment, areas and surroundings have the id of what hangs at the plant', () => {
    const plant = smallPlant();
    const shared = {
      ...plant,
      equipment: [{ id: 'V1', name: 'header', kind: 'line', area: 'A', sections: ['W'] }],
      surroundings: [{ ...DRUMS, id: 'W' }],
    };
    expect(parsePlant(shared).ok).toBe(true);
  });

  it('says where text stops being JSON, refuses 50 MB unread, and shortens long lists', () => {
    const bad = parsePlantText('{ "format": ');
    expect(!bad.ok && bad.problems[0]?.message).toContain('is not JSON');
    const large = parsePlantText('x'.repeat(50 * 1024 * 1024));
    expect(!large.ok && large.problems).toEqual([
      { path: '(file)', message: 'is 50 MB, at most 40 MB is read' },
    ]);
    const many = parsePlant({ ...smallPlant(), outlets: Array.from({ length: 500 }, () => ({})) });
    expect(!many.ok && many.problems.length).toBe(201);
  });
});

describe('the other files', () => {
  const plant = smallPlant();
  it.each([
    ['no work', { work: [], hours: 1 }, 'work'],
    [
      'a section that is not there',
      { work: [{ section: 'X', activity: 'open' }], hours: 1 },
      'work[0].section',
    ],
    [
      'an activity that is none',
      { work: [{ section: 'W', activity: 'paint' }], hours: 1 },
      'work[0].activity',
    ],
    ['a source', { work: [{ section: 'SRC', activity: 'open' }], hours: 1 }, 'work[0].section'],
    ['no hours', { work: [{ section: 'W', activity: 'open' }], hours: 0 }, 'hours'],
  ])('scope: %s', (_label, document, path) => {
    const read = parseScope(document, plant);
    expect(!read.ok && read.problems[0]?.path).toBe(path);
  });

  it('grades name sources only, and a plan may be an answer handed back', () => {
    expect(parseGrades({ SRC: 'double' }, plant).ok).toBe(true);
    expect(parseGrades({ W: 'double' }, plant).ok).toBe(false);
    expect(parseGrades({ SRC: 'triple' }, plant).ok).toBe(false);
    expect(parsePlan({ close: ['V1'], optimal: true })).toEqual({
      ok: true,
      value: { close: ['V1'], open: [], restrain: [] },
    });
    expect(parsePlan({ close: 'V1' }).ok).toBe(false);
    expect(parsePlan({ close: [], lock: [] }).ok).toBe(false);
  });
});
