import type { Requirement } from '../isolation';
import type { IsolationPlan, Medium, PlantGraph, Scope } from '../plant';
import { PAPER_KINDS, type PaperKind } from './papers';

/** Questions that nobody can answer from the drawing, by code: what a yes leads to, and why. */
export const QUESTIONS = {
  spark: {
    asks: 'Is there flame, spark or heat: welding, cutting, grinding, chipping, a heat gun?',
    leads: 'hot-work',
    why: 'flame, sparks or heat are made (NFPA 51B; 29 CFR 1910.252)',
  },
  enter: {
    asks: 'Does anyone put their head or body into a vessel, tank, chamber, pit or duct?',
    leads: 'confined-space',
    why: 'someone enters a confined space (29 CFR 1910.146)',
  },
  live: {
    asks: 'Is anyone within reach of bare conductors, or does anyone open electrical equipment?',
    leads: 'electrical',
    why: 'electrical equipment is opened (29 CFR 1910.333)',
  },
  fall: {
    asks: 'Can anyone fall: ladder, scaffold, platform, roof, open edge?',
    leads: 'height',
    why: 'someone can fall (practice; the height from which it counts is the local code’s)',
  },
  dig: {
    asks: 'Is the ground broken, or a wall or floor drilled where cables or pipes may run?',
    leads: 'excavation',
    why: 'buried services may be struck (practice)',
  },
  lift: {
    asks: 'Is anything lifted by crane, hoist or lifting truck?',
    leads: 'lifting',
    why: 'a load is lifted (practice)',
  },
  overpressure: {
    asks: 'Is anything tested under pressure other than a leak test at running pressure?',
    leads: 'pressure-test',
    why: 'a pressure test stores energy (practice; ASME PCC-2, from memory)',
  },
  pressurised: {
    asks: 'Is anything tightened, clamped or repaired while it is under pressure?',
    leads: undefined,
    why: 'nothing is repaired under pressure without a written clearance (practice)',
  },
  rays: {
    asks: 'Are X-rays or a radioactive source used?',
    leads: 'radiography',
    why: 'people nearby can be irradiated (practice)',
  },
} as const satisfies Readonly<
  Record<
    string,
    { readonly asks: string; readonly leads: PaperKind | undefined; readonly why: string }
  >
>;

export type QuestionCode = keyof typeof QUESTIONS;
export const QUESTION_CODES = Object.keys(QUESTIONS) as [QuestionCode, ...QuestionCode[]];
export type Answers = Readonly<Partial<Record<QuestionCode, 'yes' | 'no'>>>;

/** A paper that the tool proposes. */
export interface ProposedPaper {
  readonly kind: PaperKind;
  readonly reasons: readonly string[];
  /** It follows from the work itself or from a yes: nobody may leave it out. */
  readonly must: boolean;
}

/** What the proposal is made from. */
export interface ScreeningFacts {
  readonly graph: PlantGraph;
  readonly scope: Scope;
  readonly requirement: Requirement;
  readonly plan: IsolationPlan | undefined;
  readonly answers: Answers;
}

interface Reason {
  readonly kind: PaperKind;
  readonly why: string;
  readonly must: boolean;
}

const mediumOf = (graph: PlantGraph, section: string): Medium | undefined =>
  graph.medium[graph.sectionAt.get(section) ?? -1];

const isFluidMedium = (medium: Medium | undefined) =>
  medium !== undefined && ['process', 'pressure', 'thermal'].includes(medium.energy);

function listByWork({ graph, scope }: ScreeningFacts): Reason[] {
  return scope.work.flatMap(({ section, activity }): Reason[] => {
    const medium = mediumOf(graph, section);
    const at = `${section} (${medium?.name ?? 'unknown'})`;
    if (activity === 'enter')
      return [
        { kind: 'confined-space', why: `${at} is entered (29 CFR 1910.146)`, must: true },
        ...(isFluidMedium(medium)
          ? [{ kind: 'line-breaking', why: `${at} is opened to be entered`, must: true } as const]
          : []),
      ];
    if (activity === 'hot-work')
      return [{ kind: 'hot-work', why: `hot work on ${at} (NFPA 51B)`, must: true }];
    if (activity === 'open' && isFluidMedium(medium))
      return [{ kind: 'line-breaking', why: `${at} is opened (practice)`, must: true }];
    return medium?.energy === 'electrical'
      ? [{ kind: 'electrical', why: `${at} is worked on (29 CFR 1910.333)`, must: true }]
      : [];
  });
}

function listByIsolation({ graph, plan, requirement }: ScreeningFacts): Reason[] {
  const fits = (plan?.close ?? []).filter((id) =>
    ['spectacle-blind', 'spade', 'spool'].includes(
      graph.links[graph.linkAt.get(id) ?? -1]?.kind ?? '',
    ),
  );
  const earths = (plan?.open ?? []).filter(
    (id) => graph.outlets[graph.outletAt.get(id) ?? -1]?.kind === 'earth',
  );
  const fed = requirement.trace.sources.filter(
    ({ section }) => graph.medium[section]?.energy === 'electrical',
  );
  return [
    ...fits.map((id): Reason => ({
      kind: 'line-breaking',
      why: `the line is broken to fit ${id}`,
      must: true,
    })),
    ...earths.map((id): Reason => ({
      kind: 'electrical',
      why: `conductors are earthed at ${id}`,
      must: true,
    })),
    ...(fed.length > 0
      ? [
          {
            kind: 'electrical',
            why: `${fed.map(({ id }) => id).join(', ')} reach the work and are proved dead`,
            must: false,
          } as const,
        ]
      : []),
  ];
}

const listByAnswers = (answers: Answers): Reason[] =>
  QUESTION_CODES.filter((code) => answers[code] === 'yes').flatMap((code) => {
    const { leads, why } = QUESTIONS[code];
    return leads === undefined ? [] : [{ kind: leads, why, must: true }];
  });

/** Papers out of their reasons, in the order of the kinds. */
const gatherPapers = (reasons: readonly Reason[]): ProposedPaper[] =>
  PAPER_KINDS.flatMap((kind) => {
    const own = reasons.filter((reason) => reason.kind === kind);
    if (own.length === 0) return [];
    const why = own.map((reason) => reason.why);
    return [{ kind, reasons: [...new Set(why)], must: own.some(({ must }) => must) }];
  });

/** What was proposed before any answer, together with what the answers given so far lead to. */
export const addAnswers = (proposed: readonly ProposedPaper[], answers: Answers): ProposedPaper[] =>
  gatherPapers([
    ...proposed.flatMap(({ kind, reasons, must }) => reasons.map((why) => ({ kind, why, must }))),
    ...listByAnswers(answers),
  ]);

/** The permits and certificates that a job needs, each with every reason, in the order of the kinds. The general permit always. */
export const proposePapers = (facts: ScreeningFacts): ProposedPaper[] =>
  gatherPapers([
    { kind: 'general', why: 'no work without a permit (HSG250, from memory)', must: true },
    ...listByWork(facts),
    ...listByIsolation(facts),
    ...listByAnswers(facts.answers),
  ]);

/** Questions that have not been answered. */
export const listUnanswered = (answers: Answers): QuestionCode[] =>
  QUESTION_CODES.filter((code) => answers[code] === undefined);
