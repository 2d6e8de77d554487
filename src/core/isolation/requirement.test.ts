import { jobOn, smallPlant } from '../../../tests/support/small-plant';
import type { Activity, Grade } from '../plant';

type Change = Parameters<typeof smallPlant>[0];

const TABLE: [string, Change, Activity, number, Grade][] = [
  ['water opened', {}, 'open', 8, 'single-bled'],
  ['water touched', {}, 'touch', 8, 'single'],
  ['entered', {}, 'enter', 8, 'positive'],
  ['hot work', {}, 'hot-work', 8, 'positive'],
  ['at 10 bar', { sections: { SRC: { pressure_bar: 10 } } }, 'open', 8, 'single-bled'],
  ['above 10 bar', { sections: { SRC: { pressure_bar: 10.01 } } }, 'open', 8, 'double-bled'],
  [
    'work section above 10 bar',
    { sections: { W: { pressure_bar: 12 } } },
    'open',
    8,
    'double-bled',
  ],
  ['at 60 °C', { sections: { SRC: { temperature_c: 60 } } }, 'open', 8, 'single-bled'],
  ['above 60 °C', { sections: { SRC: { temperature_c: 60.1 } } }, 'open', 8, 'double-bled'],
  [
    'a gas above 60 °C',
    { medium: { phase: 'gas' }, sections: { SRC: { temperature_c: 90 } } },
    'open',
    8,
    'single-bled',
  ],
  [
    'pressure not given',
    { sections: { SRC: { pressure_bar: undefined } } },
    'open',
    8,
    'double-bled',
  ],
  [
    'temperature not given',
    { sections: { W: { temperature_c: undefined } } },
    'open',
    8,
    'double-bled',
  ],
  ['flammable, 72 h', { medium: { hazards: ['flammable'] } }, 'open', 72, 'double-bled'],
  ['flammable, above 72 h', { medium: { hazards: ['flammable'] } }, 'open', 72.5, 'positive'],
  ['toxic', { medium: { hazards: ['toxic'] } }, 'open', 8, 'double-bled'],
  ['asphyxiant', { medium: { hazards: ['asphyxiant'] } }, 'open', 8, 'double-bled'],
  ['corrosive', { medium: { hazards: ['corrosive'] } }, 'open', 100, 'double-bled'],
  ['oxidising', { medium: { hazards: ['oxidising'] } }, 'open', 8, 'double-bled'],
  ['no hazards, says the drawing', { medium: { hazards: [] } }, 'open', 100, 'single-bled'],
  ['hazards not given', { medium: { hazards: undefined } }, 'open', 8, 'double-bled'],
  ['hazards not given, above 72 h', { medium: { hazards: undefined } }, 'open', 73, 'positive'],
  ['at -40 °C', { sections: { SRC: { temperature_c: -40 } } }, 'open', 8, 'single-bled'],
  ['below -40 °C', { sections: { SRC: { temperature_c: -40.1 } } }, 'open', 8, 'double-bled'],
  [
    'a gas at 150 °C',
    { medium: { phase: 'gas' }, sections: { SRC: { temperature_c: 150 } } },
    'open',
    8,
    'single-bled',
  ],
  [
    'a gas above 150 °C',
    { medium: { phase: 'gas' }, sections: { SRC: { temperature_c: 151 } } },
    'open',
    8,
    'double-bled',
  ],
  [
    'a cold gas of which no temperature is given',
    {
      medium: { phase: 'gas', hazards: ['cold'] },
      sections: { SRC: { temperature_c: undefined } },
    },
    'open',
    8,
    'double-bled',
  ],
  [
    'hot water drawn as heat that flows',
    { medium: { energy: 'thermal' } },
    'open',
    8,
    'single-bled',
  ],
];

describe('computeRequirement', () => {
  it.each(TABLE)('%s', (...[, change, activity, hours, grade]) => {
    const { requirement } = jobOn(smallPlant(change), {
      work: [{ section: 'W', activity }],
      hours,
    });
    const demand = requirement.demands.find(({ id }) => id === 'SRC');
    expect(demand?.grade).toBe(grade);
    expect(demand?.reasons.length).toBeGreaterThan(0);
    expect(requirement.demands.find(({ id }) => id === 'BUS')?.grade).toBe('single');
  });

  it('takes the strongest grade over several work sections, and says when a person changed it', () => {
    const scope = {
      work: [
        { section: 'W', activity: 'touch' as const },
        { section: 'MID', activity: 'open' as const },
      ],
      hours: 8,
    };
    expect(
      jobOn(smallPlant(), scope).requirement.demands.find(({ id }) => id === 'SRC')?.grade,
    ).toBe('single-bled');
    const raised = jobOn(smallPlant(), scope, { SRC: 'positive' }).requirement.demands.find(
      ({ id }) => id === 'SRC',
    );
    expect([raised?.grade, raised?.tableGrade, raised?.bled]).toEqual([
      'positive',
      'single-bled',
      true,
    ]);
    expect(raised?.reasons.at(-1)).toContain('raised by hand');
  });

  const EARTHS: [string, Change, Activity, boolean][] = [
    ['1000 V touched', { sections: { CBL: { voltage_v: 1000 } } }, 'touch', false],
    ['above 1000 V touched', { sections: { CBL: { voltage_v: 1001 } } }, 'touch', true],
    ['above 1000 V entered', { sections: { CBL: { voltage_v: 11000 } } }, 'enter', false],
    ['voltage not given', { sections: { CBL: { voltage_v: undefined } } }, 'touch', true],
  ];
  it.each(EARTHS)('earths: %s', (...[, change, activity, wanted]) => {
    const { requirement } = jobOn(smallPlant(change), {
      work: [{ section: 'CBL', activity }],
      hours: 1,
    });
    expect(requirement.earths.length > 0).toBe(wanted);
  });
});
