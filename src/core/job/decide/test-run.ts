import { mapPlan } from '../../plant';
import { listSpills } from '../../isolation';
import { refuse, type Refusal } from '../../rules/refuse';
import { disciplineOf, requireRole } from '../authority';
import { requireSight } from '../clearing';
import { type CommandOf } from '../commands';
import { gateWalkDown } from '../gates';
import { gateHalt, gateHandBack, refuseNotLive } from '../gates-permit';
import { listStanding } from '../gates-back';
import { listCarriedOut } from '../carried-out';
import { findPlant, findWorkOrder, type Context } from '../site';
import { isHeld, type Dossier } from '../state';
import { nameOf, type Outcome } from './outcome';
import { requireTold } from './told';

/** Everyone is off, crews and all. */
const requireNobodyOn = (dossier: Dossier, context: Context): Refusal[] =>
  gateHandBack(dossier, context.site).filter(
    ({ code }) => code === 'people-on' || code === 'crews-on',
  );

/** Outlets that stay open although the plant behind them comes alive once the points are lifted. */
function requireNoSpill(dossier: Dossier, points: readonly string[], context: Context): Refusal[] {
  const held = (ids: readonly string[]) => ids.filter((id) => !points.includes(id));
  const now = listCarriedOut(dossier);
  const left = mapPlan(now, held);
  return listSpills(findPlant(dossier, context.site), left).map(({ outlet, section, source }) =>
    refuse('test-spills', { outlet, section, source }),
  );
}

/** Refuses points that do not stand isolated, or that another job holds as well. */
function requireLiftable(dossier: Dossier, points: readonly string[], context: Context): Refusal[] {
  const order = findWorkOrder(dossier, context.site);
  const standing = order ? listStanding(dossier, order) : [];
  return points.flatMap((point) => {
    const other = context.others
      .open()
      .find(({ dossier: { isolation } }) =>
        [isolation.locked, isolation.opened].some((all) => point in all),
      );
    return [
      ...(standing.includes(point) ? [] : [refuse('not-standing', { subject: point })]),
      ...(other ? [refuse('point-shared', { subject: point, job: other.id })] : []),
    ];
  });
}

function decideSanction(
  dossier: Dossier,
  command: CommandOf<'sanction-test'>,
  context: Context,
): Outcome {
  const { isolation, permit } = dossier;
  const isRun = command.what === 'run';
  return {
    refusals: [
      ...gateWalkDown(dossier),
      ...(dossier.restoring ? [refuse('already-done', { what: 'Isolating' })] : []),
      ...(isolation.test ? [refuse('test-open', { purpose: isolation.test.purpose })] : []),
      ...(isRun ? refuseNotLive(dossier, context.site) : gateHalt(dossier, context.site)),
      ...(!isRun && (isolation.box || isHeld(permit)) ? [refuse('inch-too-late')] : []),
      ...(command.performer === dossier.performer
        ? requireRole(context, command.performer, ['performing-authority'])
        : [
            refuse('not-the-performer', {
              performer: nameOf(context, dossier.performer),
              person: nameOf(context, command.performer),
            }),
          ]),
      ...(context.actor === dossier.performer
        ? [refuse('performs-and-issues', { person: nameOf(context, context.actor) })]
        : []),
      ...requireNobodyOn(dossier, context),
      ...(command.clear ? [] : [refuse('area-not-clear')]),
      ...requireLiftable(dossier, command.points, context),
      ...requireNoSpill(dossier, command.points, context),
    ],
    event: { ...command, kind: 'test-sanctioned' },
  };
}

/** Lifts in the order of restoring: what is nearest the work first, drives last. */
function decideLift(
  dossier: Dossier,
  { point }: CommandOf<'lift-for-test'>,
  context: Context,
): Outcome {
  const { test, locked } = dossier.isolation;
  const order = findWorkOrder(dossier, context.site);
  const left = (order?.restore ?? []).filter(
    ({ subject }) => test?.points.includes(subject) && !test.lifted.includes(subject),
  );
  const step = left.find(({ subject }) => subject === point);
  const [first] = left;
  const hung = locked[point];
  return {
    refusals: [
      ...requireTold(dossier, context.actor, context),
      ...requireRole(context, context.actor, [disciplineOf(context.site.graph, point)]),
      ...(test ? [] : [refuse('no-test')]),
      ...(test && !step ? [refuse('not-standing', { subject: point })] : []),
      ...(step && first && step.group !== first.group
        ? [refuse('out-of-order', { subject: point, first: first.subject })]
        : []),
      ...requireNobodyOn(dossier, context),
      ...(hung && hung.by !== context.actor
        ? [refuse('lock-not-yours', { lock: hung.lock, owner: nameOf(context, hung.by) })]
        : []),
    ],
    event: { kind: 'lifted-for-test', point, ...(hung ? { lock: hung.lock } : {}) },
  };
}

/** Decides a sanction to test: everyone off and the place clear, named points lifted by those entitled, run, isolated again. */
export function decideTestRun(
  dossier: Dossier,
  command: CommandOf<'sanction-test' | 'lift-for-test' | 'run-test'>,
  context: Context,
): Outcome {
  switch (command.kind) {
    case 'sanction-test':
      return decideSanction(dossier, command, context);
    case 'lift-for-test':
      return decideLift(dossier, command, context);
    case 'run-test': {
      const { test } = dossier.isolation;
      const left = test?.points.filter((point) => !test.lifted.includes(point)) ?? [];
      return {
        refusals: [
          ...(test ? [] : [refuse('no-test')]),
          ...(command.ran && left.length > 0
            ? [refuse('test-not-lifted', { points: left.join(', ') })]
            : []),
          ...requireNobodyOn(dossier, context),
          ...requireSight(dossier, command, context),
        ],
        event: { ...command, kind: 'test-run' },
      };
    }
  }
}
