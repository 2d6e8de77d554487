import { requireRole, requireSigned } from '../job/authority';
import { findWorkOrder, type SiteFacts } from '../job/site';
import { isNumbered, type Dossier } from '../job/state';
import { listNumberedTags } from '../job/tags';
import type { Role } from '../people/people';
import type { PlantGraph } from '../plant';
import type { RecordDecision } from '../rules/decision';
import { refuse, type Refusal } from '../rules/refuse';
import { checkProcedure, isHolding } from './check';
import type { ProcedureCommand } from './commands';
import {
  listProcedureSigners,
  nameProcedure,
  newestOf,
  type Procedure,
  type ProcedureEvent,
  type ProcedureRecord,
  type ProcedureText,
} from './record';

/** The facts given with a command. */
export interface ProcedureContext {
  readonly actor: string;
  readonly now: string;
  readonly signed: ReadonlySet<string>;
  /** The site on its newest drawing. */
  readonly site: SiteFacts;
  /** A job, with the facts that count for it. */
  readonly findJob: (
    id: string,
  ) => { readonly dossier: Dossier; readonly site: SiteFacts } | undefined;
  /** A version of the drawing, where it can still be read. */
  readonly findDrawing: (version: number) => PlantGraph | undefined;
  /** Who has worked by a procedure: those who hung locks and those who led, by id. */
  readonly listUsers: (number: number) => readonly string[];
}

/** Who may inspect how a procedure is used. */
export const INSPECTING: readonly Role[] = [
  'isolating-electrical',
  'isolating-mechanical',
  'isolating-process',
  'issuing-authority',
  'coordinator',
  'auditor',
];
export const WRITING: readonly Role[] = ['coordinator'];

type Outcome = { readonly refusals: readonly Refusal[]; readonly event?: ProcedureEvent };

/** A plan has been carried out once a permit was issued on its isolation. */
export const isCarriedOut = ({ plan, permit, pastPermits }: Dossier): boolean =>
  plan.kind === 'accepted' && (isNumbered(permit) || pastPermits.length > 0);

/** What the plan of a job says as a procedure; undefined where it has none. */
function describeText(job: string, dossier: Dossier, site: SiteFacts): ProcedureText | undefined {
  const order = findWorkOrder(dossier, site);
  if (!order || dossier.plan.kind === 'none') return undefined;
  const { plan, steps, proofs, restore } = order;
  const grades = Object.entries(dossier.grades).map(([id, { grade }]) => [id, grade] as const);
  return {
    equipment: dossier.equipment,
    scope: dossier.scope,
    grades: Object.fromEntries(grades),
    plan,
    plantVersion: site.plantVersion,
    steps: steps.map(({ subject, words }) => ({ subject, words })),
    proofs: proofs.map(({ section, kind, why }) => ({ section, reads: kind, why })),
    restore: restore.map(({ subject, kind }) => ({ subject, kind })),
    tags: listNumberedTags(dossier, site, job).map(({ number, point, held }) => ({
      number,
      point,
      held,
    })),
  };
}

function decideWrite(
  record: ProcedureRecord,
  command: Extract<ProcedureCommand, { kind: 'write-procedure' }>,
  { findJob }: ProcedureContext,
): Outcome {
  const { job, procedure } = command;
  const found = findJob(job);
  const before = procedure === undefined ? undefined : record[procedure - 1];
  if (!found) return { refusals: [refuse('procedure-job-unknown', { job })] };
  const { dossier, site } = found;
  const text = describeText(job, dossier, site);
  const name = nameProcedure(procedure ?? 0);
  const equipment = before && newestOf(before).text.equipment;
  return {
    refusals: [
      ...(isCarriedOut(dossier) ? [] : [refuse('procedure-not-carried-out', { job })]),
      ...(procedure !== undefined && !before ? [refuse('procedure-unknown', { name })] : []),
      ...(before ? refuseWithdrawn(before) : []),
      ...(equipment !== undefined && equipment !== dossier.equipment
        ? [refuse('procedure-other-machine', { name, equipment, other: dossier.equipment })]
        : []),
    ],
    ...(text ? { event: { ...command, kind: 'procedure-written', text } } : {}),
  };
}

const refuseWithdrawn = ({ number, withdrawn }: Procedure): Refusal[] =>
  withdrawn
    ? [refuse('procedure-withdrawn', { name: nameProcedure(number), why: withdrawn.why })]
    : [];

function decideRenew(
  one: Procedure,
  command: Extract<ProcedureCommand, { kind: 'renew-procedure' }>,
  { site, findDrawing }: ProcedureContext,
): Outcome {
  const name = nameProcedure(one.number);
  const { text } = newestOf(one);
  const check = checkProcedure(text, site, findDrawing(text.plantVersion));
  const isCurrent = text.plantVersion === site.plantVersion;
  const [gone] = check.gone;
  const words = gone === undefined ? (check.stops[0] ?? '') : `${gone} is no longer in the plant`;
  return {
    refusals: [
      ...(isCurrent ? [refuse('procedure-current', { name })] : []),
      ...(isHolding(check) ? [] : [refuse('procedure-fails', { name, words })]),
    ],
    event: {
      ...command,
      kind: 'procedure-renewed',
      text: { ...check.text, plantVersion: site.plantVersion },
    },
  };
}

function decideInspect(
  one: Procedure,
  command: Extract<ProcedureCommand, { kind: 'inspect-procedure' }>,
  context: ProcedureContext,
): Outcome {
  const { actor, site, listUsers } = context;
  const { users, found, putRight } = command;
  const isUser = users.includes(actor) || listUsers(one.number).includes(actor);
  const person = site.people.get(actor)?.name ?? actor;
  const name = nameProcedure(one.number);
  return {
    refusals: [
      ...requireRole(context, actor, INSPECTING),
      ...users.flatMap((user) => requireRole(context, user, [])),
      ...(isUser ? [refuse('inspector-uses-it', { person, name })] : []),
      ...(found === 'differs' && putRight === '' ? [refuse('inspection-not-put-right')] : []),
    ],
    event: { ...command, kind: 'procedure-inspected', version: newestOf(one).version },
  };
}

function decideOn(
  record: ProcedureRecord,
  command: ProcedureCommand,
  context: ProcedureContext,
): Outcome {
  const writes = () => requireRole(context, context.actor, WRITING);
  if (command.kind === 'write-procedure') {
    const { refusals, event } = decideWrite(record, command, context);
    return { refusals: [...writes(), ...refusals], ...(event ? { event } : {}) };
  }
  const one = record[command.procedure - 1];
  if (!one) {
    return { refusals: [refuse('procedure-unknown', { name: nameProcedure(command.procedure) })] };
  }
  const gone = refuseWithdrawn(one);
  if (gone.length > 0) return { refusals: gone };
  switch (command.kind) {
    case 'renew-procedure': {
      const { refusals, event } = decideRenew(one, command, context);
      return { refusals: [...writes(), ...refusals], ...(event ? { event } : {}) };
    }
    case 'inspect-procedure':
      return decideInspect(one, command, context);
    case 'withdraw-procedure':
      return { refusals: writes(), event: { ...command, kind: 'procedure-withdrawn' } };
  }
}

/** Decides a command about procedures: the event that follows, or every reason against it. */
export function decideProcedure(
  record: ProcedureRecord,
  command: ProcedureCommand,
  context: ProcedureContext,
): RecordDecision<ProcedureEvent> {
  const unsigned = requireSigned(listProcedureSigners(command, context.actor), context);
  const { refusals, event } = decideOn(record, command, context);
  const all = [...unsigned, ...refusals];
  return all.length > 0 || !event ? { ok: false, refusals: all } : { ok: true, event };
}
