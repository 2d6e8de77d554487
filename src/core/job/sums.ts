import { findCalculation, sayAnswer } from '../bench';
import { refuse, type Refusal } from '../rules/refuse';
import type { SiteValues } from '../rules/values';
import { listPapers } from './papers';
import type { SiteFacts } from './site';
import type { Dossier, NotedCalculation } from './state';

/** What a calculation came to, wherever it was noted for this job. */
export const listNoted = ({ noted }: Dossier, calculation: string): NotedCalculation[] =>
  Object.values(noted).filter((one) => one.calculation === calculation);

const figureOf = ({ figures }: NotedCalculation, symbol: string): number | undefined =>
  figures.find((one) => one.symbol === symbol)?.value;

const listFigures = (dossier: Dossier, calculation: string, symbol: string): number[] =>
  listNoted(dossier, calculation).flatMap((one) => figureOf(one, symbol) ?? []);

/** A noted sum in its sentence, as the Bench says it. */
export function sayNoted({ calculation, title, figures }: NotedCalculation): string {
  const found = findCalculation(calculation);
  return found ? sayAnswer(found, figures) : title;
}

/** A distance (m) as people step it out: never shorter than it was worked out. */
const roundUp = (metres: number): number => Math.ceil(metres * 10 - 1e-9) / 10;

/**
 * The values of the site's rules as they count for a job: where a sum noted for it asks for a longer distance, that one stands. A sum never
 * makes one shorter.
 */
export function valuesFor(dossier: Dossier, { values }: Pick<SiteFacts, 'values'>): SiteValues {
  const sparks = listFigures(dossier, 'sparks', 'R');
  const standOff = listFigures(dossier, 'pressure-test', 'R');
  if (sparks.length + standOff.length === 0) return values;
  return {
    ...values,
    'hot-work-radius-m': Math.max(values['hot-work-radius-m'], ...sparks.map(roundUp)),
    'pressure-test-clear-m': Math.max(values['pressure-test-clear-m'], ...standOff.map(roundUp)),
  };
}

/** A figure as people read it: three digits. */
const toShown = (value: number): number => Number(value.toPrecision(3));

/** A pressure test with gas as its sum has it: to what pressure (bar), with what energy (kJ), and how far off people stay (m). */
export interface GasTest {
  readonly subject: string;
  readonly pressure_bar: number;
  readonly energy_kj: number;
  readonly clear_m: number;
  /** Whether somebody has allowed it by name since it was worked out. */
  readonly isApproved: boolean;
}

/** The tests with gas that were worked out for a job: a sum with gas answers how far off people stay, one with water does not. */
export function listGasTests(dossier: Dossier): GasTest[] {
  const approved = Date.parse(dossier.gasTest?.at ?? '');
  return listNoted(dossier, 'pressure-test').flatMap((noted): GasTest[] => {
    const clear_m = figureOf(noted, 'R');
    if (clear_m === undefined) return [];
    return [
      {
        subject: noted.subject,
        pressure_bar: toShown((figureOf(noted, 'Pt') ?? 0) / 1e5),
        energy_kj: toShown((figureOf(noted, 'E') ?? 0) / 1e3),
        clear_m: roundUp(clear_m),
        isApproved: approved >= Date.parse(noted.at),
      },
    ];
  });
}

/**
 * No pressure test begins before a sum says to what pressure, with what energy and how far off people stay; none with gas before somebody has allowed it
 * by name since.
 */
export function gatePressureTest(dossier: Dossier, site: SiteFacts): Refusal[] {
  if (!listPapers(dossier, site).includes('pressure-test')) return [];
  if (listNoted(dossier, 'pressure-test').length === 0) return [refuse('test-not-worked-out')];
  return listGasTests(dossier)
    .filter(({ isApproved }) => !isApproved)
    .map(({ subject, pressure_bar, energy_kj, clear_m }) =>
      refuse('gas-test-unapproved', {
        subject,
        pressure: pressure_bar,
        energy: energy_kj,
        clear: clear_m,
      }),
    );
}

/** Minutes of work in each hour that the heat allows, the least of the sums noted; undefined where none was, or the heat asks for no rest. */
export function findHeatMinutes(dossier: Dossier): number | undefined {
  const minutes = listNoted(dossier, 'heat-index').map((one) => (figureOf(one, 'tw') ?? 0) / 60);
  const least = Math.min(...minutes);
  return least < 60 ? least : undefined;
}

/** The longest stay inside (min): as planned, and no longer than the heat allows; undefined where neither limits it. */
export function findStay(dossier: Dossier): number | undefined {
  const limits = [dossier.entry.plan?.stay_min, findHeatMinutes(dossier)];
  const known = limits.filter((one) => one !== undefined);
  return known.length === 0 ? undefined : Math.min(...known);
}

/** Least oxygen (% vol) that the work may have been made inert to, by a sum noted since it was last purged with air; undefined where none was. */
export function findInert(dossier: Dossier): number | undefined {
  const purged = Date.parse(dossier.entry.purged?.at ?? '');
  const since = listNoted(dossier, 'inerting').filter(({ at }) => !(Date.parse(at) <= purged));
  return since.length === 0
    ? undefined
    : Math.min(...since.map((one) => (figureOf(one, 'C') ?? 0) * 100));
}
