import { findCalculation, findWaitSeconds } from '../../bench';
import { findWhyNotEmptied, listPlanPoints, type Scope } from '../../plant';
import { TRACE_VERSION, rankGrade } from '../../isolation';
import { nameProcedure } from '../../procedures/record';
import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { gateDefects, refuseLabel } from '../defects';
import { gatePlan } from '../gates';
import { findRequirement, type Context } from '../site';
import { requireTogether } from '../shared';
import { type Dossier } from '../state';
import { type Outcome, nameOf } from './outcome';
import { requireUnissued } from './unissued';

/** Refuses a place of work that the plant does not know or that is a source and not run empty, and to run empty what cannot be. */
export function refuseScope(
  { work, emptied = [] }: Pick<Scope, 'work' | 'emptied'>,
  { site }: Context,
): Refusal[] {
  const { graph } = site.newest ?? site;
  const unknown = work.filter(({ section }) => !graph.sectionAt.has(section));
  const sources = work.filter(
    ({ section }) =>
      graph.isSource[graph.sectionAt.get(section) ?? -1] && !emptied.includes(section),
  );
  return [
    ...unknown.map(({ section }) => refuse('section-unknown', { section })),
    ...sources.map(({ section }) => refuse('source-in-work', { source: section })),
    ...emptied.flatMap((section) => {
      const why = findWhyNotEmptied(graph.plant, section);
      return why === undefined ? [] : [refuse('cannot-run-empty', { section, why })];
    }),
  ];
}

/** Refuses a work order that is not there, or that a job was raised from already. */
function refuseWorkOrder(number: string | undefined, { others }: Context): Refusal[] {
  if (number === undefined) return [];
  const order = others.workOrder(number);
  if (!order) return [refuse('work-order-unknown', { number })];
  return order.job === undefined ? [] : [refuse('work-order-raised', { number, job: order.job })];
}

export function decideRaise(command: CommandOf<'raise-job'>, context: Context): Outcome {
  return {
    refusals: [
      ...refuseScope(command, context),
      ...refuseWorkOrder(command.workOrder, context),
      ...requireRole(context, command.performer, ['performing-authority']),
    ],
    event: { ...command, kind: 'job-raised', lockout: context.site.values.lockout },
  };
}

/**
 * An accepted plan may be taken back by anyone who may review, as long as nothing has been done in the field; with points that stand where a
 * defect speaks against it and no permit is out.
 */
function decideWithdraw(
  dossier: Dossier,
  command: CommandOf<'return-plan'>,
  { site }: Context,
): Outcome {
  const { locked, opened, restrained } = dossier.isolation;
  const done = [...Object.keys(locked), ...Object.keys(opened), ...Object.keys(restrained)];
  if (done.length > 0 && gateDefects(dossier, site).length > 0) {
    return {
      refusals: requireUnissued(dossier),
      event: { kind: 'plan-returned', note: command.note, relights: true },
    };
  }
  return {
    refusals: done.length > 0 ? [refuse('points-locked', { points: done.join(', ') })] : [],
    event: { kind: 'plan-returned', note: command.note },
  };
}

function decideLabel(
  dossier: Dossier,
  command: CommandOf<'check-label'>,
  context: Context,
): Outcome {
  const { plan } = dossier;
  const { point, found, note } = command;
  const event = { ...command, kind: 'label-checked' } as const;
  if (plan.kind !== 'accepted') return { refusals: [refuse('plan-not-reviewed')], event };
  return {
    refusals: [
      ...(plan.author === context.actor
        ? [refuse('own-walk-down', { person: nameOf(context, context.actor) })]
        : []),
      ...(listPlanPoints(plan.plan).includes(point)
        ? []
        : [refuse('not-in-plan', { subject: point })]),
      ...(found === 'as-drawn' ? refuseLabel(point, context.site) : []),
      ...(point in plan.labels ? [refuse('already-done', { what: `Checking ${point}` })] : []),
      ...(found !== 'as-drawn' && note === '' ? [refuse('label-note-missing', { point })] : []),
    ],
    event,
  };
}

/** Works a calculation of the Bench out anew: nothing is noted on the word of a screen. */
function decideNoted(command: CommandOf<'note-calculation'>, { site }: Context): Outcome {
  const { graph } = site;
  const { subject } = command;
  const isKnown =
    graph.sectionAt.has(subject) || graph.outletAt.has(subject) || graph.storeAt.has(subject);
  const calculation = findCalculation(command.calculation);
  const result = calculation?.run(command.inputs);
  const refusals = [
    ...(isKnown ? [] : [refuse('calculation-about-nothing', { subject })]),
    ...(calculation ? [] : [refuse('calculation-unknown', { calculation: command.calculation })]),
    ...(result && !result.ok
      ? result.problems.map(({ field, message }) =>
          refuse('calculation-bad', { field, words: message }),
        )
      : []),
  ];
  return {
    refusals,
    event: {
      ...command,
      kind: 'calculation-noted',
      title: calculation?.title ?? '',
      figures: result?.ok ? result.figures : [],
      notes: result?.ok ? result.notes : [],
      seconds: calculation?.isWait && result ? findWaitSeconds(result) : undefined,
    },
  };
}

/** Refuses a written procedure that is not there, was withdrawn, is of another machine, or whose inspection is overdue. */
function refuseProcedure(
  { equipment }: Dossier,
  { procedure: number }: CommandOf<'draft-plan'>,
  { site, now }: Context,
): Refusal[] {
  if (number === undefined) return [];
  const name = nameProcedure(number);
  const one = site.procedures?.find((known) => known.number === number);
  if (!one) return [refuse('procedure-unknown', { name })];
  const { withdrawn: why, due } = one;
  return [
    ...(why === undefined ? [] : [refuse('procedure-withdrawn', { name, why })]),
    ...(one.equipment === equipment
      ? []
      : [refuse('procedure-other-machine', { name, equipment: one.equipment, other: equipment })]),
    ...(Date.parse(now) > Date.parse(due) ? [refuse('procedure-overdue', { name, due })] : []),
  ];
}

export function decidePlanning(
  dossier: Dossier,
  command: CommandOf<
    | 'draft-plan'
    | 'set-grade'
    | 'submit-plan'
    | 'return-plan'
    | 'accept-plan'
    | 'check-label'
    | 'note-calculation'
  >,
  context: Context,
): Outcome {
  const { plan } = dossier;
  const settled = plan.kind === 'accepted' ? [refuse('plan-settled')] : [];
  switch (command.kind) {
    case 'draft-plan': {
      const taken = context.site.procedures?.find(({ number }) => number === command.procedure);
      return {
        refusals: [...settled, ...refuseProcedure(dossier, command, context)],
        event: {
          ...command,
          kind: 'plan-drafted',
          plantVersion: context.site.plantVersion,
          trace: TRACE_VERSION,
          ...(taken ? { procedureVersion: taken.version } : {}),
        },
      };
    }
    case 'set-grade': {
      const { demands } = findRequirement(dossier, context.site);
      const unknown = command.sources.filter((source) => !demands.some(({ id }) => id === source));
      const lowered = demands.filter(
        ({ id, tableGrade }) =>
          command.sources.includes(id) && rankGrade(command.grade) < rankGrade(tableGrade),
      );
      const source = command.sources.join(', ');
      return {
        refusals: [
          ...settled,
          ...(plan.kind === 'submitted' ? [refuse('plan-settled')] : []),
          ...unknown.map((id) => refuse('source-unknown', { source: id })),
          ...(command.reason === '' ? [refuse('reason-missing', { source })] : []),
          ...(lowered.length > 0 && command.measures.length === 0
            ? [refuse('measures-missing', { source: lowered.map(({ id }) => id).join(', ') })]
            : []),
        ],
        event: { ...command, kind: 'grade-set' },
      };
    }
    case 'submit-plan':
      return {
        refusals: [
          ...settled,
          ...(plan.kind === 'submitted' ? [refuse('already-done', { what: 'This' })] : []),
          ...gatePlan(dossier, context.site),
          ...requireTogether(dossier, context.site, context.others.open()),
          ...(findRequirement(dossier, context.site).demands.length > 0 || command.drawingChecked
            ? []
            : [refuse('drawing-doubtful')]),
        ],
        event: { kind: 'plan-submitted', drawingChecked: command.drawingChecked },
      };
    case 'check-label':
      return decideLabel(dossier, command, context);
    case 'note-calculation':
      return decideNoted(command, context);
    case 'return-plan':
    case 'accept-plan': {
      if (command.kind === 'return-plan' && plan.kind === 'accepted') {
        return decideWithdraw(dossier, command, context);
      }
      const unready =
        plan.kind === 'submitted'
          ? []
          : [plan.kind === 'accepted' ? refuse('plan-settled') : refuse('plan-not-submitted')];
      const own =
        plan.kind !== 'none' && plan.author === context.actor
          ? [refuse('own-review', { person: nameOf(context, context.actor) })]
          : [];
      const stops =
        command.kind === 'accept-plan'
          ? [
              ...gatePlan(dossier, context.site),
              ...requireTogether(dossier, context.site, context.others.open()),
            ]
          : [];
      return {
        refusals: [...unready, ...own, ...stops],
        event:
          command.kind === 'accept-plan'
            ? { kind: 'plan-accepted', note: command.note }
            : { kind: 'plan-returned', note: command.note },
      };
    }
  }
}
