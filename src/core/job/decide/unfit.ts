import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { requireBypassAllowed } from '../bypasses';
import { type CommandOf } from '../commands';
import { gateHandBack } from '../gates-permit';
import { listHanging } from '../hanging';
import { gateCalled } from '../run-up';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { requireLock } from './lock';
import { nameOf, type Outcome } from './outcome';
import { requireTold } from './told';
import { requireTurn } from './turn';

function requireReportable(
  dossier: Dossier,
  { lock }: CommandOf<'report-lock'>,
  context: Context,
): Refusal[] {
  if (!context.site.locks.has(lock)) return [refuse('lock-unknown', { lock })];
  const elsewhere = context.others.lockAt.get(lock);
  return [
    ...(elsewhere === undefined ? [] : [refuse('lock-in-use', { lock, where: elsewhere })]),
    ...(lock in dossier.isolation.unfit || context.others.unfit.has(lock)
      ? [refuse('already-done', { what: 'Reporting' })]
      : []),
  ];
}

/** A new lock on before the unfit one is off, by the owner of that, with nobody behind it. */
function requireReplaceable(
  dossier: Dossier,
  { link, lock }: CommandOf<'replace-lock'>,
  context: Context,
): Refusal[] {
  const { locked, unfit } = dossier.isolation;
  const hung = locked[link];
  if (!hung) return [refuse('lock-not-here', { lock: link })];
  return [
    ...(hung.lock in unfit ? [] : [refuse('lock-is-fit', { lock: hung.lock })]),
    ...(hung.by === context.actor
      ? []
      : [refuse('lock-not-yours', { lock: hung.lock, owner: nameOf(context, hung.by) })]),
    ...gateHandBack(dossier, context.site).filter(
      ({ code }) => code === 'people-on' || code === 'crews-on',
    ),
    ...requireLock(dossier, lock, 'point', context),
  ];
}

/** Decides what becomes of locks that do not hold as they should: key lost, damaged, or none that could be fitted. */
export function decideUnfit(
  dossier: Dossier,
  command: CommandOf<'report-lock' | 'replace-lock' | 'renew-lock' | 'tag-point'>,
  context: Context,
): Outcome {
  switch (command.kind) {
    case 'report-lock':
      return {
        refusals: requireReportable(dossier, command, context),
        event: { ...command, kind: 'lock-found-unfit' },
      };
    case 'replace-lock':
      return {
        refusals: requireReplaceable(dossier, command, context),
        event: {
          ...command,
          kind: 'lock-replaced',
          old: dossier.isolation.locked[command.link]?.lock ?? '',
        },
      };
    case 'renew-lock': {
      const { lock } = command;
      const isOn = listHanging(dossier).some((one) => one.lock === lock);
      return {
        refusals: [
          ...(lock in dossier.isolation.unfit ? [] : [refuse('lock-is-fit', { lock })]),
          ...(isOn ? [refuse('unfit-lock-hangs', { lock })] : []),
        ],
        event: { ...command, kind: 'lock-renewed' },
      };
    }
    case 'tag-point':
      return {
        refusals: [
          ...requireTold(dossier, context.actor, context),
          ...requireTurn(dossier, command.link, context),
          ...gateCalled(dossier),
          ...requireBypassAllowed(dossier, command.link, context.site, context.now),
          ...requireRole(context, command.accepter, ['issuing-authority']),
          ...(command.accepter === context.actor
            ? [refuse('accepts-own', { person: nameOf(context, command.accepter) })]
            : []),
        ],
        event: { ...command, kind: 'point-tagged' },
      };
  }
}
