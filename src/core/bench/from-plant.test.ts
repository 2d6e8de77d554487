import { readFileSync } from 'node:fs';
import { buildGraph, parsePlantText, type IsolationPlan, type Plant, type Store } from '../plant';
import { presentOrThrow } from '../result';
import { computePlantState } from '../isolation';
import { listBleeds } from './bleeds';
import { jobOn, planOf, smallPlant } from '../../../tests/support/small-plant';
import {
  findCalculation,
  findLetDown,
  findStored,
  findWaitSeconds,
  listStartInputs,
  listStored,
} from '.';

const parsed = parsePlantText(readFileSync('demo/quillmere.plant.json', 'utf8'));
if (!parsed.ok) throw new Error('the demonstration plant does not parse');
const plant = parsed.value;
const graph = buildGraph(plant);
const stored = (id: string, from: Plant = plant) =>
  presentOrThrow(
    listStored(buildGraph(from)).find(({ subject }) => subject === id),
    id,
  );
const outlet = (id: string) => presentOrThrow(graph.outlets[graph.outletAt.get(id) ?? -1], id);
const NOTHING = { close: [], open: [], restrain: [] };
const allBut = (...open: string[]) => ({
  ...NOTHING,
  close: graph.links.flatMap(({ id }) => (open.includes(id) ? [] : [id])),
});

describe('stored energy from the plant file', () => {
  it('works out every store of the demonstration plant', () => {
    const missing = listStored(graph).filter(({ result }) => !result.ok);
    expect(missing.map(({ subject }) => subject)).toEqual([]);
    expect(listStored(graph)).toHaveLength(graph.stores.length);
  });

  it('takes one section when asked for one', () => {
    const found = listStored(graph, new Set(['P201-PSH'])).map(({ subject }) => subject);
    expect(found).toEqual(['ST-P201-SPR']);
  });

  it.each([
    ['ST-CAP1', 'capacitor', true],
    ['ST-JKT', 'cooling', true],
    ['ST-P201-ROT', 'rotor', true],
    ['ST-AIR', 'gas-energy', false],
    ['ST-LID', 'raised-mass', false],
  ])('%s is worked out as %s; its main figure is a time: %s', (id, calculation, isTime) => {
    const found = stored(id);
    expect(found.calculation).toBe(calculation);
    expect(findWaitSeconds(found.result) !== undefined).toBe(isTime);
  });

  it('names what the plant file does not give, and makes nothing up', () => {
    const bare: Plant = {
      ...plant,
      sections: plant.sections.map((section) => ({
        ...section,
        stores: section.stores?.map(({ id, kind, release }) => ({ id, kind, release }) as Store),
        pressure_bar: undefined,
        temperature_c: undefined,
        voltage_v: undefined,
        volume_m3: undefined,
      })),
    };
    const fields = (id: string) => {
      const { result } = stored(id, bare);
      return result.ok ? [] : result.problems.map(({ field }) => field);
    };
    expect(fields('ST-AIR')).toEqual(['pressure', 'volume']);
    expect(fields('ST-CAP1')).toEqual(['voltage', 'capacitance']);
    expect(fields('ST-JKT')).toEqual(['from']);
    expect(fields('ST-MAC')).toEqual(['speed']);
    expect(fields('ST-ACC')).toEqual(['volume', 'precharge', 'pressure']);
  });
});

describe('letting down from the plant file', () => {
  it('counts all of the medium behind the outlet, and nothing while a source feeds it', () => {
    const seconds = (plan: IsolationPlan) => {
      const found = findLetDown(graph, plan, outlet('VT-803'));
      return found && findWaitSeconds(found.result);
    };
    expect(seconds(NOTHING)).toBeUndefined();
    const short = seconds(allBut());
    const long = seconds(allBut('AV-803'));
    expect(short).toBeGreaterThan(0);
    expect([long, short].some((one) => one === undefined)).toBe(false);
    expect(long).toBeGreaterThan(5 * (short ?? Infinity));
  });

  it('drains liquid by its level, earths nothing, and asks for the size of the outlet', () => {
    const drained = findLetDown(graph, allBut(), outlet('DR-2002'));
    expect(drained?.calculation).toBe('drain');
    expect(findLetDown(graph, NOTHING, outlet('EA-SWA'))).toBeUndefined();
    const bare = findLetDown(graph, allBut(), { ...outlet('VT-803'), dn_mm: undefined });
    expect(bare?.result).toMatchObject({ ok: false, problems: [{ field: 'bore' }] });
  });
});

describe('bleeds between two valves', () => {
  const line = (changes: object = {}, medium: object = {}) =>
    buildGraph({
      ...plant,
      areas: [],
      media: [{ id: 'M', name: 'air', energy: 'pressure', phase: 'gas', hazards: [], ...medium }],
      sections: ['SRC', 'GAP', 'WORK'].map((id) => ({
        id,
        name: id,
        medium: 'M',
        area: 'A',
        pressure_bar: 7,
        ...(id === 'SRC' ? { source: { name: 'main' } } : {}),
      })),
      links: [
        { id: 'V1', kind: 'ball-valve', between: ['SRC', 'GAP'] },
        { id: 'V2', kind: 'ball-valve', between: ['GAP', 'WORK'] },
      ],
      outlets: [
        { id: 'BL', section: 'GAP', kind: 'bleed', leads_to: 'safe', dn_mm: 6, ...changes },
      ],
      gauges: [],
      equipment: [],
    } as unknown as Plant);
  const bleeds = (graph: ReturnType<typeof line>, close = ['V1', 'V2']) =>
    listBleeds(graph, computePlantState(graph, { ...NOTHING, close, open: ['BL'] }));

  it('says what leak each carries, as the page of the Bench does', () => {
    const [found] = bleeds(line());
    expect(found).toMatchObject({ subject: 'BL', calculation: 'cavity-gas' });
    const main = found?.result.ok && found.result.figures.find(({ isMain }) => isMain);
    expect(main && main.label).toBe('Largest leak that the bleed carries');
    expect(main && main.value).toBeGreaterThan(0);
  });

  it('takes a liquid as one, and leaves out what boils', () => {
    const liquid = { phase: 'liquid', energy: 'process' };
    expect(bleeds(line({}, liquid))[0]).toMatchObject({
      calculation: 'cavity-liquid',
      result: { ok: true },
    });
    expect(bleeds(line({}, { ...liquid, fluid: 'lpg' }))).toEqual([]);
    expect(bleeds(line({}, { phase: 'vapour' }))).toEqual([]);
  });

  it('is none with one valve alone, and makes up no size', () => {
    expect(bleeds(line(), ['V1'])).toEqual([]);
    expect(bleeds(line(), ['V2'])).toEqual([]);
    expect(bleeds(line({ dn_mm: undefined }))[0]?.result).toMatchObject({
      ok: false,
      problems: [{ field: 'bore' }],
    });
  });
});

describe('hot liquid shut in by a plan', () => {
  const trapped = (medium: object, section: object) => {
    const plant = smallPlant({ sections: { MID: section } });
    const media = plant.media.map((one) => ({ ...one, ...medium }));
    const { graph: drawn, requirement } = jobOn({ ...plant, media } as Plant);
    return findStored(drawn, requirement, planOf(['V1', 'V2', 'CB'], [])).find(
      ({ subject }) => subject === 'MID',
    );
  };
  const hot = { temperature_c: 170, volume_m3: 2, pressure_bar: 7 };

  it('counts with the burst that it would make, as the page of the Bench says it', () => {
    const found = trapped({ phase: 'liquid', fluid: 'water' }, hot);
    expect(found).toMatchObject({ kind: 'hot liquid shut in', calculation: 'flashing-burst' });
    const bench = findCalculation('flashing-burst');
    const same = bench?.run({
      ...listStartInputs(bench.fields),
      temperature: { value: 170, unit: 'degC' },
      volume: { value: 2, unit: 'm^3' },
    });
    expect(found?.result).toEqual(same);
  });

  it('says that it was taken as water where the drawing does not say what it is', () => {
    const found = trapped({ phase: 'liquid', fluid: undefined }, hot);
    expect(found?.result.ok && found.result.notes.at(-1)).toMatch(/taken as water/);
  });

  it.each<[string, object, object, string | undefined]>([
    [
      'water at 100 °C',
      { phase: 'liquid', fluid: 'water' },
      { ...hot, temperature_c: 100 },
      undefined,
    ],
    [
      'liquefied gas in the sun',
      { phase: 'liquid', fluid: 'lpg' },
      { volume_m3: 2 },
      'flashing-burst',
    ],
    ['gas under pressure', { phase: 'gas' }, hot, 'gas-energy'],
    ['dust', { phase: 'solid' }, hot, undefined],
  ])('%s', (_, medium, section, calculation) => {
    expect(trapped(medium, section)?.calculation).toBe(calculation);
  });

  it('is not known without its volume', () => {
    const found = trapped({ phase: 'liquid', fluid: 'water' }, { ...hot, volume_m3: undefined });
    expect(found?.result).toMatchObject({ ok: false, problems: [{ field: 'volume' }] });
  });
});
