import { listAuditChecks, listGrave, refuseFindings, type AuditCode } from '../../audit';
import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { findCopyEnd } from '../copies';
import { type Context } from '../site';
import { isHeld, isNumbered, listOn, type Dossier, type HeldPermit } from '../state';
import { nameOf, type Outcome } from './outcome';

/** Refuses whoever issued the permit, leads the work, stands by or is signed on. */
function requireNoPart(permit: HeldPermit, dossier: Dossier, context: Context): Refusal[] {
  const { actor } = context;
  const hasPart =
    actor === permit.issuer ||
    actor === dossier.performer ||
    actor in permit.people ||
    actor in dossier.duties;
  return hasPart ? [refuse('audit-own-work', { person: nameOf(context, actor) })] : [];
}

function decideFindings(
  dossier: Dossier,
  command: CommandOf<'audit-permit'>,
  context: Context,
): Outcome {
  const { permit } = dossier;
  const signedOn = Object.keys(listOn(permit)).length;
  const findings = { ...command, signedOn };
  const event = { ...findings, kind: 'permit-audited', grave: listGrave(command) } as const;
  if (!isHeld(permit)) return { refusals: [refuse('audit-not-live')], event };
  const named = Object.values(command.answers).flatMap(({ followUp }) => followUp?.who ?? []);
  return {
    refusals: [
      ...requireNoPart(permit, dossier, context),
      ...refuseFindings(findings, listAuditChecks(permit.papers), context.now),
      ...[...new Set(named)].flatMap((person) => requireRole(context, person, [])),
    ],
    event,
  };
}

function decideFollowUp(
  dossier: Dossier,
  command: CommandOf<'finish-follow-up'>,
  context: Context,
): Outcome {
  const audit = dossier.audits[command.audit];
  const code: AuditCode = command.code;
  const followUp = audit?.answers[code]?.followUp;
  const event = { ...command, kind: 'follow-up-finished' } as const;
  if (!audit || !followUp) return { refusals: [refuse('follow-up-unknown')], event };
  const { who } = followUp;
  const isOthers =
    context.actor !== who && requireRole(context, context.actor, ['issuing-authority']).length > 0;
  return {
    refusals: [
      ...(audit.done[code] ? [refuse('already-done', { what: 'This follow-up' })] : []),
      ...(isOthers ? [refuse('follow-up-not-yours', { person: nameOf(context, who) })] : []),
    ],
    event,
  };
}

function decideCopyEnd({ permit }: Dossier, command: CommandOf<'take-in-copy'>): Outcome {
  const { number } = command;
  const event = { ...command, kind: 'copy-taken-in' } as const;
  if (!isNumbered(permit)) return { refusals: [refuse('not-issued')], event };
  const copy = permit.copies.find((one) => one.number === number);
  if (!copy) return { refusals: [refuse('copy-unknown', { number })], event };
  const isOver = findCopyEnd(copy, permit.copies) !== undefined;
  return { refusals: isOver ? [refuse('copy-back-already', { number })] : [], event };
}

/** Decides the short check at work, its follow-ups, and how copies of the permit are accounted for. */
export function decideAudit(
  dossier: Dossier,
  command: CommandOf<'audit-permit' | 'finish-follow-up' | 'take-in-copy'>,
  context: Context,
): Outcome {
  switch (command.kind) {
    case 'audit-permit':
      return decideFindings(dossier, command, context);
    case 'finish-follow-up':
      return decideFollowUp(dossier, command, context);
    case 'take-in-copy':
      return decideCopyEnd(dossier, command);
  }
}
