import { adviseWeather, type Weather } from './weather';

const codes = (weather: Weather) => adviseWeather(weather).refusals.map(({ code }) => code);
const says = (weather: Weather) => adviseWeather(weather).says.join(' ');

describe('heat, by NIOSH 2017-127 (from memory): work in each hour by adjusted temperature', () => {
  // 34 °C is 93.2 °F; at 30 % nothing is added. In the shade moderate work goes on all hour up to 99 °F, heavy up to 94 °F.
  it.each([
    ['heavy, 93 °F', { air_c: 34, humidity: 30, sun: 'none', effort: 'heavy' }, 'No fixed rest'],
    ['heavy, 95 °F', { air_c: 35, humidity: 30, sun: 'none', effort: 'heavy' }, 'Work 45 min'],
    ['moderate, 95 °F', { air_c: 35, humidity: 30, sun: 'none', effort: 'moderate' }, 'No fixed'],
    ['heavy, 97 °F', { air_c: 36.1, humidity: 30, sun: 'none', effort: 'heavy' }, 'Work 40 min'],
    ['light, 110 °F', { air_c: 43.3, humidity: 30, sun: 'none', effort: 'light' }, 'Work 15 min'],
  ] as const)('%s', (_, weather, words) => {
    expect(says(weather)).toContain(words);
    expect(codes(weather)).toEqual([]);
  });

  it('reads full sun and heavy work where neither is said', () => {
    const told = { air_c: 30, humidity: 30 };
    expect(says(told)).toBe(says({ ...told, sun: 'full', effort: 'heavy' }));
    expect(says(told)).not.toBe(says({ ...told, sun: 'none', effort: 'light' }));
  });

  it('says how much is drunk, and refuses where no rest is enough', () => {
    expect(says({ air_c: 30, humidity: 30 })).toContain('no more than 1.4 l in an hour');
    expect(codes({ air_c: 44, humidity: 30, sun: 'none', effort: 'light' })).toEqual([
      'briefing-too-hot',
    ]);
  });

  it('asks for the humidity from 26.7 °C on', () => {
    expect(codes({ air_c: 26.6 })).toEqual([]);
    expect(codes({ air_c: 26.7 })).toEqual(['briefing-humidity-unsaid']);
  });
});

describe('cold, by the ACGIH TLV (from memory): what is done by equivalent chill temperature', () => {
  it.each([
    [4, 'Dry clothes'],
    [-6.9, 'Dry clothes'],
    [-7, 'heated shelter'],
    [-12, 'Nobody alone'],
    [-32, 'No bare skin'],
  ])('%f °C without wind: %s', (air_c, words) => {
    expect(says({ air_c, wind_m_s: 0 })).toContain(words);
  });

  it('counts the wind: -20 °C at 30 km/h is -33 (chart of Environment Canada)', () => {
    expect(says({ air_c: -20, wind_m_s: 30 / 3.6 })).toMatch(/Feels like -33 °C.*No bare skin/);
  });

  it('says nothing between the two', () => {
    expect(adviseWeather({ air_c: 18 })).toEqual({ refusals: [], says: [] });
  });
});
