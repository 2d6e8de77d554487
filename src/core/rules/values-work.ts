import { number, type SiteValue } from './value-kinds';

/** What a site may set for the work itself: distances, briefing, kit, pressure equipment, lines cleared with gas, loads. */
export const WORK_VALUES = {
  'approach-table': {
    kind: 'choice',
    title: 'Distances from bare live parts are those of',
    options: {
      strictest: 'whichever table asks for more',
      en: 'EN 50110-1: live zone and vicinity',
      osha: '29 CFR 1910.333: qualified people and all others',
    },
    standard: 'strictest',
    basis: 'EN 50110-1, Table A.1 (from memory); 29 CFR 1910.333(c)(3), Table S-5 and (i)(A)',
  },
  'approach-extra-m': number(
    'Added to each distance from bare live parts',
    'm',
    [0, 0, 20],
    'practice; tools, ladders and loads count from their far end',
  ),
  'stake-least-m': number('An earth stake stands at least deep', 'm', [0.6, 0.6, 3], 'practice'),
  briefing: {
    kind: 'choice',
    title: 'The briefing before the work',
    options: {
      signed: 'is recorded question by question, and everybody who was there signs',
      said: 'is held, and whoever issues the permit says so',
    },
    standard: 'signed',
    basis: 'both are in use (practice)',
  },
  'briefing-h': number('A briefing counts for', 'h', [1, 12, 24], 'practice; one shift'),
  'cylinders-off-m': number(
    'Gas cylinders stand off from cutting and welding by at least',
    'm',
    [7.6, 7.6, 50],
    'practice: 25 ft',
  ),
  'kit-check-h': number(
    'What was looked at before use counts for',
    'h',
    [1, 12, 24],
    'practice; one shift',
  ),
  'probe-tip-most-mm': number(
    'Bare tip of a voltage tester is at most',
    'mm',
    [1, 4, 4],
    'HSE GS38 (from memory): 4 mm, better 2 mm',
  ),
  'inspect-portable-months': number(
    'Portable pressure equipment is inspected every',
    'months',
    [1, 6, 24],
    'practice; the local code counts',
  ),
  'inspect-fixed-months': number(
    'Fixed pressure equipment is inspected every',
    'months',
    [1, 12, 60],
    'practice; the local code counts',
  ),
  'pressure-test-years': number(
    'Pressure equipment is tested at the latest every',
    'years',
    [1, 3, 10],
    'practice; the local code counts',
  ),
  'clearing-energy-most-kj': number(
    'A section that is cleared with gas holds at most',
    'kJ',
    [10, 1000, 135_500],
    'practice; ASME PCC-2, Article 501 (from memory), has its first tier of distance end at 135 500 kJ',
  ),
  'receiver-clear-m': number(
    'Nobody within, of the receiver of a pig',
    'm',
    [5, 30, 500],
    'practice; the stand-off worked out counts where it is longer',
  ),
  'message-counts-min': number(
    'A message that was read back counts for the next step for',
    'min',
    [1, 15, 60],
    'practice',
  ),
  'lift-one-kg': number(
    'One person lifts at most',
    'kg',
    [5, 23, 25],
    'revised NIOSH lifting equation: load constant 23 kg (from memory)',
  ),
} as const satisfies Readonly<Record<string, SiteValue>>;
