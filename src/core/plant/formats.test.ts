import { readFileSync } from 'node:fs';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { rollPlant } from '../../../tests/support/random-plant';
import { smallPlant } from '../../../tests/support/small-plant';
import { presentOrThrow } from '../result';
import {
  describeChange,
  describeSheetProblem,
  listRenamed,
  diffPlants,
  parsePlant,
  parsePlantText,
  parseSheets,
  writeGraphml,
  writeSheets,
  type Plant,
} from '.';

const parsed = parsePlantText(readFileSync('demo/quillmere.plant.json', 'utf8'));
if (!parsed.ok) throw new Error('the demonstration plant does not parse');
const plant = parsed.value;

/** The sheets of the demonstration plant with one of them rewritten. */
function spoil(sheet: string, change: (text: string) => string): Uint8Array {
  const files = unzipSync(writeSheets(plant));
  const text = strFromU8(presentOrThrow(files[sheet], sheet));
  const spoilt = change(text);
  if (spoilt === text) throw new Error('nothing was spoilt');
  return zipSync({ ...files, [sheet]: strToU8(spoilt) });
}
const problemsOf = (bytes: Uint8Array) => {
  const read = parseSheets(bytes);
  return read.ok ? [] : read.problems.map(describeSheetProblem);
};

describe('sheets', () => {
  it('give back the demonstration plant as it was, and the same bytes for the same plant', () => {
    const read = parseSheets(writeSheets(plant));
    expect(read).toEqual({ ok: true, value: plant });
    expect(writeSheets(plant)).toEqual(writeSheets(plant));
  });

  it('give back random plants', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const rolled = parsePlant(rollPlant(seed).plant);
      if (!rolled.ok) throw new Error(`seed ${seed}`);
      const read = parseSheets(writeSheets(rolled.value));
      expect({ seed, differs: read.ok ? diffPlants(rolled.value, read.value) : read }).toEqual({
        seed,
        differs: [],
      });
    }
  });

  it('keep old ids, which nothing has today and which lead to something', () => {
    const [section] = plant.sections;
    const withOld = (id: string, now: string) => ({ ...plant, renamed: [{ id, now }] });
    const good = parsePlant(withOld('OLD-1', section?.id ?? ''));
    if (!good.ok) throw new Error('refused');
    expect(parseSheets(writeSheets(good.value))).toEqual(good);
    for (const [id, now] of [
      [section?.id ?? '', section?.id ?? ''],
      ['OLD-1', 'NOBODY'],
    ] as const) {
      const bad = parsePlant(withOld(id, now));
      expect(bad.ok ? [] : bad.problems.map(({ path }) => path)[0]).toMatch(/^renamed\[0\]/);
    }
  });

  it('lead on over ids that were given up since, and never round in a circle', () => {
    const now = plant.sections[0]?.id ?? '';
    const chain = parsePlant({
      ...plant,
      renamed: [
        { id: 'A', now: 'B' },
        { id: 'B', now },
      ],
    });
    if (!chain.ok) throw new Error('refused');
    expect([...listRenamed(chain.value)]).toEqual([
      ['A', now],
      ['B', now],
    ]);
    const round = parsePlant({
      ...plant,
      renamed: [
        { id: 'A', now: 'B' },
        { id: 'B', now: 'A' },
      ],
    });
    expect(round.ok ? '' : round.problems[0]?.message).toContain('round in a circle');
  });

  it('may lie in a folder of the zip, and need no outlets, gauges, equipment or stores', () => {
    const files = unzipSync(writeSheets({ ...plant, outlets: [], gauges: [], equipment: [] }));
    const kept = ['plant.csv', 'areas.csv', 'media.csv', 'sections.csv', 'links.csv'];
    const bare = zipSync(
      Object.fromEntries(
        kept.map((name) => [`my plant/${name}`, presentOrThrow(files[name], name)]),
      ),
    );
    const read = parseSheets(bare);
    expect(read.ok && read.value.sections).toHaveLength(plant.sections.length);
  });

  const row = (text: string, id: string) =>
    presentOrThrow(
      text.split('\r\n').find((line) => line.startsWith(`${id},`)),
      id,
    );
  const swap = (id: string, from: string, to: string) => (text: string) =>
    text.replace(row(text, id), row(text, id).replace(from, to));

  const BROKEN: [label: string, sheet: string, change: (text: string) => string, says: string][] = [
    [
      'a voltage in words',
      'sections.csv',
      swap('SWB-A', ',400,', ',four hundred,'),
      'column voltage_v: must be a number with a decimal point, found "four hundred"',
    ],
    [
      'a decimal comma',
      'sections.csv',
      swap('P201-CAS', '0.04', '"0,04"'),
      'column volume_m3: must be a number with a decimal point',
    ],
    [
      'a kind that is none',
      'links.csv',
      swap('HV-2001', 'gate-valve', 'gate valve'),
      'column kind: must be one of "joint"',
    ],
    [
      'a link to nowhere',
      'links.csv',
      swap('HV-2001', 'D1-LIQ', 'D9-LIQ'),
      'column between: leads to "D9-LIQ", which is not in sections',
    ],
    [
      'yes or no in another way',
      'links.csv',
      (text) => text.replace(/(\nHV-2001,[^,]*,[^,]*,[^,]*,[^,]*,)/, '$10'),
      'must be yes or no, found "0"',
    ],
    [
      'an id twice',
      'gauges.csv',
      (text) => `${text}\r\nPG-2001,P201-SUC,pressure`,
      'column id: id "PG-2001" is already used',
    ],
    [
      'an unknown column',
      'gauges.csv',
      (text) => text.replace('reads', 'range'),
      'row 1, column range: unknown column "range": this sheet has id, section, reads',
    ],
    [
      'a column twice',
      'gauges.csv',
      (text) => text.replace('reads', 'id'),
      'column "id" stands twice',
    ],
    [
      'a store of no section',
      'stores.csv',
      (text) => text.replace('AIR-REC', 'AIR-XXX'),
      'column section: leads to "AIR-XXX", which is not in sections',
    ],
    [
      'a store without a release',
      'stores.csv',
      (text) => text.replace(',gas,VT-EXP,', ',gas,,'),
      'column release: must be string, found nothing',
    ],
    [
      'a figure of a store in words',
      'stores.csv',
      (text) => text.replace(',48,', ',heavy,'),
      'must be a number',
    ],
    [
      'a point of two figures',
      'sections.csv',
      (text) => text.replace(/(\nSWB-A,[^\r]*?,)\d+ \d+ \d+/, '$15 5'),
      'column at:',
    ],
    [
      'a cell too many',
      'gauges.csv',
      (text) => `${text}\r\nPG-X,P201-SUC,pressure,7`,
      'has 4 cells, the heading has 3',
    ],
    [
      'an open quote',
      'gauges.csv',
      (text) => `${text}\r\n"PG-X,P201-SUC,pressure`,
      'cannot be read',
    ],
    [
      'an outline of words',
      'areas.csv',
      (text) => text.replace('0 0;14 0', 'here;there'),
      'column outline: must be figures parted by spaces',
    ],
    [
      'a version that is not known',
      'plant.csv',
      (text) => text.replace(',1,', ',2,'),
      'column version: ',
    ],
  ];
  it.each(BROKEN)('say where %s stands', (_label, sheet, change, says) => {
    const problems = problemsOf(spoil(sheet, change));
    expect(problems.join('\n')).toContain(says);
    expect(problems.every((one) => one.startsWith(sheet))).toBe(true);
  });

  it('name the row as a person counts it, the heading being the first', () => {
    const text = strFromU8(presentOrThrow(unzipSync(writeSheets(plant))['links.csv'], 'links'));
    const at = text.split('\r\n').findIndex((line) => line.startsWith('HV-2001,')) + 1;
    const [problem] = problemsOf(spoil('links.csv', swap('HV-2001', 'gate-valve', 'tap')));
    expect(problem).toContain(`links.csv row ${at}, column kind`);
  });

  it.each([
    ['rubbish', strToU8('rubbish'), 'is not a zip file'],
    ['nothing', new Uint8Array(), 'is not a zip file'],
    ['an empty zip', zipSync({}), 'sections.csv is missing'],
    [
      'a sheet that no plant has',
      zipSync({ 'pumps.csv': strToU8('id') }),
      'pumps.csv unknown sheet',
    ],
    [
      'a zip that unpacks to far more than it is',
      zipSync({ 'links.csv': new Uint8Array(60 * 1024 * 1024) }),
      'unpacks to more than 40 MB',
    ],
  ])('refuse %s', (_label, bytes, says) => {
    expect(problemsOf(bytes).join('\n')).toContain(says);
  });
});

describe('GraphML', () => {
  it('holds every section as a node and every link as an edge, whatever the names', () => {
    const odd: Plant = {
      ...plant,
      sections: plant.sections.map((one, n) => (n === 0 ? { ...one, name: 'A & B <"C">' } : one)),
    };
    const text = writeGraphml(odd);
    expect(XMLValidator.validate(text)).toBe(true);
    const { graphml } = new XMLParser({ ignoreAttributes: false }).parse(text) as {
      graphml: { graph: { node: { data: { '#text': string }[] }[]; edge: object[] } };
    };
    expect(graphml.graph.node).toHaveLength(plant.sections.length);
    expect(graphml.graph.edge).toHaveLength(plant.links.length);
    expect(JSON.stringify(graphml.graph.node[0])).toContain('A & B <\\"C\\">');
  });
});

describe('differences', () => {
  it('are none between a plant and itself in another order', () => {
    const shuffled: Plant = {
      ...plant,
      links: [...plant.links].reverse(),
      sections: plant.sections.map((one) => ({ ...one, id: one.id })).reverse(),
    };
    expect(diffPlants(plant, shuffled)).toEqual([]);
  });

  it('name what came, went and changed, field by field', () => {
    const [first, second, ...rest] = plant.links;
    if (!first || !second) throw new Error('no links');
    const after: Plant = {
      ...plant,
      links: [{ ...first, normal: 'closed', minutes: 3 }, ...rest, { ...second, id: 'NEW-1' }],
    };
    expect(diffPlants(plant, after).map(describeChange)).toEqual(
      [
        `link ${first.id} changed: minutes from ${JSON.stringify(first.minutes) ?? 'nothing'} to 3; normal from ${JSON.stringify(first.normal) ?? 'nothing'} to "closed"`,
        `link ${second.id} removed`,
        'link NEW-1 added',
      ].sort((a, b) => ((a.split(' ')[1] ?? '') < (b.split(' ')[1] ?? '') ? -1 : 1)),
    );
  });
});

describe('hazards in a sheet', () => {
  const withHazards = (hazards: readonly string[] | undefined): Plant => {
    const plant = smallPlant();
    return {
      ...plant,
      media: plant.media.map((medium) => ({ ...medium, hazards })) as unknown as Plant['media'],
    };
  };

  it.each([
    ['not known', undefined],
    ['none', []],
    ['some', ['toxic', 'hot']],
  ])('come back as they were: %s', (_label, hazards) => {
    const read = parseSheets(writeSheets(withHazards(hazards)));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.media.map((medium) => medium.hazards)).toEqual([hazards, hazards]);
  });
});
