import { planClearing, type ClearingFault } from '../../clearing/profile';
import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { findSection, requireDead, requireMessage } from '../clearing';
import type { ClearingRecord } from '../clearing-records';
import { type CommandOf } from '../commands';
import { gateWork } from '../gates-permit';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { requireInDate } from './instrument';
import { nameOf, type Outcome } from './outcome';

type Pigging = CommandOf<
  'walk-line' | 'launch-pig' | 'see-pig' | 'pig-stuck' | 'read-line' | 'free-pig' | 'pig-arrived'
>;
type Messaging = CommandOf<'send-message' | 'read-back'>;

/** Why a line cannot be cleared as it was planned, as a rule says it. */
function refuseFault(
  fault: ClearingFault,
  { drive_bar: drive, relief_bar: relief, weakest_bar: weakest }: CommandOf<'plan-clearing'>,
  most: number,
): Refusal {
  switch (fault.kind) {
    case 'few-points':
      return refuse('clearing-profile', { at: 0 });
    case 'not-along':
      return refuse('clearing-profile', { at: fault.at_m });
    case 'relief-below-drive':
      return refuse('clearing-relief', { relief, drive, weakest, why: 'it would open while it drives' }); // prettier-ignore
    case 'relief-over-weakest':
      return refuse('clearing-relief', { relief, drive, weakest, why: `the weakest part stands ${weakest} bar` }); // prettier-ignore
    case 'valley-over-weakest':
      return refuse('clearing-valley', { at: fault.at_m, bar: fault.bar, weakest });
    case 'cannot-lift':
      return refuse('clearing-lift', { bar: fault.bar, drive });
    case 'section-too-strong': {
      const { from_m, to_m, energy_kj, most_m } = fault;
      return refuse('clearing-section', { from: from_m, to: to_m, energy: energy_kj, metres: most_m, most }); // prettier-ignore
    }
  }
}

const NOTHING_WORKED = {
  sections: [],
  volume_m3: 0,
  energy_kj: 0,
  length_m: 0,
  valley_bar: 0,
  valley_m: 0,
  lift_bar: 0,
};

/** Works out how a line is cleared, and refuses what its figures do not bear. */
export function decideClearing(
  { clearing }: Dossier,
  command: CommandOf<'plan-clearing'>,
  context: Context,
): Outcome {
  const { launcher, catcher } = command;
  const most = context.site.values['clearing-energy-most-kj'];
  const found = planClearing(command, most);
  return {
    refusals: [
      ...('fault' in found ? [refuseFault(found.fault, command, most)] : []),
      ...requireRole(context, launcher, []),
      ...requireRole(context, catcher, []),
      ...(launcher === catcher
        ? [refuse('clearing-alone', { person: nameOf(context, launcher) })]
        : []),
      ...(clearing?.run ? [refuse('pig-under-way')] : []),
    ],
    event: {
      ...command,
      kind: 'clearing-planned',
      worked: 'plan' in found ? found.plan : NOTHING_WORKED,
    },
  };
}

const requireNamed = (person: string, context: Context): Refusal[] =>
  person === context.actor
    ? []
    : [refuse('clearing-not-theirs', { person: nameOf(context, person) })];

/** What keeps a pig from being launched. */
function requireLaunch(dossier: Dossier, clearing: ClearingRecord, context: Context): Refusal[] {
  const { site, now } = context;
  return [
    ...requireNamed(clearing.plan.launcher, context),
    ...gateWork(dossier, site, now),
    ...(clearing.walked ? [] : [refuse('line-not-walked')]),
    ...(clearing.run ? [refuse('pig-under-way')] : requireDead(clearing)),
    ...(findSection(clearing) ? [] : [refuse('line-cleared')]),
    ...requireMessage(dossier, site, now),
  ];
}

/** Refuses to go on with a pig that is not there, or that stands. */
function requireMoving({ run }: ClearingRecord): Refusal[] {
  if (!run) return [refuse('no-pig')];
  return run.stuck ? [refuse('pig-is-stuck')] : [];
}

function requireAlong(clearing: ClearingRecord, at_m: number): Refusal[] {
  const section = findSection(clearing);
  if (!section || (at_m >= section.from_m && at_m <= section.to_m)) return [];
  return [refuse('pig-outside', { at: at_m, from: section.from_m, to: section.to_m })];
}

function requireGauge({ instrument }: CommandOf<'read-line'>, context: Context): Refusal[] {
  const known = context.site.instruments.get(instrument);
  return known?.reads === 'pressure'
    ? requireInDate(known, context)
    : [refuse('instrument-unknown', { instrument })];
}

function decidePig(
  dossier: Dossier,
  clearing: ClearingRecord,
  command: Pigging,
  context: Context,
): Outcome {
  switch (command.kind) {
    case 'walk-line':
      return {
        refusals: [...(clearing.run ? [refuse('pig-under-way')] : []), ...requireDead(clearing)],
        event: { ...command, kind: 'line-walked' },
      };
    case 'launch-pig':
      return {
        refusals: requireLaunch(dossier, clearing, context),
        event: { kind: 'pig-launched', from_m: findSection(clearing)?.start_m ?? 0 },
      };
    case 'see-pig':
      return {
        refusals: [...requireMoving(clearing), ...requireAlong(clearing, command.at_m)],
        event: { ...command, kind: 'pig-seen' },
      };
    case 'pig-stuck':
      return {
        refusals: requireMoving(clearing),
        event: { ...command, kind: 'pig-found-stuck' },
      };
    case 'read-line': {
      const before = clearing.run?.stuck ? clearing.readings[command.side] : undefined;
      return {
        refusals: requireGauge(command, context),
        event: {
          ...command,
          kind: 'line-read',
          // What is read is kept, whatever it says: pressure that rises on a stuck pig stops the job.
          ...(before && command.bar > before.bar ? { rose: before.bar } : {}),
        },
      };
    }
    case 'free-pig':
      return {
        refusals: [
          ...(clearing.run?.stuck ? [] : [refuse('pig-not-stuck')]),
          ...requireDead(clearing),
        ],
        event: { ...command, kind: 'pig-freed' },
      };
    case 'pig-arrived':
      return {
        refusals: [...requireNamed(clearing.plan.catcher, context), ...requireMoving(clearing)],
        event: { ...command, kind: 'pig-came' },
      };
  }
}

/** Decides a step of a line that is cleared with gas. */
export function decidePigging(dossier: Dossier, command: Pigging, context: Context): Outcome {
  const { clearing } = dossier;
  if (clearing) return decidePig(dossier, clearing, command, context);
  return { refusals: [refuse('clearing-unplanned')], event: { kind: 'line-walked', seen: '' } };
}

/** Decides a message between two people who do not see each other, and its answer. */
export function decideMessage(
  { messages }: Dossier,
  command: Messaging,
  context: Context,
): Outcome {
  if (command.kind === 'send-message') {
    const { to } = command;
    return {
      refusals: [
        ...requireRole(context, to, []),
        ...(to === context.actor
          ? [refuse('message-to-oneself', { person: nameOf(context, to) })]
          : []),
      ],
      event: {
        ...command,
        kind: 'message-sent',
        number: Math.max(0, ...messages.map(({ number }) => number)) + 1,
      },
    };
  }
  const sent = messages.find(
    ({ number, back }) => number === command.message && back === undefined,
  );
  const isTheirs = sent === undefined || sent.by === context.actor || sent.to === context.actor;
  return {
    refusals: [
      ...(sent ? [] : [refuse('message-unknown', { number: command.message })]),
      ...(isTheirs
        ? []
        : [
            refuse('message-not-theirs', {
              from: nameOf(context, sent.by),
              to: nameOf(context, sent.to),
            }),
          ]),
    ],
    event: { ...command, kind: 'message-read-back' },
  };
}
