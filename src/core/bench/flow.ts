import { computeDrain, computeHungLevel, type Tank } from '../energy/drain';
import { computeHeads } from '../energy/head';
import { computeCriticalRatio, computeGasFlow, computeLetDown } from '../energy/let-down';
import { GRAVITY } from '../energy/motion';
import { choice, defineCalculation, figure, InputFault, number } from './define';
import {
  absoluteOf,
  areaOf,
  ATMOSPHERE,
  BLEED_SIZE,
  COEFFICIENT,
  HEAT_RATIO,
  IDEAL,
  MOLAR_MASS,
  NOT_NEGATIVE,
  POSITIVE,
} from './fields';

/** Below this (-29 °C) carbon steel is not to be taken for tough. Source: ASME B31.3, table A-1, minimum temperature (from memory). */
const BRITTLE_KELVIN = 273.15 - 29;

export const letDown = defineCalculation(
  {
    id: 'let-down',
    title: 'Letting gas down through a bleed',
    question: 'How long until this vessel is at zero?',
    answer: 'Give it {t}, then read the gauge.',
    about:
      'How long a vessel or line of gas takes to fall to a small overpressure through one opening.',
    isWait: true,
    formula: [
      'choked while Pb / P < (2 / (k + 1))^(k / (k - 1))',
      'm = Cd A P sqrt(M / (R T)) × psi(Pb / P, k)',
      't = integral of V dm / m, at constant temperature and without heat: the longer counts',
    ],
    source: 'Compressible nozzle flow, NACA Report 1135; vessel balance (textbook)',
    caution:
      'The opening may be plugged: no flow is not no pressure. What is shut too soon warms and comes back. Read the gauge.',
    fields: {
      pressure: number('Pressure (gauge)', 'p', 'gauge-pressure', 'bar', 7, IDEAL),
      target: number(
        'Down to (gauge, above the back-pressure)',
        'p1',
        'gauge-pressure',
        'bar',
        0.05,
      ),
      back: number('Back-pressure (gauge)', 'pb', 'gauge-pressure', 'bar', 0),
      volume: number('Volume', 'V', 'volume', 'm^3', 1.5, POSITIVE),
      bore: BLEED_SIZE,
      coefficient: COEFFICIENT,
      temperature: number('Temperature', 'T', 'temperature', 'degC', 25, { above: 0 }),
      k: HEAT_RATIO,
      molar: MOLAR_MASS,
      ambient: ATMOSPHERE,
    },
  },
  ({ pressure, target, back, volume, bore, coefficient, temperature, k, molar, ambient }) => {
    const pressures = {
      from: absoluteOf(pressure, ambient, 'pressure'),
      to: absoluteOf(target, ambient, 'target'),
      back: absoluteOf(back, ambient, 'back'),
    };
    if (pressures.from <= pressures.back) {
      throw new InputFault(
        'back',
        'Back-pressure must be below the pressure of the gas: nothing flows out against it',
      );
    }
    if (pressures.to <= pressures.back) {
      throw new InputFault(
        'target',
        'Down to must be above the back-pressure: the last of it takes for ever, so name a small overpressure',
      );
    }
    if (pressures.from <= pressures.to) {
      throw new InputFault('pressure', 'Pressure must be above the pressure it is let down to');
    }
    const opening = { area: areaOf(bore), coefficient };
    const gas = { k, molarMass: molar };
    const both = (['isothermal', 'adiabatic'] as const).map((expansion) => ({
      expansion,
      ...computeLetDown(volume, opening, gas, temperature, pressures, expansion),
    }));
    const [slow] = [...both].sort((a, b) => b.seconds - a.seconds);
    const [isothermal, adiabatic] = both;
    if (!slow || !isothermal || !adiabatic) throw new InputFault('', 'no time could be found');
    const critical = computeCriticalRatio(k);
    return {
      figures: [
        figure('Time, the longer of the two', 't', slow.seconds, 'time', 'min', true),
        figure('Time at constant temperature', 'tT', isothermal.seconds, 'time', 'min'),
        figure('Time without heat from the wall', 'tS', adiabatic.seconds, 'time', 'min'),
        figure(
          'First flow',
          'm',
          computeGasFlow(opening, gas, pressures.from, temperature, pressures.back),
          'mass-flow',
          'kg/h',
        ),
        figure('Coldest it may get', 'Tmin', adiabatic.endKelvin, 'temperature', 'degC'),
        figure(
          'Comes back to, if shut then (gauge)',
          'pr',
          adiabatic.returns - ambient,
          'gauge-pressure',
          'bar',
        ),
      ],
      notes: [
        ...(adiabatic.endKelvin < BRITTLE_KELVIN
          ? [
              `Without heat from the wall the gas falls to ${(adiabatic.endKelvin - 273.15).toFixed(0)} °C: carbon steel may break like glass. Let it down in steps, and watch the wall.`,
            ]
          : []),
        pressures.back / pressures.from < critical
          ? `Choked until it has fallen to ${((pressures.back / critical - ambient) / 1e5).toFixed(2)} bar gauge.`
          : 'Not choked at any time.',
      ],
      curve: {
        x: { label: 'time', quantity: 'time', unit: 'min' },
        y: { label: 'pressure (gauge)', quantity: 'gauge-pressure', unit: 'bar' },
        points: slow.curve.map(([t, p]) => [t, p - ambient] as const),
        level: { label: 'let down', value: target },
      },
    };
  },
);

export const drain = defineCalculation(
  {
    id: 'drain',
    title: 'Draining a vessel',
    question: 'How long until this vessel is empty?',
    answer: 'It is empty after {t}.',
    about:
      'How long a vessel takes to drain through its lowest opening, and where it stops when nothing vents it.',
    isWait: true,
    formula: ['t = integral of A(h) dh / (Cd a sqrt(2 g (h + p / (rho g))))'],
    source: 'Torricelli; practice',
    caution:
      'A drain without a vent pulls a vacuum and may draw the vessel in. A plugged drain shows no flow and no level falls.',
    fields: {
      shape: choice(
        'Shape',
        {
          'upright-cylinder': 'upright cylinder',
          'lying-cylinder': 'lying cylinder',
          sphere: 'sphere',
        },
        'upright-cylinder',
      ),
      diameter: number('Diameter', 'D', 'length', 'm', 2, POSITIVE),
      length: number('Length or height', 'L', 'length', 'm', 4, POSITIVE),
      from: number('Level now', 'h0', 'length', 'm', 3, POSITIVE),
      to: number('Level wanted', 'h1', 'length', 'm', 0, NOT_NEGATIVE),
      bore: { ...BLEED_SIZE, start: 50 },
      coefficient: COEFFICIENT,
      over: number('Pressure kept on top (gauge)', 'p', 'gauge-pressure', 'bar', 0, NOT_NEGATIVE),
      density: number('Density', 'rho', 'density', 'kg/m^3', 1000, POSITIVE),
      vent: choice('Vent', { open: 'open and large enough', shut: 'none, or shut' }, 'open'),
      ambient: ATMOSPHERE,
    },
  },
  ({ shape, diameter, length, from, to, bore, coefficient, over, density, vent, ambient }) => {
    const height = shape === 'upright-cylinder' ? length : diameter;
    if (from > height)
      throw new InputFault(
        'from',
        'Level now must be at most the height of the vessel (its diameter, where it lies or is a sphere)',
      );
    if (to >= from) throw new InputFault('to', 'Level wanted must be below the level now');
    if (vent === 'shut') {
      const gas = absoluteOf(over, ambient, 'over');
      const hung = computeHungLevel(height, from, density, gas, ambient);
      throw new InputFault(
        'vent',
        hung > to
          ? `Vent must be open: without one it stops near ${hung.toFixed(2)} m and hangs there under vacuum`
          : 'Vent must be open: without one no time can be given, for air gulps in',
      );
    }
    const tank: Tank =
      shape === 'lying-cylinder' ? { shape, diameter, length } : { shape, diameter };
    const { seconds, curve } = computeDrain(
      tank,
      { area: areaOf(bore), coefficient },
      from,
      to,
      over / (density * GRAVITY),
    );
    return {
      figures: [figure('Time', 't', seconds, 'time', 'min', true)],
      notes: ['Attend it: a drain that has to be stopped by hand is never left.'],
      curve: {
        x: { label: 'time', quantity: 'time', unit: 'min' },
        y: { label: 'level', quantity: 'length', unit: 'm' },
        points: curve,
      },
    };
  },
);

export const head = defineCalculation(
  {
    id: 'head',
    title: 'Head of liquid in a line through a valley',
    question: 'What still stands at the low point when the bleed reads zero?',
    answer: '{pl} still stands at the low point when the bleed reads zero.',
    about: 'What stands at the low point while a bleed higher up already reads zero.',
    formula: ['p = p0 + rho g (z0 - z)'],
    source: 'Hydrostatics; practice',
    caution:
      'Zero at the upper bleed does not prove zero at the low point: open the low drain, or read there.',
    fields: {
      drive: number(
        'Pressure at the start (gauge)',
        'p0',
        'gauge-pressure',
        'bar',
        4,
        NOT_NEGATIVE,
      ),
      start: number('Height of the start', 'z0', 'length', 'm', 2),
      summit: number('Height of the highest point', 'zs', 'length', 'm', 12),
      lowest: number('Height of the lowest point', 'zl', 'length', 'm', -6),
      bleed: number('Height of the bleed', 'zb', 'length', 'm', 2),
      density: number('Density', 'rho', 'density', 'kg/m^3', 1000, POSITIVE),
      vapour: number(
        'Vapour pressure (absolute)',
        'pv',
        'absolute-pressure',
        'bar',
        0.0234,
        NOT_NEGATIVE,
      ),
      ambient: ATMOSPHERE,
    },
  },
  ({ drive, start, summit, lowest, bleed, density, vapour, ambient }) => {
    if (summit < Math.max(start, lowest, bleed)) {
      throw new InputFault(
        'summit',
        'Height of the highest point must be at least that of start, bleed and low point',
      );
    }
    if (lowest > Math.min(start, bleed)) {
      throw new InputFault(
        'lowest',
        'Height of the lowest point must be at most that of start and bleed',
      );
    }
    const line = computeHeads({ drive, start, summit, lowest, bleed, density });
    const parts = line.summit + ambient < vapour;
    return {
      figures: [
        figure(
          'Left at the lowest point when the bleed reads zero (gauge)',
          'pl',
          line.leftAtLowest,
          'gauge-pressure',
          'bar',
          true,
        ),
        figure(
          'At the lowest point while driven (gauge)',
          'pmax',
          line.lowest,
          'gauge-pressure',
          'bar',
        ),
        ...(parts
          ? []
          : [
              figure(
                'At the highest point while driven (gauge)',
                'ps',
                line.summit,
                'gauge-pressure',
                'bar',
              ),
            ]),
      ],
      notes: parts
        ? [
            'The column parts at the highest point: there is a pocket of vapour there, and no pressure to read.',
          ]
        : [],
    };
  },
);
