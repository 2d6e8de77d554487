import { requireRole, requireSigned, type SiteFacts } from '../job';
import { findAuthorisation, type Role } from '../people/people';
import type { RecordDecision } from '../rules/decision';
import { refuse, type Refusal } from '../rules/refuse';
import type { HandoverReport } from './parts';
import { listHandoverSigners, type HandoverEvent, type HandoverRecord } from './record';
import type { HandoverCommand } from './commands';

/** Who may hand a shift over and take it. */
export const HANDING_OVER: readonly Role[] = ['issuing-authority', 'coordinator'];

/** Whose work the handover guides: each reads it. */
const READING: readonly Role[] = [
  'coordinator',
  'issuing-authority',
  'area-operator',
  'isolating-electrical',
  'isolating-mechanical',
  'isolating-process',
  'performing-authority',
];

/** The facts given with a command. */
export interface HandoverContext {
  readonly actor: string;
  readonly now: string;
  readonly signed: ReadonlySet<string>;
  readonly site: SiteFacts;
  /** What stands at this moment. */
  readonly report: HandoverReport;
}

export type HandoverDecision = RecordDecision<HandoverEvent>;

const nameOf = ({ site }: HandoverContext, person: string): string =>
  site.people.get(person)?.name ?? person;

/** Everybody whose authorisation is in date and whose work the handover guides, but the one who wrote it. */
const listReaders = ({ site, now, actor }: HandoverContext): string[] =>
  [...site.people.values()]
    .filter((person) => READING.some((role) => findAuthorisation(person, role, now) === 'held'))
    .map(({ id }) => id)
    .filter((id) => id !== actor);

function decideHandOver(
  command: Extract<HandoverCommand, { kind: 'hand-over-shift' }>,
  context: HandoverContext,
): { refusals: Refusal[]; event: HandoverEvent } {
  const { report, now, actor } = context;
  const { incoming, notes, promises } = command;
  const { overdue } = report;
  const isUnsaid = overdue.length > 0 && notes === '';
  return {
    refusals: [
      ...requireRole(context, actor, HANDING_OVER),
      ...requireRole(context, incoming, HANDING_OVER),
      ...(incoming === actor ? [refuse('handover-to-oneself')] : []),
      ...(isUnsaid
        ? [
            refuse('handover-unsaid', {
              count: overdue.length,
              what: overdue.map(({ job = 'site', words }) => `${job} ${words}`).join('; '),
            }),
          ]
        : []),
      ...promises
        .filter(({ until }) => Date.parse(until) <= Date.parse(now))
        .map(({ what, until }) => refuse('promise-past', { what, until })),
      ...promises.flatMap(({ who }) => requireRole(context, who, [])),
    ],
    event: { ...command, kind: 'shift-handed-over', report, readers: listReaders(context) },
  };
}

function decideOn(
  record: HandoverRecord,
  command: HandoverCommand,
  context: HandoverContext,
): { refusals: Refusal[]; event: HandoverEvent } {
  switch (command.kind) {
    case 'hand-over-shift':
      return decideHandOver(command, context);
    case 'read-handover': {
      const { handover, person } = command;
      const found = record.handovers.find(({ number }) => number === handover);
      const isRead = found !== undefined && person in found.read;
      return {
        refusals: [
          ...(found ? [] : [refuse('handover-unknown', { number: handover })]),
          ...(isRead ? [refuse('handover-read-already', { person: nameOf(context, person) })] : []),
          ...requireRole(context, person, []),
        ],
        event: { ...command, kind: 'handover-read' },
      };
    }
    case 'keep-promise': {
      const found = record.promises.find(({ number }) => number === command.promise);
      return {
        refusals: [
          ...(found ? [] : [refuse('promise-unknown')]),
          ...(found?.kept ? [refuse('promise-kept-already', { what: found.what })] : []),
          ...(found && context.actor !== found.who
            ? requireRole(context, context.actor, HANDING_OVER)
            : []),
        ],
        event: { ...command, kind: 'promise-kept' },
      };
    }
  }
}

/** Decides a command about handovers: the event that follows, or every reason against it. */
export function decideHandover(
  record: HandoverRecord,
  command: HandoverCommand,
  context: HandoverContext,
): HandoverDecision {
  const { refusals, event } = decideOn(record, command, context);
  const unsigned = requireSigned(listHandoverSigners(command, context.actor), context);
  const all = [...unsigned, ...refusals];
  return all.length > 0 ? { ok: false, refusals: all } : { ok: true, event };
}
