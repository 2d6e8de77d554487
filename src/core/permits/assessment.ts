import { refuse, type Refusal } from '../rules/refuse';
import { findHazard, nameHazard, RANKS, type Control, type HazardCode } from './hazards';
import type { SuggestedHazard } from './suggest';

/** How much danger is left once the controls are in place. */
export const REMAINS = ['low', 'raised', 'high'] as const;
export type Remains = (typeof REMAINS)[number];

/** A hazard of one step of the task and what is done about it. */
export interface TreatedHazard {
  /** A code of the list, or the hazard in words. */
  readonly hazard: string;
  readonly controls: readonly Control[];
  readonly remains: Remains;
  /** Who accepts what remains, where it is more than low. */
  readonly accepter?: string | undefined;
  /** Why nothing stronger can be done, where only people are protected. */
  readonly why?: string | undefined;
}

export interface TaskStep {
  readonly step: string;
  readonly hazards: readonly TreatedHazard[];
}

/** A task assessed: its steps, what was suggested and does not apply, and what follows from the hazards. */
export interface TaskAssessment {
  readonly steps: readonly TaskStep[];
  /** Why a suggested hazard does not apply, by its code. */
  readonly left: Readonly<Record<string, string>>;
  readonly wear: readonly string[];
  readonly emergency: readonly string[];
  /** Open questions that are asked at the briefing. */
  readonly questions: readonly string[];
  /** The job whose assessment was taken over. */
  readonly takenFrom?: string | undefined;
}

export const listTreated = ({ steps }: Pick<TaskAssessment, 'steps'>): TreatedHazard[] =>
  steps.flatMap(({ hazards }) => hazards);

const collect = (codes: readonly string[], of: 'wear' | 'emergency'): string[] => [
  ...new Set(codes.flatMap((code) => findHazard(code)?.[of] ?? [])),
];

/** Protective equipment and emergency arrangements that the hazards of an assessment ask for. */
export function listAskedFor(assessment: Pick<TaskAssessment, 'steps'>): {
  wear: string[];
  emergency: string[];
} {
  const codes = listTreated(assessment).map(({ hazard }) => hazard);
  return { wear: collect(codes, 'wear'), emergency: collect(codes, 'emergency') };
}

/** An assessment to begin with: one step for the whole task with every suggested hazard and its usual controls. */
export function draftAssessment(suggested: readonly SuggestedHazard[]): TaskAssessment {
  const hazards = suggested.map(({ code }): TreatedHazard => ({
    hazard: code,
    controls: findHazard(code)?.controls ?? [],
    remains: 'low',
  }));
  const steps = [{ step: 'the whole task', hazards }];
  return {
    steps,
    left: {},
    ...listAskedFor({ steps }),
    questions: suggested.slice(0, 4).map(({ code }) => findHazard(code)?.ask ?? ''),
  };
}

/** Refuses a hazard without a control, one on which only protection stands without a reason, and a remainder nobody accepts. */
function refuseTreatment({
  hazard,
  controls,
  remains,
  accepter,
  why = '',
}: TreatedHazard): Refusal[] {
  const name = nameHazard(hazard);
  const strongest = RANKS.find((rank) => controls.some((control) => control.rank === rank));
  return [
    ...(strongest === undefined ? [refuse('hazard-not-controlled', { hazard: name })] : []),
    ...(strongest === 'protect' && why === '' ? [refuse('only-protected', { hazard: name })] : []),
    ...(remains !== 'low' && accepter === undefined
      ? [refuse('remainder-not-accepted', { hazard: name, remains })]
      : []),
  ];
}

/** Suggested hazards that an assessment neither treats nor says why they do not apply. */
export function listUntreated(
  { steps, left }: Pick<TaskAssessment, 'steps' | 'left'>,
  suggested: readonly SuggestedHazard[],
): SuggestedHazard[] {
  const treated = new Set(listTreated({ steps }).map(({ hazard }) => hazard));
  return suggested.filter(({ code }) => !treated.has(code) && !left[code]);
}

/** Everything that is wrong with an assessment, before anyone accepts it. */
export function refuseAssessment(
  assessment: TaskAssessment,
  suggested: readonly SuggestedHazard[],
): Refusal[] {
  const asked = listAskedFor(assessment);
  const missing = (of: 'wear' | 'emergency') =>
    asked[of].filter((one) => !assessment[of].includes(one));
  return [
    ...listUntreated(assessment, suggested).map(({ code, why }) =>
      refuse('hazard-not-treated', { hazard: nameHazard(code), why: why.join('; ') }),
    ),
    ...listTreated(assessment).flatMap(refuseTreatment),
    ...missing('wear').map((what) => refuse('protection-missing', { what })),
    ...missing('emergency').map((what) => refuse('emergency-missing', { what })),
    ...(assessment.questions.length === 0 ? [refuse('questions-missing')] : []),
  ];
}

/** What has changed between the task that was assessed and the one at hand. */
export interface AssessmentDrift {
  /** Suggested now and neither treated nor left out then. */
  readonly fresh: readonly SuggestedHazard[];
  /** Treated then and not suggested any more. */
  readonly gone: readonly HazardCode[];
  /** Whole days since. */
  readonly days: number;
}

/** Compares an earlier assessment with what is suggested now. */
export function compareAssessment(
  earlier: Pick<TaskAssessment, 'steps' | 'left'> & { readonly at: string },
  suggested: readonly SuggestedHazard[],
  now: string,
): AssessmentDrift {
  const codes = new Set<string>(suggested.map(({ code }) => code));
  const treated = listTreated(earlier).map(({ hazard }) => hazard);
  return {
    fresh: listUntreated(earlier, suggested),
    gone: [...new Set(treated)].filter(
      (code): code is HazardCode => findHazard(code) !== undefined && !codes.has(code),
    ),
    days: Math.floor((Date.parse(now) - Date.parse(earlier.at)) / 86_400_000),
  };
}
