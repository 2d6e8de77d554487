import { findLatestExtension, findRevalidationDue } from '../../permits';
import { hoursAfter } from '../../hours';
import { refuse, type Refusal } from '../../rules/refuse';
import { requireWithinClearance } from '../clearances';
import { type CommandOf } from '../commands';
import { gateWork, refuseNotLive } from '../gates-permit';
import { findWorkOrder, type Context } from '../site';
import { isHeld, isNumbered, type Dossier, type PermitRecord } from '../state';
import { type Outcome } from './outcome';
import { requireNotPerformer, requirePerformer } from './performer';
import { requireEnd, requireNoClash } from './permit';

/** Proofs that are older than a retest may be. */
function requireRetest(dossier: Dossier, { site, now }: Context): Refusal[] {
  const minutes = site.values['retest-within-min'];
  const since = Date.parse(now) - minutes * 60_000;
  const old = (findWorkOrder(dossier, site)?.proofs ?? [])
    .map(({ id }) => id)
    .filter((id) => {
      const proof = dossier.isolation.proved[id];
      return !proof || Date.parse(proof.at) < since;
    });
  return old.length > 0 ? [refuse('retest-missing', { minutes, proofs: old.join(', ') })] : [];
}

function decideExtend(
  dossier: Dossier,
  command: CommandOf<'extend-permit'>,
  context: Context,
): Outcome {
  const { permit } = dossier;
  const { site, now } = context;
  const until = hoursAfter(now, command.hours);
  const event = { ...command, kind: 'permit-extended', until } as const;
  if (!isHeld(permit)) return { refusals: [refuse('not-issued')], event };
  // A look at a change of shift is part of extending.
  const gates = gateWork(dossier, site, now).filter(({ code }) => code !== 'not-revalidated');
  return {
    refusals: [
      ...gates,
      ...requireRetest(dossier, context),
      ...requireEnd(until, findLatestExtension(permit.issuedAt, now, site.values)),
      ...(Date.parse(until) > Date.parse(permit.until)
        ? []
        : [refuse('extension-too-short', { until: permit.until })]),
      ...requireWithinClearance(dossier, until, site),
      ...requireNoClash(dossier, context, until),
      ...requirePerformer(dossier, command.performer, context),
      ...requireNotPerformer(dossier, context),
    ],
    event,
  };
}

function decideRevalidate(
  dossier: Dossier,
  command: CommandOf<'revalidate-permit'>,
  context: Context,
): Outcome {
  const { permit } = dossier;
  const { site, now } = context;
  const gates = gateWork(dossier, site, now).filter(({ code }) => code !== 'not-revalidated');
  const isDue =
    isHeld(permit) && findRevalidationDue(permit.validated.at, now, site.values) !== undefined;
  return {
    refusals: [
      ...gates,
      ...(isHeld(permit) && !isDue ? [refuse('revalidated-already')] : []),
      ...requirePerformer(dossier, command.performer, context),
      ...requireNotPerformer(dossier, context),
    ],
    event: { ...command, kind: 'permit-revalidated' },
  };
}

const copiesOf = (permit: PermitRecord) => (isNumbered(permit) ? permit.copies : []);

function decideCopy(dossier: Dossier, command: CommandOf<'give-copy'>, context: Context): Outcome {
  const copies = copiesOf(dossier.permit);
  const { instead } = command;
  const isKnown = instead === undefined || copies.some(({ number }) => number === instead);
  return {
    refusals: [
      ...refuseNotLive(dossier, context.site).filter(({ code }) => code === 'not-issued'),
      ...(isKnown ? [] : [refuse('copy-unknown', { number: instead })]),
    ],
    event: { ...command, kind: 'copy-given', number: copies.length + 1 },
  };
}

/** Decides how long an issued permit is valid, its look at the start of a shift, and its copies. */
export function decideValidity(
  dossier: Dossier,
  command: CommandOf<'extend-permit' | 'revalidate-permit' | 'give-copy'>,
  context: Context,
): Outcome {
  switch (command.kind) {
    case 'extend-permit':
      return decideExtend(dossier, command, context);
    case 'revalidate-permit':
      return decideRevalidate(dossier, command, context);
    case 'give-copy':
      return decideCopy(dossier, command, context);
  }
}
