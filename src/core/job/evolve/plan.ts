import { mapPlan } from '../../plant';
import type { JobEvent } from '../events';
import type { Dossier, Mark, PlanRecord } from '../state';
import { put } from './ledger';

const LABEL_WORDS = {
  'label-differs': 'the label differs',
  'not-as-drawn': 'it is not as drawn',
} as const;

/** A point as drawn is marked; anything else sends the plan back, with what was found. */
function evolveLabels(
  plan: PlanRecord,
  drafted: Omit<Extract<PlanRecord, { kind: 'drafted' }>, 'kind' | 'returned'>,
  { point, found, note }: Extract<JobEvent, { kind: 'label-checked' }>,
  mark: Mark,
): PlanRecord {
  if (plan.kind !== 'accepted') return plan;
  if (found === 'as-drawn') return { ...plan, labels: put(plan.labels, point, mark) };
  return {
    kind: 'drafted',
    ...drafted,
    returned: `Walked down, at ${point} ${LABEL_WORDS[found]}: ${note}`,
  };
}

export function evolvePlan(dossier: Dossier, event: JobEvent, mark: Mark): Dossier {
  if (event.kind === 'calculation-noted') {
    const { subject, calculation, title, figures, notes, seconds, shorten } = event;
    const why = shorten === undefined ? {} : { shorten };
    const noted = { ...mark, subject, calculation, title, figures, notes, seconds, ...why };
    // Another sum about the same thing takes no wait away.
    const key = seconds === undefined ? `${subject} ${calculation}` : subject;
    return { ...dossier, noted: put(dossier.noted, key, noted) };
  }
  if (event.kind === 'plan-drafted') {
    // Events from before versions were kept were all drawn up on the first.
    const { origin, plantVersion = 1, trace = 1, procedure: number, procedureVersion } = event;
    const plan = mapPlan(event, (ids) => ids);
    const taken =
      number === undefined || procedureVersion === undefined
        ? {}
        : { procedure: { number, version: procedureVersion } };
    const drafted = { plan, origin, author: mark.by, plantVersion, trace, ...taken };
    return { ...dossier, plan: { kind: 'drafted', ...drafted } };
  }
  if (event.kind === 'grade-set') {
    const { grade, reason, measures } = event;
    const set = { ...mark, grade, reason, measures };
    const sources = event.sources ?? [event.source ?? ''];
    const grades = { ...dossier.grades, ...Object.fromEntries(sources.map((id) => [id, set])) };
    return { ...dossier, grades };
  }
  const { plan } = dossier;
  if (plan.kind === 'none') return dossier;
  const drafted = {
    plan: plan.plan,
    origin: plan.origin,
    author: plan.author,
    plantVersion: plan.plantVersion,
    trace: plan.trace,
    ...(plan.procedure ? { procedure: plan.procedure } : {}),
  };
  if (event.kind === 'label-checked') {
    return { ...dossier, plan: evolveLabels(plan, drafted, event, mark) };
  }
  // The same points, to be checked and reviewed for the new scope.
  if (event.kind === 'scope-changed')
    return {
      ...dossier,
      plan: { kind: 'drafted', ...drafted, returned: `The scope changed: ${event.reason}` },
    };
  if (event.kind === 'plan-submitted')
    return { ...dossier, plan: { kind: 'submitted', ...drafted } };
  if (event.kind === 'plan-returned') {
    return { ...dossier, plan: { kind: 'drafted', ...drafted, returned: event.note } };
  }
  if (event.kind === 'plan-accepted') {
    const accepted = { reviewer: mark.by, acceptedAt: mark.at, note: event.note };
    return { ...dossier, plan: { kind: 'accepted', ...drafted, ...accepted, labels: {} } };
  }
  return dossier;
}
