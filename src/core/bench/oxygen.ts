import {
  computeOxygenAfter,
  computeReleased,
  computeReleasedVolume,
  computeSettledOxygen,
  computeTimeToOxygen,
  OXYGEN_EFFECTS,
} from '../space/inert';
import {
  computeDilutionGas,
  computeDisplacementGas,
  countSwings,
  INERTING,
  sweepOnce,
} from '../space/inerting';
import {
  bySite,
  choice,
  defineCalculation,
  figure,
  InputFault,
  number,
  optional,
  type Figure,
} from './define';
import { ATMOSPHERE, MOLAR_MASS, NOT_NEGATIVE, POSITIVE } from './fields';

/** Oxygen of air as it is measured or counted (share of 1). */
const OXYGEN_SHARE = { above: 0, atMost: 0.25 } as const;
const START_OXYGEN = bySite(
  number('Oxygen at the start', 'C0', 'ratio', '%', 20.9, OXYGEN_SHARE),
  'oxygen-fresh',
);

const LEAST_OXYGEN = bySite(
  number('Least that may be breathed', 'Cl', 'ratio', '%', 20, { atLeast: 0.195, below: 0.235 }),
  'oxygen-least',
);

const DRAWN_STEPS = 80;
/** A curve goes on for so long after the last limit, or over so many turnovers where no limit is reached. */
const DRAWN_BEYOND = 1.2;
const TURNOVERS = 4;

/** What oxygen does in a space that an inert gas leaks into. */
export const inertLeak = defineCalculation(
  {
    id: 'inert-leak',
    title: 'Oxygen while an inert gas leaks in',
    question: 'How long can people breathe here while this gas leaks in, or once the blower stops?',
    answer: [
      'The air can be breathed for {t} at the most.',
      'Oxygen settles at {Ce}, for as long as the fresh air comes.',
    ],
    about:
      'Oxygen over time in a room or space with a leak of nitrogen or another inert gas, with or without fresh air.',
    formula: ['C∞ = Q Ca / (Q + G)', 'C = C∞ + (C0 - C∞) e^(-(Q + G) t / V)'],
    source:
      'Dilution of a well-stirred space (ACGIH Industrial Ventilation, from memory); least oxygen 29 CFR 1910.146; effects CGA SB-2 (from memory)',
    caution:
      'A room is never well stirred: near the leak, in a pit or under a roof it is worse, and sooner. Nobody smells it or feels it coming. Wear a detector, and leave at the alarm.',
    fields: {
      volume: number('Volume of the space', 'V', 'volume', 'm^3', 60, POSITIVE),
      leak: number('Inert gas that leaks in', 'G', 'volume-flow', 'm^3/h', 6, NOT_NEGATIVE),
      fresh: number(
        'Fresh air (0 once the blower has stopped)',
        'Q',
        'volume-flow',
        'm^3/h',
        0,
        NOT_NEGATIVE,
      ),
      start: START_OXYGEN,
      air: bySite(
        number('Oxygen of the fresh air', 'Ca', 'ratio', '%', 20.9, OXYGEN_SHARE),
        'oxygen-fresh',
      ),
      limit: LEAST_OXYGEN,
    },
  },
  ({ volume, leak, fresh, start, air, limit }) => {
    if (leak === 0) {
      throw new InputFault(
        'leak',
        'Inert gas that leaks in must be above 0 m³/h: without a leak nothing thins the air',
      );
    }
    if (start <= limit) {
      throw new InputFault(
        'start',
        'Oxygen at the start must be above the least that may be breathed: nobody goes in as it is',
      );
    }
    const space = { volume, leak, fresh };
    const settled = computeSettledOxygen(space, air * 100);
    const until = (pct: number) => computeTimeToOxygen(space, start * 100, air * 100, pct);
    const left = until(limit * 100);
    const reached = OXYGEN_EFFECTS.flatMap(({ pct, says }) => {
      const seconds = pct < limit * 100 ? until(pct) : undefined;
      return seconds === undefined ? [] : [{ pct, says, seconds }];
    });
    const last = Math.max(left ?? 0, ...reached.map(({ seconds }) => seconds));
    const drawnTo = last > 0 ? last * DRAWN_BEYOND : (TURNOVERS * volume) / (leak + fresh);
    const settles = figure(
      'Oxygen in the end',
      'Ce',
      settled / 100,
      'ratio',
      '%',
      left === undefined,
    );
    return {
      figures: [
        ...(left === undefined
          ? []
          : [figure('Until the least that may be breathed', 't', left, 'time', 'min', true)]),
        settles,
        ...reached.map(({ pct, seconds }) =>
          figure(`Until ${pct} %`, `t${pct}`, seconds, 'time', 'min'),
        ),
      ],
      notes: [
        left === undefined
          ? 'By this sum it never falls so far: the fresh air carries the leak. It does so only while the blower runs and the leak grows no larger.'
          : 'Nobody stays until then: this is how long a warning may take and people may need to leave.',
        ...reached.map(({ pct, says }) => `At ${pct} %: ${says}.`),
      ],
      curve: {
        x: { label: 'time', quantity: 'time', unit: 'min' },
        y: { label: 'oxygen', quantity: 'ratio', unit: '%' },
        points: Array.from({ length: DRAWN_STEPS + 1 }, (_, step) => {
          const seconds = (drawnTo * step) / DRAWN_STEPS;
          return [
            seconds,
            computeOxygenAfter(space, start * 100, air * 100, seconds) / 100,
          ] as const;
        }),
        level: { label: 'least that may be breathed', value: limit },
      },
    };
  },
);

/** What is left to breathe after inert gas was let go at once. */
export const inertRelease = defineCalculation(
  {
    id: 'inert-release',
    title: 'Oxygen after inert gas is let go at once',
    question: 'Can people breathe here after this bottle or flask has let go?',
    answer: '{C} oxygen is left, at the least.',
    about:
      'Oxygen in a room after a cylinder, a Dewar flask or an extinguishing set has emptied into it.',
    formula: [
      'v = m R T / (M p)',
      'air pushed out first: C = C0 (1 - v / V)',
      'mixed as it comes: C = C0 e^(-v / V)',
    ],
    source: 'Material balance, both ways (practice); gas at 20 °C and one atmosphere',
    caution:
      'A cold gas lies low and fills a pit long before it fills the room. Carbon dioxide poisons before oxygen is low.',
    fields: {
      volume: number('Volume of the space', 'V', 'volume', 'm^3', 60, POSITIVE),
      by: choice(
        'Given as',
        { mass: 'a mass', gas: 'a volume of gas at 20 °C and one atmosphere' },
        'mass',
      ),
      mass: optional('Mass let go', 'm', 'mass', 'kg', POSITIVE, 20),
      gas: optional('Volume of gas let go', 'v', 'volume', 'm^3', POSITIVE),
      molar: { ...MOLAR_MASS, start: 28.01 },
      start: START_OXYGEN,
      limit: LEAST_OXYGEN,
    },
  },
  ({ volume, by, mass, gas, molar, start, limit }) => {
    const released = by === 'mass' ? mass && computeReleasedVolume(mass, molar) : gas;
    if (released === undefined) {
      throw new InputFault(
        by === 'mass' ? 'mass' : 'gas',
        `${by === 'mass' ? 'Mass' : 'Volume of gas'} let go is missing: it stands on the bottle`,
      );
    }
    const { least_pct, mixed_pct } = computeReleased(volume, released, start * 100);
    const worst = [...OXYGEN_EFFECTS].reverse().find(({ pct }) => least_pct <= pct);
    return {
      figures: [
        figure('Oxygen, at the least', 'C', least_pct / 100, 'ratio', '%', true),
        figure('Oxygen, if it mixes as it comes', 'Cm', mixed_pct / 100, 'ratio', '%'),
        figure('Gas that was let go', 'v', released, 'volume', 'm^3'),
      ],
      notes: [
        least_pct < limit * 100
          ? 'Below what may be breathed: nobody goes in, and nobody goes in to help without breathing apparatus.'
          : 'Not below what may be breathed once it has mixed: near the place it was.',
        ...(worst ? [`At ${worst.pct} %: ${worst.says}.`] : []),
      ],
    };
  },
);

/** How a vessel is made inert. */
export const inerting = defineCalculation(
  {
    id: 'inerting',
    title: 'Making a vessel inert',
    question: 'How much inert gas, and how many swings, until this vessel cannot burn?',
    answer: ['{n} swings, with {v} of inert gas.', '{v} of inert gas.'],
    about:
      'By dilution, by pressure swings, by vacuum swings or by displacement: swings, gas used, and what oxygen is left.',
    formula: [
      'dilution: V ln((C0 - Ci) / (C1 - Ci)) / K',
      'swings: n = ln((C0 - Ci) / (C1 - Ci)) / ln(Ph / Pl), rounded up; each uses V (Ph - Pl) / Pa',
      'displacement: V / K, the gas lighter on top or heavier below',
    ],
    source: 'Crowl and Louvar, Chemical Process Safety, chapter 7 (from memory)',
    caution:
      'Afterwards the vessel suffocates whoever puts a head in: it blocks entry until it has been aired and tested. Dead ends and nozzles lag behind: test there.',
    fields: {
      way: choice('Way', INERTING, 'pressure'),
      volume: number('Volume of the vessel', 'V', 'volume', 'm^3', 30, POSITIVE),
      start: START_OXYGEN,
      target: number('Oxygen wanted', 'C1', 'ratio', '%', 3, OXYGEN_SHARE),
      own: number('Oxygen in the inert gas', 'Ci', 'ratio', '%', 0.01, { atLeast: 0, below: 0.2 }),
      high: optional(
        'Swing up to (absolute)',
        'Ph',
        'absolute-pressure',
        'bar',
        { above: 0, atMost: 3e7 },
        3,
      ),
      low: optional(
        'Swing down to (absolute)',
        'Pl',
        'absolute-pressure',
        'bar',
        { above: 0, atMost: 3e7 },
        1.01325,
      ),
      mixing: optional('Mixing (1 is perfect)', 'K', 'ratio', '1', { above: 0, atMost: 1 }, 0.5),
      ambient: ATMOSPHERE,
    },
  },
  ({ way, volume, start, target, own, high, low, mixing = 0.5, ambient }) => {
    if (target <= own) {
      throw new InputFault(
        'target',
        'Oxygen wanted must be above the oxygen in the inert gas: it is never reached otherwise',
      );
    }
    if (target >= start)
      throw new InputFault('target', 'Oxygen wanted must be below the oxygen at the start');
    const shares = { start, target, own };
    const suffocates = `${(target * 100).toFixed(1)} % oxygen: this vessel suffocates. It blocks entry until it is aired and tested.`;
    if (way === 'dilution' || way === 'displacement') {
      const gas =
        way === 'dilution'
          ? computeDilutionGas(volume, shares, mixing)
          : computeDisplacementGas(volume, mixing);
      return {
        figures: [
          figure('Inert gas', 'v', gas, 'volume', 'm^3', true),
          figure('Fillings of the vessel', 'nf', gas / volume, 'ratio', '1'),
          // A sharp front leaves nothing but the inert gas behind it.
          figure('Oxygen left, at the least', 'C', way === 'dilution' ? target : own, 'ratio', '%'),
        ],
        notes: [
          suffocates,
          ...(way === 'displacement'
            ? [
                'Displacement holds only where the gases lie apart: slow, from the right end, and proved by a test at the far end.',
              ]
            : []),
        ],
      };
    }
    if (high === undefined)
      throw new InputFault('high', 'Swing up to is missing: above the pressure swung down to');
    if (low === undefined)
      throw new InputFault('low', 'Swing down to is missing: below the pressure swung up to');
    if (high <= low)
      throw new InputFault('high', 'Swing up to must be above the pressure swung down to');
    const swing = { high, low };
    const swings = countSwings(shares, swing);
    const left = Array.from({ length: Math.min(swings, DRAWN_STEPS) }).reduce<number[]>(
      (all) => [...all, sweepOnce(all.at(-1) ?? start, own, swing)],
      [start],
    );
    const gas = (swings * volume * (high - low)) / ambient;
    const figures: Figure[] = [
      figure('Swings', 'n', swings, 'ratio', '1', true),
      figure('Inert gas, at the atmosphere', 'v', gas, 'volume', 'm^3'),
      figure('Oxygen left', 'C', own + (start - own) * (low / high) ** swings, 'ratio', '%'),
    ];
    return {
      figures,
      notes: [suffocates],
      curve: {
        x: { label: 'swings', quantity: 'ratio', unit: '1' },
        y: { label: 'oxygen', quantity: 'ratio', unit: '%' },
        points: left.map((share, n) => [n, share] as const),
        level: { label: 'wanted', value: target },
      },
    };
  },
);
