/** Which standard a lower flammable limit is taken from: the same gas has two, and a percentage of it means nothing without. */
export const LFL_BASES = ['iec', 'nfpa'] as const;
export type LflBasis = (typeof LFL_BASES)[number];

/** Whose limits of exposure count: the lowest of all, those of one school alone. */
export const EXPOSURE_SCHOOLS = ['strictest', 'us', 'eu'] as const;
export type ExposureSchool = (typeof EXPOSURE_SCHOOLS)[number];

/** Limits of exposure (ppm): over a working day, and at any time or for a quarter of an hour; and where they come from. */
export interface ExposureLimits {
  readonly day_ppm?: number;
  readonly peak_ppm?: number;
  readonly basis?: string;
}

/** A gas or vapour that is tested for. */
interface Substance {
  readonly name: string;
  /** Molar mass (g/mol). */
  readonly molarMass: number;
  /** Lower and upper flammable limits in air at room temperature (% vol), by standard. */
  readonly lfl?: Readonly<Record<LflBasis, number>>;
  readonly ufl?: number;
  /** The most over a working day, and the most at any time or for a quarter of an hour (ppm). */
  readonly day_ppm?: number;
  readonly peak_ppm?: number;
  /** Where the exposure limits come from. */
  readonly basis?: string;
  /** The same limits by the other school. */
  readonly eu?: ExposureLimits;
  /** What has to be known when it is tested for. */
  readonly caution?: string;
}

/**
 * Gases and vapours with their limits. Flammable limits: IEC 60079-20-1 and NFPA 325 (from memory); exposure limits: 29 CFR 1910.1000
 * and NIOSH recommended limits, the lower of them, and beside them the indicative limits of the EU (Directives 2000/39/EC, 2006/15/EC, 2009/161/EU,
 * (EU) 2017/164; benzene (EU) 2022/431), all from memory. A site's own limits and local law come first.
 */
export const SUBSTANCES = {
  oxygen: { name: 'oxygen', molarMass: 32 },
  methane: { name: 'methane', molarMass: 16.04, lfl: { iec: 4.4, nfpa: 5 }, ufl: 15 },
  ethane: { name: 'ethane', molarMass: 30.07, lfl: { iec: 2.4, nfpa: 3 }, ufl: 12.5 },
  propane: {
    name: 'propane',
    molarMass: 44.1,
    lfl: { iec: 1.7, nfpa: 2.1 },
    ufl: 9.5,
    day_ppm: 1000,
    basis: '29 CFR 1910.1000, Table Z-1',
  },
  butane: {
    name: 'n-butane',
    molarMass: 58.12,
    lfl: { iec: 1.4, nfpa: 1.9 },
    ufl: 9.3,
    day_ppm: 800,
    basis: 'NIOSH',
  },
  pentane: {
    name: 'n-pentane',
    molarMass: 72.15,
    lfl: { iec: 1.1, nfpa: 1.5 },
    ufl: 7.8,
    day_ppm: 120,
    basis: 'NIOSH',
    eu: { day_ppm: 1000, basis: '2006/15/EC' },
  },
  hydrogen: {
    name: 'hydrogen',
    molarMass: 2.016,
    lfl: { iec: 4, nfpa: 4 },
    ufl: 75,
    caution: 'gathers under roofs and in dead ends above',
  },
  acetylene: {
    name: 'acetylene',
    molarMass: 26.04,
    lfl: { iec: 2.3, nfpa: 2.5 },
    ufl: 100,
    caution: 'decomposes by itself; mixing rules are poor for it',
  },
  ethanol: {
    name: 'ethanol',
    molarMass: 46.07,
    lfl: { iec: 3.1, nfpa: 3.3 },
    ufl: 19,
    day_ppm: 1000,
    basis: '29 CFR 1910.1000, Table Z-1',
  },
  toluene: {
    name: 'toluene',
    molarMass: 92.14,
    lfl: { iec: 1, nfpa: 1.1 },
    ufl: 7.1,
    day_ppm: 100,
    peak_ppm: 150,
    basis: 'NIOSH',
    eu: { day_ppm: 50, peak_ppm: 100, basis: '2006/15/EC' },
  },
  'hydrogen-sulphide': {
    name: 'hydrogen sulphide',
    molarMass: 34.08,
    lfl: { iec: 4, nfpa: 4 },
    ufl: 44,
    peak_ppm: 10,
    basis: 'NIOSH ceiling of ten minutes',
    caution: 'deadens the sense of smell; lies low in still air although hardly heavier than it',
    eu: { day_ppm: 5, peak_ppm: 10, basis: '2009/161/EU' },
  },
  'carbon-monoxide': {
    name: 'carbon monoxide',
    molarMass: 28.01,
    lfl: { iec: 10.9, nfpa: 12.5 },
    ufl: 74,
    day_ppm: 35,
    peak_ppm: 200,
    basis: 'NIOSH',
    eu: { day_ppm: 20, peak_ppm: 100, basis: '(EU) 2017/164' },
  },
  'carbon-dioxide': {
    name: 'carbon dioxide',
    molarMass: 44.01,
    day_ppm: 5000,
    peak_ppm: 30_000,
    basis: '29 CFR 1910.1000, Table Z-1; NIOSH for the peak',
    caution: 'poisons before oxygen is low enough to be noticed',
    eu: { day_ppm: 5000, basis: '2006/15/EC' },
  },
  ammonia: {
    name: 'ammonia',
    molarMass: 17.03,
    lfl: { iec: 15, nfpa: 15 },
    ufl: 28,
    day_ppm: 25,
    peak_ppm: 35,
    basis: 'NIOSH',
    eu: { day_ppm: 20, peak_ppm: 50, basis: '2000/39/EC' },
  },
  'sulphur-dioxide': {
    name: 'sulphur dioxide',
    molarMass: 64.07,
    day_ppm: 2,
    peak_ppm: 5,
    basis: 'NIOSH',
    eu: { day_ppm: 0.5, peak_ppm: 1, basis: '(EU) 2017/164' },
  },
  chlorine: {
    name: 'chlorine',
    molarMass: 70.9,
    peak_ppm: 0.5,
    basis: 'NIOSH ceiling',
    eu: { peak_ppm: 0.5, basis: '2006/15/EC' },
  },
  hexane: {
    name: 'n-hexane',
    molarMass: 86.18,
    lfl: { iec: 1, nfpa: 1.1 },
    ufl: 7.5,
    day_ppm: 50,
    basis: 'NIOSH',
    eu: { day_ppm: 20, basis: '2006/15/EC' },
  },
  benzene: {
    name: 'benzene',
    molarMass: 78.11,
    lfl: { iec: 1.2, nfpa: 1.2 },
    ufl: 7.8,
    day_ppm: 0.1,
    peak_ppm: 1,
    basis: 'NIOSH; 29 CFR 1910.1028 allows 1 and 5',
    eu: { day_ppm: 0.2, basis: '(EU) 2022/431' },
    caution: 'causes cancer: as little as can be had, whatever the limit says',
  },
  styrene: {
    name: 'styrene',
    molarMass: 104.15,
    lfl: { iec: 1, nfpa: 0.9 },
    ufl: 6.8,
    day_ppm: 50,
    peak_ppm: 100,
    basis: 'NIOSH',
    caution: 'sets by itself when it is warm: vents and flame arresters may be blocked',
  },
  'nitrogen-dioxide': {
    name: 'nitrogen dioxide',
    molarMass: 46.01,
    peak_ppm: 1,
    basis: 'NIOSH, for a quarter of an hour',
    eu: { day_ppm: 0.5, peak_ppm: 1, basis: '(EU) 2017/164' },
    caution: 'the lungs fail hours later: whoever breathed it sees a doctor at once',
  },
  'hydrogen-cyanide': {
    name: 'hydrogen cyanide',
    molarMass: 27.03,
    lfl: { iec: 5.4, nfpa: 5.6 },
    ufl: 40,
    peak_ppm: 4.7,
    basis: 'NIOSH, for a quarter of an hour',
    eu: { day_ppm: 0.9, peak_ppm: 4.5, basis: '(EU) 2017/164' },
    caution: 'goes through the skin as well; not everybody can smell it',
  },
  'hydrogen-fluoride': {
    name: 'hydrogen fluoride',
    molarMass: 20.01,
    day_ppm: 3,
    peak_ppm: 6,
    basis: 'NIOSH',
    eu: { day_ppm: 1.8, peak_ppm: 3, basis: '2000/39/EC' },
    caution: 'burns deep without pain at first: gel at hand, and a doctor at once',
  },
  nitrogen: {
    name: 'nitrogen',
    molarMass: 28.01,
    caution: 'tested for by oxygen alone: it has no smell and gives no warning',
  },
} as const satisfies Record<string, Substance>;

export type SubstanceCode = keyof typeof SUBSTANCES;
export const SUBSTANCE_CODES = Object.keys(SUBSTANCES) as [SubstanceCode, ...SubstanceCode[]];

/** A substance with every field that it may have. */
export const substanceOf = (code: SubstanceCode): Substance => SUBSTANCES[code];

/** The mean molar mass of dry air (g/mol). */
export const AIR_MOLAR_MASS = 28.96;

/** How heavy a gas is beside air at the same temperature and pressure (1 is as heavy). */
export const densityBesideAir = (code: SubstanceCode): number =>
  SUBSTANCES[code].molarMass / AIR_MOLAR_MASS;

/** The limit (ppm) that a gas is judged by, the lower of that for a day and for any time, and where it comes from. */
export interface ExposureLimit {
  readonly ppm: number;
  readonly basis: string;
}

const lowestOf = ({ day_ppm, peak_ppm, basis = '' }: ExposureLimits): ExposureLimit[] =>
  [day_ppm, peak_ppm].flatMap((ppm) => (ppm === undefined ? [] : [{ ppm, basis }]));

/**
 * The lowest limit of exposure of a gas by a school; undefined for what is no poison to either. Where a school has no limit for a gas that
 * is one to the other, the other's counts: no limit is never a high one.
 */
export function findExposureLimit(
  gas: SubstanceCode,
  school: ExposureSchool,
): ExposureLimit | undefined {
  const { eu = {}, ...us } = substanceOf(gas);
  const limits = { us: lowestOf(us), eu: lowestOf(eu) };
  const all = [...limits.us, ...limits.eu];
  const own = school === 'strictest' ? all : limits[school];
  return (own.length > 0 ? own : all).toSorted((a, b) => a.ppm - b.ppm)[0];
}
