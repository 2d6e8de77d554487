import { DEAD_LIMITS, FEWEST_PAIRS } from '../proving';
import { refuse, type Refusal } from '../rules/book';
import { requireAuthority, requireRole } from './authority';
import type { Command, CommandOf } from './commands';
import type { JobEvent } from './events';
import {
  gateClose,
  gateHandBack,
  gateIssue,
  gatePlan,
  gateRestore,
  gateWork,
  isStepDone,
  listStanding,
} from './gates';
import { findRequirement, findWorkOrder, LONGEST_VALIDITY_HOURS, type Context } from './site';
import type { Dossier, DossierState } from './state';

/** What a decider answers: events, or every reason against. */
export type Decision =
  | { readonly ok: true; readonly events: readonly JobEvent[] }
  | { readonly ok: false; readonly refusals: readonly Refusal[] };

type Outcome = { readonly refusals: readonly Refusal[]; readonly event: JobEvent };

const nameOf = (context: Context, id: string) => context.site.people.get(id)?.name ?? id;

function decideRaise(command: CommandOf<'raise-job'>, context: Context): Outcome {
  const { graph } = context.site;
  const unknown = command.work.filter(({ section }) => !graph.sectionAt.has(section));
  const sources = command.work.filter(
    ({ section }) => graph.isSource[graph.sectionAt.get(section) ?? -1],
  );
  return {
    refusals: [
      ...unknown.map(({ section }) => refuse('section-unknown', { section })),
      ...sources.map(({ section }) => refuse('source-in-work', { source: section })),
      ...requireRole(context, command.performer, ['performing-authority']),
    ],
    event: { ...command, kind: 'job-raised' },
  };
}

function decidePlanning(
  dossier: Dossier,
  command: CommandOf<'draft-plan' | 'set-grade' | 'submit-plan' | 'return-plan' | 'accept-plan'>,
  context: Context,
): Outcome {
  const { plan } = dossier;
  const settled = plan.kind === 'accepted' ? [refuse('plan-settled')] : [];
  switch (command.kind) {
    case 'draft-plan':
      return { refusals: settled, event: { ...command, kind: 'plan-drafted' } };
    case 'set-grade': {
      const traced = findRequirement(dossier, context.site).demands;
      const known = traced.some((demand) => demand.id === command.source);
      return {
        refusals: [
          ...settled,
          ...(plan.kind === 'submitted' ? [refuse('plan-settled')] : []),
          ...(known ? [] : [refuse('source-unknown', { source: command.source })]),
          ...(command.reason === '' ? [refuse('reason-missing', { source: command.source })] : []),
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
        ],
        event: { kind: 'plan-submitted' },
      };
    case 'return-plan':
    case 'accept-plan': {
      const unready =
        plan.kind === 'submitted'
          ? []
          : [plan.kind === 'accepted' ? refuse('plan-settled') : refuse('plan-not-submitted')];
      const own =
        plan.kind !== 'none' && plan.author === context.actor
          ? [refuse('own-review', { person: nameOf(context, context.actor) })]
          : [];
      const stops = command.kind === 'accept-plan' ? gatePlan(dossier, context.site) : [];
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

/** Refuses a lock that is not on this site, is of the wrong use, or hangs elsewhere. */
function requireLock(
  dossier: Dossier,
  lock: string,
  wanted: 'point' | 'control' | 'personal',
  context: Context,
): Refusal[] {
  const known = context.site.locks.get(lock);
  if (known === undefined) return [refuse('lock-unknown', { lock })];
  const { isolation, permit } = dossier;
  const here =
    Object.entries(isolation.locked).find(([, hung]) => hung.lock === lock)?.[0] ??
    (isolation.box?.lock === lock ? isolation.box.box : undefined) ??
    (permit.kind === 'issued' && Object.values(permit.people).includes(lock)
      ? isolation.box?.box
      : undefined);
  const where = here ?? context.others.lockAt.get(lock);
  return [
    ...(known.use === wanted ? [] : [refuse('lock-wrong-use', { lock, use: known.use, wanted })]),
    ...(where === undefined ? [] : [refuse('lock-in-use', { lock, where })]),
  ];
}

/** Refuses a step that is not of the plan, is done, or comes before its turn. */
function requireTurn(dossier: Dossier, subject: string, context: Context): Refusal[] {
  if (dossier.plan.kind !== 'accepted') return [refuse('plan-not-reviewed')];
  if (dossier.restoring) return [refuse('already-done', { what: 'Isolating' })];
  const order = findWorkOrder(dossier, context.site);
  const step = order?.steps.find((one) => one.subject === subject && subject !== '');
  if (!order || !step) return [refuse('not-in-plan', { subject })];
  if (isStepDone(dossier.isolation, step)) return [refuse('already-done', { what: subject })];
  const at = order.steps.indexOf(step);
  const first = order.steps
    .slice(0, at)
    .find(
      (one) =>
        !(one.phase === step.phase && one.layer === step.layer) &&
        !isStepDone(dossier.isolation, one),
    );
  if (first?.phase === 'tell') return [refuse('not-told')];
  if (first?.phase === 'stop') return [refuse('not-stopped')];
  return first ? [refuse('out-of-order', { subject, first: first.subject })] : [];
}

function decideProof(dossier: Dossier, command: CommandOf<'prove'>, context: Context): Outcome {
  const demand = findWorkOrder(dossier, context.site)?.proofs.find(
    ({ id }) => id === command.proof,
  );
  const instrument = context.site.instruments.get(command.instrument);
  const refusals: Refusal[] = [...requireTurn(dossier, command.proof, context)];
  if (instrument === undefined) {
    refusals.push(refuse('instrument-unknown', { instrument: command.instrument }));
  } else if (Date.parse(instrument.testedUntil) < Date.parse(context.now)) {
    refusals.push(
      refuse('instrument-overdue', {
        instrument: instrument.id,
        until: instrument.testedUntil.slice(0, 10),
      }),
    );
  }
  if (demand) {
    if (instrument && instrument.reads !== demand.kind) {
      refusals.push(
        refuse('instrument-wrong', {
          instrument: instrument.id,
          reads: instrument.reads,
          wanted: demand.kind,
        }),
      );
    }
    if (command.unit !== demand.unit) {
      refusals.push(
        refuse('unit-wrong', { proof: demand.id, unit: command.unit, wanted: demand.unit }),
      );
    }
    const { least, most } = DEAD_LIMITS[demand.kind];
    if (command.reading < least || command.reading > most) {
      refusals.push(
        refuse('reading-not-dead', {
          reading: command.reading,
          unit: command.unit,
          section: demand.section,
          least,
          most,
        }),
      );
    }
    if (demand.kind === 'voltage') {
      if (!command.testerProved) refusals.push(refuse('tester-not-proved'));
      if (command.pairs < FEWEST_PAIRS) {
        refusals.push(refuse('pairs-missing', { pairs: command.pairs, wanted: FEWEST_PAIRS }));
      }
    }
  }
  return { refusals, event: { ...command, kind: 'proved' } };
}

function decideBox(dossier: Dossier, command: CommandOf<'lock-box'>, context: Context): Outcome {
  const order = findWorkOrder(dossier, context.site);
  const unlocked = (order?.plan.close ?? []).filter((link) => !(link in dossier.isolation.locked));
  const other = context.others.boxAt.get(command.box);
  return {
    refusals: [
      ...(dossier.plan.kind === 'accepted' ? [] : [refuse('plan-not-reviewed')]),
      ...(dossier.isolation.box || dossier.restoring
        ? [refuse('already-done', { what: 'Locking the box' })]
        : []),
      ...(context.site.boxes.has(command.box) ? [] : [refuse('box-unknown', { box: command.box })]),
      ...(other === undefined ? [] : [refuse('box-in-use', { box: command.box, job: other })]),
      ...requireLock(dossier, command.lock, 'control', context),
      ...(unlocked.length > 0 ? [refuse('locks-missing', { points: unlocked.join(', ') })] : []),
    ],
    event: {
      kind: 'box-locked',
      box: command.box,
      lock: command.lock,
      keys: Object.values(dossier.isolation.locked)
        .map((hung) => hung.lock)
        .sort(),
    },
  };
}

function decideIsolating(
  dossier: Dossier,
  command: CommandOf<
    | 'tell-affected'
    | 'stop-plant'
    | 'lock-point'
    | 'open-outlet'
    | 'restrain-store'
    | 'wait-out-store'
    | 'prove'
    | 'try-start'
    | 'lock-box'
  >,
  context: Context,
): Outcome {
  const reviewed = dossier.plan.kind === 'accepted' ? [] : [refuse('plan-not-reviewed')];
  const { isolation } = dossier;
  switch (command.kind) {
    case 'tell-affected':
      return {
        refusals: [
          ...reviewed,
          ...(isolation.told ? [refuse('already-done', { what: 'Telling' })] : []),
        ],
        event: { kind: 'affected-told', who: command.who },
      };
    case 'stop-plant':
      return {
        refusals: [
          ...reviewed,
          ...(isolation.told ? [] : [refuse('not-told')]),
          ...(isolation.stopped ? [refuse('already-done', { what: 'Stopping' })] : []),
        ],
        event: { kind: 'plant-stopped', how: command.how },
      };
    case 'lock-point':
      return {
        refusals: [
          ...requireTurn(dossier, command.link, context),
          ...requireLock(dossier, command.lock, 'point', context),
        ],
        event: { ...command, kind: 'point-locked' },
      };
    case 'open-outlet':
      return {
        refusals: requireTurn(dossier, command.outlet, context),
        event: { ...command, kind: 'outlet-opened' },
      };
    case 'restrain-store':
      return {
        refusals: requireTurn(dossier, command.store, context),
        event: { ...command, kind: 'store-restrained' },
      };
    case 'wait-out-store':
      return {
        refusals: requireTurn(dossier, command.store, context),
        event: { ...command, kind: 'store-waited-out' },
      };
    case 'prove':
      return decideProof(dossier, command, context);
    case 'try-start':
      return {
        refusals: [
          ...requireTurn(dossier, command.station, context),
          ...(command.moved ? [refuse('it-moved', { station: command.station })] : []),
        ],
        event: { kind: 'start-tried', station: command.station },
      };
    case 'lock-box':
      return decideBox(dossier, command, context);
  }
}

function decideIssue(
  dossier: Dossier,
  command: CommandOf<'issue-permit'>,
  context: Context,
): Outcome {
  const until = new Date(Date.parse(context.now) + command.hours * 3_600_000).toISOString();
  const live =
    dossier.permit.kind !== 'none' &&
    dossier.permit.kind !== 'assessed' &&
    dossier.permit.kind !== 'approved';
  const self = context.actor === dossier.performer || context.actor === command.performer;
  return {
    refusals: [
      ...gateIssue(dossier, context.site),
      ...(live ? [refuse('already-done', { what: 'Issuing' })] : []),
      ...(command.performer === dossier.performer
        ? requireRole(context, command.performer, ['performing-authority'])
        : [
            refuse('not-the-performer', {
              performer: nameOf(context, dossier.performer),
              person: nameOf(context, command.performer),
            }),
          ]),
      ...(self ? [refuse('performs-and-issues', { person: nameOf(context, context.actor) })] : []),
      ...(command.hours > LONGEST_VALIDITY_HOURS
        ? [refuse('validity-too-long', { hours: command.hours, most: LONGEST_VALIDITY_HOURS })]
        : []),
      ...(command.briefed ? [] : [refuse('briefing-missing')]),
    ],
    event: {
      kind: 'permit-issued',
      number: `P-${context.jobId.replace(/^J-/, '')}`,
      until,
      performer: command.performer,
    },
  };
}

function decideSignOn(dossier: Dossier, command: CommandOf<'sign-on'>, context: Context): Outcome {
  const lock = context.site.locks.get(command.lock);
  const on =
    dossier.permit.kind === 'issued' && command.person in dossier.permit.people
      ? context.jobId
      : context.others.personOn.get(command.person);
  const foreign = lock?.owner !== undefined && lock.owner !== command.person;
  return {
    refusals: [
      ...gateWork(dossier, context.site, context.now),
      ...requireRole(context, command.person, ['worker', 'performing-authority']),
      ...(command.person === context.actor
        ? [refuse('performs-and-issues', { person: nameOf(context, command.person) })]
        : []),
      ...(on === undefined
        ? []
        : [refuse('already-on', { person: nameOf(context, command.person), job: on })]),
      ...requireLock(dossier, command.lock, 'personal', context),
      ...(foreign
        ? [
            refuse('lock-not-yours', {
              lock: command.lock,
              owner: nameOf(context, lock.owner ?? ''),
            }),
          ]
        : []),
    ],
    event: { kind: 'signed-on', person: command.person, lock: command.lock },
  };
}

function decideSignOff(
  dossier: Dossier,
  command: CommandOf<'sign-off'>,
  context: Context,
): Outcome {
  const people = dossier.permit.kind === 'issued' ? dossier.permit.people : {};
  const hung = people[command.person];
  const owner = Object.entries(people).find(([, lock]) => lock === command.lock)?.[0];
  return {
    refusals: [
      ...(hung === undefined
        ? [refuse('not-on', { person: nameOf(context, command.person) })]
        : []),
      ...(hung !== undefined && hung !== command.lock
        ? [
            refuse('lock-not-yours', {
              lock: command.lock,
              owner: nameOf(
                context,
                owner ?? context.site.locks.get(command.lock)?.owner ?? 'nobody here',
              ),
            }),
          ]
        : []),
    ],
    event: { kind: 'signed-off', person: command.person, lock: command.lock },
  };
}

function decidePermit(
  dossier: Dossier,
  command: CommandOf<
    | 'assess-task'
    | 'approve-permit'
    | 'issue-permit'
    | 'sign-on'
    | 'sign-off'
    | 'hand-back'
    | 'close-permit'
  >,
  context: Context,
): Outcome {
  const { permit } = dossier;
  switch (command.kind) {
    case 'assess-task':
      return {
        refusals:
          permit.kind === 'none' || permit.kind === 'assessed'
            ? []
            : [refuse('already-done', { what: 'Approving' })],
        event: { ...command, kind: 'task-assessed' },
      };
    case 'approve-permit':
      return {
        refusals: [
          ...(permit.kind === 'none' ? [refuse('not-assessed')] : []),
          ...(permit.kind !== 'none' && permit.kind !== 'assessed'
            ? [refuse('already-done', { what: 'Approving' })]
            : []),
          ...(context.actor === dossier.performer
            ? [refuse('performs-and-issues', { person: nameOf(context, context.actor) })]
            : []),
        ],
        event: { kind: 'permit-approved' },
      };
    case 'issue-permit':
      return decideIssue(dossier, command, context);
    case 'sign-on':
      return decideSignOn(dossier, command, context);
    case 'sign-off':
      return decideSignOff(dossier, command, context);
    case 'hand-back':
      return {
        refusals: [
          ...gateHandBack(dossier, context.site),
          ...(context.actor === dossier.performer
            ? []
            : [
                refuse('not-the-performer', {
                  performer: nameOf(context, dossier.performer),
                  person: nameOf(context, context.actor),
                }),
              ]),
          ...(command.cleared ? [] : [refuse('not-cleared')]),
        ],
        event: { ...command, kind: 'permit-handed-back' },
      };
    case 'close-permit':
      return {
        refusals: [
          ...(permit.kind === 'issued' ? [refuse('still-held')] : []),
          ...(permit.kind === 'closed'
            ? [refuse('already-done', { what: 'Closing the permit' })]
            : []),
          ...(permit.kind === 'issued' || permit.kind === 'handed-back' || permit.kind === 'closed'
            ? []
            : [refuse('not-issued')]),
          ...(context.actor === dossier.performer
            ? [refuse('performs-and-issues', { person: nameOf(context, context.actor) })]
            : []),
        ],
        event: { kind: 'permit-closed', inspected: command.inspected },
      };
  }
}

/** Refuses a restoring step that is out of turn. */
function requireRestoreTurn(dossier: Dossier, subject: string, context: Context): Refusal[] {
  const gate = gateRestore(dossier);
  const order = findWorkOrder(dossier, context.site);
  if (gate.length > 0 || !order) return gate;
  const standing = listStanding(dossier, order);
  if (!standing.includes(subject)) return [refuse('already-done', { what: subject })];
  const kindOf = (id: string) => order.restore.find((step) => step.subject === id)?.kind;
  const first = standing[0];
  return first !== undefined && first !== subject && kindOf(first) !== kindOf(subject)
    ? [refuse('out-of-order', { subject, first })]
    : [];
}

/** Refuses a position that differs from the normal line-up: links as the plant file says, outlets shut. */
function requireNormal(
  command: CommandOf<'walk-lineup'>,
  dossier: Dossier,
  context: Context,
): Refusal[] {
  const order = findWorkOrder(dossier, context.site);
  const standing = order ? listStanding(dossier, order) : [];
  const isLink = order?.plan.close.includes(command.point) === true;
  if (!isLink && order?.plan.open.includes(command.point) !== true) {
    return [refuse('not-in-plan', { subject: command.point })];
  }
  const { graph } = context.site;
  const link = graph.links[graph.linkAt.get(command.point) ?? -1];
  const normal = isLink ? (link?.normal ?? 'open') : 'closed';
  return [
    ...(standing.length > 0 ? [refuse('points-locked', { points: standing.join(', ') })] : []),
    ...(command.found === normal
      ? []
      : [refuse('position-wrong', { subject: command.point, found: command.found, normal })]),
  ];
}

function decideRestoring(
  dossier: Dossier,
  command: CommandOf<
    | 'open-box'
    | 'free-store'
    | 'close-outlet'
    | 'unlock-point'
    | 'walk-lineup'
    | 'take-back'
    | 'close-job'
  >,
  context: Context,
): Outcome {
  const { isolation } = dossier;
  switch (command.kind) {
    case 'open-box':
      return {
        refusals: [
          ...gateRestore(dossier).filter(({ code }) => code !== 'box-still-locked'),
          ...(isolation.box ? [] : [refuse('already-done', { what: 'Opening the box' })]),
        ],
        event: { kind: 'box-opened' },
      };
    case 'free-store':
      return {
        refusals: requireRestoreTurn(dossier, command.store, context),
        event: { kind: 'store-freed', store: command.store },
      };
    case 'close-outlet':
      return {
        refusals: requireRestoreTurn(dossier, command.outlet, context),
        event: { kind: 'outlet-closed', outlet: command.outlet },
      };
    case 'unlock-point': {
      const hung = isolation.locked[command.link];
      return {
        refusals: [
          ...requireRestoreTurn(dossier, command.link, context),
          ...(hung && hung.by !== context.actor
            ? [refuse('lock-not-yours', { lock: hung.lock, owner: nameOf(context, hung.by) })]
            : []),
        ],
        event: { kind: 'point-unlocked', link: command.link, lock: hung?.lock ?? '' },
      };
    }
    case 'walk-lineup':
      return {
        refusals: [...gateRestore(dossier), ...requireNormal(command, dossier, context)],
        event: { kind: 'lineup-walked', point: command.point, found: command.found },
      };
    case 'take-back':
      return {
        refusals: gateClose(dossier, context.site).filter(({ code }) => code !== 'not-taken-back'),
        event: { kind: 'plant-taken-back', told: command.told },
      };
    case 'close-job':
      return { refusals: gateClose(dossier, context.site), event: { kind: 'job-closed' } };
  }
}

function decideOn(dossier: Dossier, command: Command, context: Context): Outcome {
  switch (command.kind) {
    case 'raise-job':
      return {
        refusals: [refuse('already-done', { what: 'Raising' })],
        event: { kind: 'job-closed' },
      };
    case 'draft-plan':
    case 'set-grade':
    case 'submit-plan':
    case 'return-plan':
    case 'accept-plan':
      return decidePlanning(dossier, command, context);
    case 'tell-affected':
    case 'stop-plant':
    case 'lock-point':
    case 'open-outlet':
    case 'restrain-store':
    case 'wait-out-store':
    case 'prove':
    case 'try-start':
    case 'lock-box':
      return decideIsolating(dossier, command, context);
    case 'assess-task':
    case 'approve-permit':
    case 'issue-permit':
    case 'sign-on':
    case 'sign-off':
    case 'hand-back':
    case 'close-permit':
      return decidePermit(dossier, command, context);
    case 'open-box':
    case 'free-store':
    case 'close-outlet':
    case 'unlock-point':
    case 'walk-lineup':
    case 'take-back':
    case 'close-job':
      return decideRestoring(dossier, command, context);
  }
}

/** Decides a command on a job: the events that follow, or every reason against it. Never throws on what a person can send. */
export function decideJob(state: DossierState, command: Command, context: Context): Decision {
  const authority = requireAuthority(command, context);
  if (state === undefined && command.kind !== 'raise-job') {
    return { ok: false, refusals: [...authority, refuse('not-yet-raised')] };
  }
  if (state?.kind === 'closed') return { ok: false, refusals: [refuse('job-closed')] };
  const outcome =
    state === undefined
      ? decideRaise(command as CommandOf<'raise-job'>, context)
      : decideOn(state, command, context);
  const refusals = [...authority, ...outcome.refusals];
  return refusals.length > 0 ? { ok: false, refusals } : { ok: true, events: [outcome.event] };
}
