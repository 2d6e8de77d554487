import {
  computeBackFeed,
  computeConductorConstant,
  computeFaultCurrent,
  computeLeastSection,
  computeLongestFault,
  computeNetworkImpedance,
  computeThreePhaseFault,
  computeTransformerImpedance,
  CONDUCTORS,
  ADIABATIC_SECONDS,
  findStandardSection,
} from '../energy/fault';
import { findApproach, listApproachRows, type ApproachRule } from '../energy/approach';
import { DISCHARGED_VOLTS } from '../energy/electric';
import { computeBodyCurrent, FIBRILLATION_A, findPermittedTouch, LET_GO_A } from '../energy/touch';
import { bySite, choice, defineCalculation, figure, InputFault, number, optional } from './define';
import { NOT_NEGATIVE, POSITIVE } from './fields';

/** A voltage factor above 1 makes the fault current the largest. Source: IEC 60909-0, Table 1. */
const VOLTAGE_FACTOR = number('Voltage factor', 'c', 'ratio', '1', 1.1, {
  atLeast: 0.95,
  atMost: 1.1,
});

const NO_ARC_FLASH =
  'This says nothing of the heat and pressure of an arc: arc-flash is out of scope here and is for a study by a competent engineer.';

/** What the outer distance of each table is, and the nearer one. */
const OUTER_WORDS: Readonly<Record<ApproachRule, string>> = {
  strictest: 'All others: stay away by',
  en: 'Vicinity: stay away by',
  osha: 'People who are not qualified: stay away by',
};
const NEAREST_WORDS: Readonly<Record<ApproachRule, string>> = {
  strictest: 'Within this it is live work, for anybody',
  en: 'Live zone: within this it is live work',
  osha: 'Qualified people: no nearer than',
};

/** How near to bare live parts. */
export const approach = defineCalculation(
  {
    id: 'approach',
    title: 'Distance from live parts',
    question: 'How far do people stay away from bare live parts?',
    answer: ['Stay {Dv} away; within {Dl} it is live work.', 'Stay {Dv} away, and touch nothing.'],
    about:
      'By the voltage between phases: how near nobody comes without working live, and how far away everyone else stays.',
    formula: ['read from the table, at the next higher row'],
    source: 'EN 50110-1:2013, Table A.1 (from memory); 29 CFR 1910.333(c)(3), Table S-5 and (i)(A)',
    caution:
      'Distances are for bare parts and a person with nothing in hand: tools, ladders and loads count from their far end. The site and the grid operator may ask for more.',
    fields: {
      voltage: number('Voltage between phases', 'U', 'voltage', 'kV', 10, POSITIVE),
      current: choice(
        'Kind of voltage',
        { alternating: 'alternating', direct: 'direct' },
        'alternating',
      ),
      table: bySite(
        choice(
          'Table',
          {
            strictest: 'whichever asks for more',
            en: 'EN 50110-1: live zone and vicinity',
            osha: '29 CFR 1910.333: qualified people and all others',
          },
          'strictest',
        ),
        'approach-table',
      ),
      extra: bySite(
        optional('Added by the site', 'a', 'length', 'm', { atLeast: 0, atMost: 20 }, 0),
        'approach-extra-m',
      ),
    },
  },
  ({ voltage, current, table, extra = 0 }) => {
    if (current === 'direct') {
      throw new InputFault(
        'current',
        'Kind of voltage must be alternating: these tables do not cover direct voltages; ask the maker or the site’s electrical engineer',
      );
    }
    const found = findApproach(table, voltage);
    if (!found) {
      const most = listApproachRows(table).at(-1) ?? 0;
      throw new InputFault(
        'voltage',
        `Voltage between phases must be at most ${most / 1000} kV: the table does not cover more, and its last row never stands in`,
      );
    }
    const { nearest, outer } = found;
    return {
      figures: [
        figure(OUTER_WORDS[table], 'Dv', outer + extra, 'length', 'm', true),
        ...(nearest === undefined
          ? []
          : [figure(NEAREST_WORDS[table], 'Dl', nearest + extra, 'length', 'm')]),
      ],
      notes: [
        ...(nearest === undefined
          ? ['At this voltage nothing may be touched: the table gives no smaller distance.']
          : []),
        `Read at the row that ends at ${listApproachRows(table).find((upTo) => voltage <= upTo) ?? 0} V.`,
      ],
    };
  },
);

/** Whether a fault makes a deadly voltage where somebody works earthed. */
export const touchVoltage = defineCalculation(
  {
    id: 'touch-voltage',
    title: 'Touch voltage while a fault flows',
    question: 'What voltage would stand over the crew if the line came back on its earths?',
    answer: '{U} would stand over the crew; {Up} may.',
    about:
      'The voltage over the earthing lead and its connections while the fault current flows, beside what may stand that long.',
    formula: ['U = I R', 'Ib = U / Zb(U)'],
    source:
      'Ohm; most touch voltage by time EN 50522:2010, Table B.3; body impedance that 95 of 100 exceed IEC 60479-1:2005, Table 1 (both from memory)',
    caution:
      'Bond close to the work and on both sides of it. A joint that was not cleaned may be worth more than the whole lead: measure it.',
    fields: {
      current: number('Fault current', 'I', 'current', 'kA', 8, NOT_NEGATIVE),
      resistance: number(
        'Lead and its connections, in parallel with the crew',
        'R',
        'resistance',
        'mohm',
        5,
        POSITIVE,
      ),
      time: number('Time until it is cleared', 't', 'time', 's', 0.5, POSITIVE),
    },
  },
  ({ current, resistance, time }) => {
    const volts = current * resistance;
    const most = findPermittedTouch(time);
    const through = computeBodyCurrent(volts);
    return {
      figures: [
        figure('Touch voltage', 'U', volts, 'voltage', 'V', true),
        figure('Most that may stand so long', 'Up', most, 'voltage', 'V'),
        figure('Through a body, hand to hand', 'Ib', through, 'current', 'mA'),
      ],
      notes: [
        volts > most
          ? 'Above what may stand so long: a shorter or thicker lead, cleaner connections, a second set, or bonding at the work.'
          : 'Within what may stand so long.',
        ...(volts > DISCHARGED_VOLTS
          ? [`Above ${DISCHARGED_VOLTS} V: dangerous when it lasts.`]
          : []),
        ...(through >= FIBRILLATION_A
          ? ['So much may stop a heart.']
          : through >= LET_GO_A
            ? ['So much may keep a hand from letting go.']
            : []),
      ],
    };
  },
);

/** Fault current from an impedance, or from a transformer and the network behind it. */
export const faultCurrent = defineCalculation(
  {
    id: 'fault-current',
    title: 'Fault current',
    question: 'How much current would flow into a fault here?',
    answer: '{I} would flow.',
    about: 'From the impedance of the loop, or from the plate of the transformer that feeds it.',
    formula: [
      'one conductor to another: I = U / Z',
      'three phases: I = c U / (√3 Z)',
      'transformer: Zt = u U² / S; network: Zq = c U² / Sk',
    ],
    source: 'Ohm; IEC 60909-0 (far from generators, resistance taken with the reactance)',
    caution: `The largest current sizes earths and switches, the smallest has to trip the protection: work out both. Motors feed a fault too, and are left out. ${NO_ARC_FLASH}`,
    fields: {
      by: choice(
        'Worked out from',
        {
          loop: 'the impedance of the loop, one conductor to another',
          three: 'the impedance of a phase, three phases together',
          transformer: 'the plate of the transformer, three phases together',
        },
        'loop',
      ),
      voltage: number('Voltage', 'U', 'voltage', 'V', 230, POSITIVE),
      impedance: optional(
        'Impedance (for a transformer: of the cable from it to the fault)',
        'Z',
        'resistance',
        'ohm',
        NOT_NEGATIVE,
        0.35,
      ),
      rating: optional('Rating of the transformer', 'S', 'apparent-power', 'kVA', POSITIVE, 630),
      short: optional('Its impedance voltage', 'u', 'ratio', '%', { above: 0, atMost: 0.5 }, 6),
      network: optional(
        'Fault level of the network behind it',
        'Sk',
        'apparent-power',
        'MVA',
        POSITIVE,
      ),
      factor: VOLTAGE_FACTOR,
    },
  },
  ({ by, voltage, impedance, rating, short, network, factor }) => {
    if (by !== 'transformer') {
      if (impedance === undefined || impedance === 0) {
        throw new InputFault(
          'impedance',
          'Impedance must be above 0 ohm: no loop is without impedance, and none would mean a current without end',
        );
      }
      const current =
        by === 'loop'
          ? computeFaultCurrent(voltage, impedance)
          : computeThreePhaseFault(voltage, impedance, factor);
      return { figures: [figure('Fault current', 'I', current, 'current', 'A', true)], notes: [] };
    }
    if (rating === undefined) {
      throw new InputFault(
        'rating',
        'Rating of the transformer is missing: it stands on its plate',
      );
    }
    if (short === undefined) {
      throw new InputFault('short', 'Its impedance voltage is missing: it stands on its plate');
    }
    const own = computeTransformerImpedance({ rating, impedance: short, volts: voltage });
    const behind = computeNetworkImpedance(voltage, network ?? Infinity, factor);
    const total = own + behind + (impedance ?? 0);
    return {
      figures: [
        figure(
          'Fault current',
          'I',
          computeThreePhaseFault(voltage, total, factor),
          'current',
          'kA',
          true,
        ),
        figure('Impedance of the transformer', 'Zt', own, 'resistance', 'mohm'),
        figure('Impedance of everything', 'Z', total, 'resistance', 'mohm'),
      ],
      notes: [
        ...(network === undefined
          ? [
              'No fault level of the network was given: it is taken as without limit, which gives the largest current.',
            ]
          : []),
      ],
    };
  },
);

/** What an earthing conductor has to be. */
export const earthing = defineCalculation(
  {
    id: 'earthing',
    title: 'Earthing conductor for a fault',
    question: 'How thick must the earths be?',
    answer: ['At least {S}: take {Sn}.', 'At least {S}: more than any single conductor.'],
    about: 'The least cross-section that carries the fault current until it is cleared.',
    formula: ['S = I √t / k', 'k = K √ln((β + θf) / (β + θi))'],
    source: 'IEC 60364-5-54:2011, 543.1.2 and Annex A (constants from memory); sizes IEC 60228',
    caution: `Clamps and joints are rated too: the weakest counts. An earthing set that has carried a fault is not used again. ${NO_ARC_FLASH}`,
    fields: {
      current: number('Fault current', 'I', 'current', 'kA', 8, POSITIVE),
      time: number('Time until it is cleared', 't', 'time', 's', 0.5, {
        above: 0,
        atMost: ADIABATIC_SECONDS,
      }),
      conductor: choice(
        'Conductor',
        { copper: 'copper', aluminium: 'aluminium', steel: 'steel' },
        'copper',
      ),
      start: number('Temperature at the start', 'Ti', 'temperature', 'degC', 30, {
        atLeast: 223.15,
        atMost: 473.15,
      }),
      end: number('Most that it may reach', 'Tf', 'temperature', 'degC', 200, {
        atLeast: 273.15,
        atMost: 773.15,
      }),
      section: optional('Cross-section of the set at hand', 'Sh', 'area', 'mm^2', POSITIVE),
    },
  },
  ({ current, time, conductor, start, end, section }) => {
    if (end <= start) {
      throw new InputFault(
        'end',
        'Most that it may reach must be above the temperature at the start',
      );
    }
    const k = computeConductorConstant(conductor, start - 273.15, end - 273.15);
    const least = computeLeastSection(current, time, k);
    const standard = findStandardSection(least);
    const lasts = section === undefined ? undefined : computeLongestFault(section, current, k);
    return {
      figures: [
        figure('Least cross-section', 'S', least, 'area', 'mm^2', true),
        ...(standard === undefined
          ? []
          : [figure('Next standard size', 'Sn', standard / 1e6, 'area', 'mm^2')]),
        figure('Constant of the conductor (A √s / mm²)', 'k', k, 'ratio', '1'),
        ...(lasts === undefined
          ? []
          : [figure('The set at hand carries it for', 'th', lasts, 'time', 's')]),
      ],
      notes: [
        ...(standard === undefined
          ? [
              'No single standard conductor carries it: several sets side by side, each rated, or a shorter time.',
            ]
          : []),
        ...(section !== undefined && section < least * (1 - 1e-9)
          ? [
              `The set at hand is too thin: ${CONDUCTORS[conductor].name} of this size would not last.`,
            ]
          : []),
        ...(lasts !== undefined && lasts > ADIABATIC_SECONDS
          ? [`Beyond ${ADIABATIC_SECONDS} s the sum no longer holds: count on no more.`]
          : []),
      ],
    };
  },
);

/** A transformer fed from the side that is not meant to be fed. */
export const backFeed = defineCalculation(
  {
    id: 'back-feed',
    title: 'Transformer fed backwards',
    question: 'What stands on the far side if somebody feeds this side?',
    answer: '{U2} stands on the far side.',
    about:
      'The voltage on the other winding of a power, control or measuring transformer, whichever side is fed.',
    formula: ['U2 = U1 × n2 / n1 × (1 + tap)'],
    source: 'Turns ratio (textbook)',
    caution:
      'A test voltage, a generator or an inverter on the low side is enough. Isolate, lock and earth both sides; take the fuses of measuring transformers out.',
    fields: {
      fed: number('Voltage fed in', 'U1', 'voltage', 'V', 230, POSITIVE),
      near: number('Rated voltage of that side', 'n1', 'voltage', 'V', 400, POSITIVE),
      far: number('Rated voltage of the far side', 'n2', 'voltage', 'kV', 10, POSITIVE),
      tap: optional('Tap that raises it most', 'tap', 'ratio', '%', { atLeast: 0, atMost: 0.3 }, 5),
    },
  },
  ({ fed, near, far, tap = 0 }) => {
    const volts = computeBackFeed(fed, { near, far }, tap);
    return {
      figures: [figure('Stands on the far side', 'U2', volts, 'voltage', 'V', true)],
      notes: [
        volts > DISCHARGED_VOLTS
          ? `Above ${DISCHARGED_VOLTS} V: deadly to touch. The far side is live while this side is fed.`
          : `At or below ${DISCHARGED_VOLTS} V by this sum: it is still proved dead before it is touched.`,
      ],
    };
  },
);
