import { findCalculation, listStartInputs, type Typed, type TypedInputs } from '../bench';
import { findSpace, isEntry } from './entry';
import { isHotWork } from './hot-work';
import { gatePressureTest } from './sums';
import { listPapers } from './papers';
import { type SiteFacts } from './site';
import type { Dossier } from './state';

/** A sum of the Bench that decides something in a job. */
export interface OfferedSum {
  readonly calculation: string;
  readonly question: string;
  /** The section that it is noted about. */
  readonly subject: string;
  /** What the plant file gives for it; the rest is measured and typed. */
  readonly inputs: TypedInputs;
  /** What it decides once it is noted. */
  readonly decides: string;
  /** The permit waits for it. */
  readonly isNeeded: boolean;
}

interface Offer extends Pick<OfferedSum, 'calculation' | 'decides'> {
  readonly given?: readonly (readonly [field: string, value: number | undefined, unit: string])[];
  readonly isNeeded?: boolean;
}

/** Sums about where the work is done, by what its papers name. */
function listOffers(dossier: Dossier, site: SiteFacts): Offer[] {
  const { graph } = site;
  const works = dossier.scope.work.flatMap(
    ({ section }) => graph.sections[graph.sectionAt.get(section) ?? -1] ?? [],
  );
  const heights = works.flatMap(({ at }) => at?.[2] ?? []);
  const volumes = works.flatMap(({ volume_m3 }) => volume_m3 ?? []);
  const all = volumes.length === works.length ? volumes : [];
  const volume = all.length === 0 ? undefined : all.reduce((sum, one) => sum + one, 0);
  return [
    ...(listPapers(dossier, site).includes('pressure-test')
      ? [
          {
            calculation: 'pressure-test',
            decides: 'how far off everybody stays, where that is more than the site’s rule',
            given: [['volume', volume, 'm^3'] as const],
            isNeeded: gatePressureTest(dossier, site).length > 0,
          },
        ]
      : []),
    ...(isHotWork(dossier, site)
      ? [
          {
            calculation: 'sparks',
            decides: 'how far round the work things that burn are looked for, where that is more',
            given: [
              ['height', heights.length > 0 ? Math.max(...heights) : undefined, 'm'] as const,
            ],
          },
        ]
      : []),
    ...(isEntry(dossier, site)
      ? [
          { calculation: 'heat-index', decides: 'how long anybody stays inside' },
          // Once it stands open it is aired, and never made inert.
          ...(dossier.entry.opened
            ? []
            : [
                {
                  calculation: 'inerting',
                  decides: 'with how much oxygen the purge begins, where it is made inert',
                  given: [['volume', findSpace(dossier, site)?.volume_m3, 'm^3'] as const],
                },
              ]),
        ]
      : []),
  ];
}

/** Figures of the whole site or of practice, which a sum opens with; what belongs to the place is measured, and never made up. */
const USUAL = ['ambient', 'k', 'roll'];

/** What a sum opens with in a job: the site's rules, usual figures, and what the plant file gives. */
function fillOffer({ calculation, given = [] }: Offer, { values }: SiteFacts): TypedInputs {
  const fields = findCalculation(calculation)?.fields ?? {};
  const start = Object.entries(listStartInputs(fields, values)).filter(
    ([name]) => fields[name]?.site !== undefined || USUAL.includes(name),
  );
  const known = given.flatMap(([name, value, unit]): [string, Typed][] =>
    value === undefined ? [] : [[name, { value, unit }]],
  );
  return Object.fromEntries([...start, ...known]);
}

/** The sums that decide something in a job, each with what the plant file gives. */
export function listDecidingSums(dossier: Dossier, site: SiteFacts): OfferedSum[] {
  const subject = dossier.scope.work[0]?.section ?? '';
  return listOffers(dossier, site).map((offer) => ({
    calculation: offer.calculation,
    question: findCalculation(offer.calculation)?.question ?? '',
    subject,
    inputs: fillOffer(offer, site),
    decides: offer.decides,
    isNeeded: offer.isNeeded ?? false,
  }));
}

/** Those of them that have not been noted for it. */
export function listOfferedSums(dossier: Dossier, site: SiteFacts): OfferedSum[] {
  const noted = new Set(Object.values(dossier.noted).map(({ calculation }) => calculation));
  return listDecidingSums(dossier, site).filter(({ calculation }) => !noted.has(calculation));
}
