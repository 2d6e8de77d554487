import { readFileSync } from 'node:fs';
import { smallPlant } from '../../../tests/support/small-plant';
import { buildGraph, lintPlant, parsePlantText, type DrawingCode, type Plant } from '.';

type Change = Parameters<typeof smallPlant>[0];
const lint = (change?: Change, more: (plant: Plant) => Plant = (plant) => plant) =>
  lintPlant(buildGraph(more(smallPlant(change))));
const only = (code: DrawingCode, change?: Change, more?: (plant: Plant) => Plant) =>
  lint(change, more)
    .filter((one) => one.code === code)
    .map(({ subject }) => subject);

const withMedium = (plant: Plant): Plant => ({
  ...plant,
  media: [
    ...plant.media,
    { id: 'ACID', name: 'acid', energy: 'process', phase: 'liquid', hazards: ['corrosive'] },
  ],
  sections: plant.sections.map((one) => (one.id === 'END' ? { ...one, medium: 'ACID' } : one)),
});

describe('cautions of a drawing', () => {
  it('names what nobody can prove, what nothing drains and what nothing reads; what stands at no pressure needs neither', () => {
    expect(only('nobody-can-prove', { links: { SB: { normal: 'closed' } } })).toEqual(['END']);
    expect(only('nothing-reads', { links: { V2: { kind: 'check-valve' } } })).toEqual(['MID']);
    expect(only('nothing-drains', { outlets: { DR: { section: 'MID' } }, links: { V2: { kind: 'check-valve' } } })).toEqual(['END']); // prettier-ignore
    expect(
      only('nothing-drains', {
        outlets: { DR: { section: 'MID' } },
        links: { V2: { kind: 'check-valve' } },
        sections: { W: { pressure_bar: 0 }, END: { pressure_bar: 0 } },
      }),
    ).toEqual([]);
  });

  it('names a fitting at which fluids of different hazards meet, and none where they are the same', () => {
    expect(only('hazards-meet', {}, withMedium)).toEqual(['SB']);
    expect(only('hazards-meet')).toEqual([]);
  });

  it('names interlocks that are broken as the plant stands, and none that a move would break', () => {
    const lock = (open: string[], closed: string[]) => (plant: Plant) => ({ ...plant, interlocks: [{ id: 'KI', open, closed }] }); // prettier-ignore
    const links = { V1: { normal: 'closed' } };
    expect(only('interlock-broken', { links }, lock(['V2'], ['V1']))).toEqual(['KI']);
    expect(only('interlock-broken', { links }, lock([], ['V1', 'V2']))).toEqual([]);
    expect(only('interlock-broken', { links }, lock(['V2', 'DR'], []))).toEqual([]);
  });

  it('asks what moves a remote valve, not what moves a remote breaker', () => {
    const remote = { V1: { operated: 'remote' }, CB: { operated: 'remote' } };
    expect(only('data-missing', { links: remote })).toEqual(['V1']);
    const moved = { V1: { operated: 'remote', powered_by: 'BUS' } };
    expect(only('data-missing', { links: moved })).toEqual([]);
  });

  it('names motors that nobody could try to start', () => {
    expect(only('no-start-station')).toEqual(['M']);
    const withStation = (plant: Plant): Plant => ({
      ...plant,
      equipment: [
        {
          id: 'P',
          name: 'pump',
          kind: 'pump',
          area: 'A',
          sections: ['CBL'],
          start_stations: ['x'],
        },
      ],
    });
    expect(only('no-start-station', {}, withStation)).toEqual([]);
  });

  it('names data that rules need: hazards, pressures, temperatures, voltages', () => {
    expect(only('data-missing')).toEqual([]);
    const change: Change = {
      medium: { hazards: undefined },
      sections: {
        W: { pressure_bar: undefined, temperature_c: undefined },
        CBL: { voltage_v: undefined },
      },
    };
    expect(only('data-missing', change)).toEqual(['WATER', 'CBL', 'W', 'W']);
  });

  it('names ids that are easily taken for each other', () => {
    const twins = (plant: Plant): Plant => ({
      ...plant,
      gauges: [...plant.gauges, { id: 'v-I', section: 'W', reads: 'level' }],
    });
    expect(lint({}, twins).find(({ code }) => code === 'look-alike')?.words).toBe('V1 and v-I');
  });

  it.each(['starts/dairy', 'starts/quarry', 'quillmere'])(
    'has no look-alikes and nothing missing at %s',
    (name) => {
      const read = parsePlantText(readFileSync(`demo/${name}.plant.json`, 'utf8'));
      if (!read.ok) throw new Error(JSON.stringify(read.problems));
      const codes = lintPlant(buildGraph(read.value)).map(({ code }) => code);
      expect(codes).not.toContain('look-alike');
    },
  );
});
