import {
  computeAdjusted,
  computeHeatIndex,
  computeWindChill,
  findWorkMinutes,
} from '../../src/core/space/climate';

const celsius = (fahrenheit: number) => (fahrenheit - 32) / 1.8;
const fahrenheit = (degrees: number) => degrees * 1.8 + 32;

/** Source: NWS heat index chart: °F by temperature (°F) and relative humidity (%). */
it.each([
  [80, 40, 80],
  [84, 60, 88],
  [88, 70, 100],
  [90, 50, 95],
  [90, 60, 100],
  [94, 50, 103],
  [96, 50, 108],
  [100, 40, 109],
  [100, 50, 118],
  [110, 40, 136],
])('%d °F at %d %% feels like %d °F', (air, humidity, index) => {
  expect(Math.abs(fahrenheit(computeHeatIndex(celsius(air), humidity)) - index)).toBeLessThan(1.01);
});

/** Source: Environment Canada wind chill chart: °C by temperature (°C) and wind (km/h). */
it.each([
  [5, 5, 4],
  [0, 20, -5],
  [-10, 30, -20],
  [-15, 40, -27],
  [-25, 50, -42],
  [-40, 10, -51],
])('%d °C in %d km/h feels like %d °C', (air, wind, chill) => {
  expect(Math.round(computeWindChill(air, wind / 3.6))).toBe(chill);
});

it('in almost no wind it feels as cold as it is', () => {
  expect(computeWindChill(-12, 1)).toBe(-12);
});

describe('work and rest in the heat', () => {
  /** Source: NIOSH 2017-127 (from memory): adjusted °F, minutes of work in the hour for light, moderate and heavy work. */
  it.each([
    [90, 60, 60, 60],
    [95, 60, 60, 45],
    [98, 60, 60, 35],
    [100, 60, 45, 30],
    [103, 60, 30, 20],
    [105, 60, 25, 15],
    [108, 35, 0, 0],
    [110, 15, 0, 0],
    [112, 0, 0, 0],
  ])('%d °F: %d, %d, %d', (adjusted, light, moderate, heavy) => {
    const minutes = (['light', 'moderate', 'heavy'] as const).map((effort) =>
      findWorkMinutes(celsius(adjusted), effort),
    );
    expect(minutes).toEqual([light, moderate, heavy]);
  });

  /** Source: the same: 90 °F in full sun at 50 % counts as 90 + 13 + 6. */
  it('adds sun and humidity, and ends where the table ends', () => {
    expect(fahrenheit(computeAdjusted(celsius(90), 50, 'full') ?? 0)).toBeCloseTo(109, 9);
    expect(fahrenheit(computeAdjusted(celsius(90), 10, 'none') ?? 0)).toBeCloseTo(82, 9);
    expect(computeAdjusted(celsius(90), 61, 'none')).toBeUndefined();
  });
});
