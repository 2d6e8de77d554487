import {
  computeDilutionGas,
  computeDisplacementGas,
  countSwings,
  INERTING,
  sweepOnce,
} from '../space/inerting';
import {
  choice,
  defineCalculation,
  figure,
  InputFault,
  number,
  optional,
  type Figure,
} from './define';
import { ATMOSPHERE, OXYGEN_SHARE, POSITIVE, START_OXYGEN } from './fields';

/** A curve has no more steps than this, however many swings there are. */
const DRAWN_STEPS = 80;

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
