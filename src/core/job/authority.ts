import { isFluid, type PlantGraph } from '../plant';
import { findAuthorisation, ROLE_NAMES, type Role } from '../people/people';
import { refuse, type Refusal } from '../rules/refuse';
import type { Step } from '../sequence';
import type { Command } from './commands';
import { DEVICE_COMMANDS } from './commands-air';
import { listSigners } from './signers';
import type { Context } from './site';
import { requireVoltage } from './voltage';

const ISOLATING: readonly Role[] = [
  'isolating-electrical',
  'isolating-mechanical',
  'isolating-process',
];

function disciplineOfSection(graph: PlantGraph, section: string): Role {
  const energy = graph.medium[graph.sectionAt.get(section) ?? -1]?.energy ?? 'electrical';
  if (energy === 'electrical') return 'isolating-electrical';
  return isFluid(energy) ? 'isolating-process' : 'isolating-mechanical';
}

/** Who isolates a link, an outlet or a store. */
export function disciplineOf(graph: PlantGraph, id: string): Role {
  if (graph.linkAt.has(id)) return disciplineOfLink(graph, id);
  return graph.outletAt.has(id) ? disciplineOfOutlet(graph, id) : disciplineOfStore(graph, id);
}

export function disciplineOfLink(graph: PlantGraph, id: string): Role {
  const link = graph.links[graph.linkAt.get(id) ?? -1];
  return disciplineOfSection(graph, link?.between[0] ?? '');
}

function disciplineOfOutlet(graph: PlantGraph, id: string): Role {
  const outlet = graph.outlets[graph.outletAt.get(id) ?? -1];
  return disciplineOfSection(graph, outlet?.section ?? '');
}

/** Who holds a store, or a shaft that is named by its pump. */
function disciplineOfStore(graph: PlantGraph, id: string): Role {
  if (graph.linkAt.has(id)) return 'isolating-mechanical';
  const placed = graph.stores[graph.storeAt.get(id) ?? -1];
  return disciplineOfSection(graph, graph.sections[placed?.section ?? -1]?.id ?? '');
}

const rolesToProve = (proof: string): readonly Role[] => {
  if (proof.startsWith('voltage:')) return ['isolating-electrical'];
  if (proof.startsWith('motion:')) return ['isolating-mechanical', 'isolating-electrical'];
  return ['isolating-process'];
};

/** Who tells those affected, and who tries to start. */
const TO_TELL: readonly Role[] = ['area-operator', 'coordinator'];
const TO_TRY: readonly Role[] = ['area-operator', ...ISOLATING];

/** Roles of which whoever does a step of the work order must hold at least one. */
export function listRolesForStep(
  graph: PlantGraph,
  { phase, subject }: Pick<Step, 'phase' | 'subject'>,
): readonly Role[] {
  switch (phase) {
    case 'tell':
      return TO_TELL;
    case 'stop':
      return ['area-operator'];
    case 'try-start':
      return TO_TRY;
    case 'prove':
      return rolesToProve(subject);
    case 'let-down':
    case 'earth':
      return [disciplineOfOutlet(graph, subject)];
    case 'restrain':
    case 'wait':
      return [disciplineOfStore(graph, subject)];
    default:
      return [disciplineOfLink(graph, subject)];
  }
}

/** Roles of which the one who acts must hold at least one; empty when anyone signed in may. */
export function listRolesFor(command: Command, graph: PlantGraph): readonly Role[] {
  switch (command.kind) {
    case 'raise-job':
    case 'draft-plan':
    case 'set-grade':
    case 'submit-plan':
    case 'choose-lockout':
    case 'renew-lock':
    case 'lock-box':
    case 'hang-incoming':
    case 'take-off-control':
    case 'open-box':
    case 'close-job':
      return ['coordinator'];
    case 'return-plan':
    case 'accept-plan':
      return ['coordinator', 'issuing-authority', ...ISOLATING];
    case 'check-label':
      return ['area-operator', 'coordinator', ...ISOLATING];
    case 'note-calculation':
      return ['coordinator', 'issuing-authority', ...ISOLATING];
    case 'tell-affected':
      return TO_TELL;
    case 'run-test':
    case 'stop-plant':
    case 'walk-lineup':
    case 'see-start':
    case 'take-back':
      return ['area-operator'];
    case 'leak-test':
      return ['area-operator', 'isolating-process', 'isolating-mechanical'];
    case 'allow-bypass':
      return ['issuing-authority', 'site-manager'];
    case 'inspect-isolation':
      return ['coordinator', 'area-operator', ...ISOLATING];
    case 'lock-point':
    case 'tag-point':
    case 'replace-lock':
    case 'see-open':
    case 'unlock-point':
      return [disciplineOfLink(graph, command.link)];
    case 'open-outlet':
    case 'close-outlet':
      return [disciplineOfOutlet(graph, command.outlet)];
    case 'count-earths':
      return ['isolating-electrical'];
    case 'restrain-store':
    case 'wait-out-store':
    case 'free-store':
      return [disciplineOfStore(graph, command.store)];
    case 'prove':
      return rolesToProve(command.proof);
    case 'try-start':
      return TO_TRY;
    case 'screen-job':
    case 'cancel-permit':
      return ['coordinator', 'issuing-authority'];
    case 'plan-run-up':
    case 'drop-run-up':
      return ['coordinator', 'area-operator'];
    case 'schedule-job':
    case 'change-scope':
    case 'take-over-names':
      return ['coordinator'];
    case 'ask-clearance':
    case 'take-clearance':
    case 'return-clearance':
      return ['coordinator', 'issuing-authority', 'isolating-electrical'];
    case 'plan-clearing':
      return ['coordinator', 'issuing-authority', 'performing-authority', 'isolating-process'];
    case 'walk-line':
    case 'read-line':
    case 'see-pig':
    case 'free-pig':
      return ['performing-authority', 'isolating-process', 'area-operator', 'coordinator'];
    case 'approve-gas-test':
      return ['site-manager', 'issuing-authority'];
    case 'allow-pressure-repair':
      return ['site-manager'];
    case 'hold-briefing':
    case 'brief-latecomer':
      return ['performing-authority', 'issuing-authority', 'coordinator'];
    case 'count-joints':
    case 'set-barriers':
      return [
        'performing-authority',
        'area-operator',
        'issuing-authority',
        'coordinator',
        ...ISOLATING,
      ];
    case 'name-team':
    case 'assess-task':
    case 'give-copy':
    case 'take-in-copy':
    case 'take-duty':
      return ['coordinator', 'issuing-authority', 'performing-authority'];
    case 'extend-permit':
    case 'revalidate-permit':
    case 'lift-stop':
    case 'accept-clash':
    case 'share-fire-watch':
    case 'approve-permit':
    case 'issue-permit':
    case 'close-permit':
    case 'sign-on':
    case 'hang-crew-lock':
    case 'show-bounds':
    case 'sanction-test':
      return ['issuing-authority'];
    case 'test-air':
      return ['gas-tester'];
    case 'plan-entry':
      return ['coordinator', 'issuing-authority', 'performing-authority'];
    case 'check-space':
    case 'open-space':
    case 'pump-out':
    case 'start-purge':
    case 'end-purge':
    case 'stop-purge':
      return ['performing-authority', 'attendant', 'area-operator', 'issuing-authority'];
    case 'enter-space':
    case 'call-in':
      return ['attendant'];
    // Whoever runs the job and sees someone outside ticks them out at once; nobody ticks out themselves.
    case 'leave-space':
      return ['attendant', 'coordinator', 'issuing-authority', 'performing-authority'];
    case 'check-cylinders':
    case 'brief-watch':
    case 'ask-cold':
    case 'clear-neighbour':
      return ['coordinator', 'issuing-authority', 'performing-authority', 'fire-watch'];
    case 'place-monitors':
    case 'place-detector':
    case 'take-detector':
      return ['gas-tester'];
    case 'take-out-blanks':
      return ['isolating-process', 'isolating-mechanical'];
    case 'audit-permit':
      return ['auditor', 'coordinator', 'issuing-authority', 'area-operator', 'site-manager'];
    case 'clear-alarm':
      return ['coordinator', 'issuing-authority', ...ISOLATING];
    case 'chain-hasp':
      return ['coordinator', 'issuing-authority', ...ISOLATING];
    case 'hand-back':
      return ['performing-authority'];
    case 'tell-absent-owner':
      return ['coordinator', 'issuing-authority', 'site-manager', ...ISOLATING];
    // Whoever uses it looks at it; anyone may take out what is unfit.
    case 'check-kit':
    case 'fail-kit':
    // Whoever is named for it, or the two between whom a message goes: the decider asks. Anyone may say that a pig stands.
    case 'launch-pig':
    case 'pig-arrived':
    case 'pig-stuck':
    case 'send-message':
    case 'read-back':
    case 'begin-run-up':
    case 'finish-run-up':
    // The plant is given over by operations, and back by whoever had it: the decider asks.
    case 'call-window':
    // Only the lead of a firm: the decider asks which firm it is.
    case 'see-points':
    case 'take-watch':
    case 'end-watch':
    // Anyone may stop the work, or show what they see.
    case 'stop-work':
    case 'add-photo':
    case 'raise-alarm':
    case 'report-lock':
      return [];
    // A detector speaks for itself: the decider asks whether it stands here.
    case 'report-air':
    case 'report-fault':
    case 'hear-detector':
    // Whoever has the watch: the decider asks.
    case 'end-fire-watch':
    case 'make-round':
    case 'hand-over-watch':
    case 'sign-off':
    case 'leave-duty':
    case 'take-off-crew-lock':
    case 'lift-for-test':
    // Who may depends on the lock or the finding: the decider asks.
    case 'finish-follow-up':
    case 'remove-absent-lock':
      return [];
  }
}

/** Refuses for each of those who have to sign and have not. */
export const requireSigned = (
  signers: readonly string[],
  context: Pick<Context, 'site' | 'signed'>,
): Refusal[] =>
  [...new Set(signers)]
    .filter((person) => !context.signed.has(person))
    .map((person) =>
      refuse('signature-missing', { person: context.site.people.get(person)?.name ?? person }),
    );

/** The same facts where somebody has to be authorised in one of some areas; anywhere, where there are none. */
export const within = <Facts extends object>(
  facts: Facts,
  areas: readonly string[],
): Facts & Pick<Context, 'where'> =>
  areas.length === 0 ? facts : { ...facts, where: { areas, needs: 'one' } };

/** Refuses someone who holds none of the roles; says so when an authorisation has only lapsed. */
export function requireRole(
  context: Pick<Context, 'site' | 'now' | 'where'>,
  person: string,
  roles: readonly Role[],
): Refusal[] {
  const known = context.site.people.get(person);
  if (known === undefined) return [refuse('person-unknown', { person })];
  if (roles.length === 0) return [];
  const { now, where } = context;
  const held = roles.map((role) => ({ role, is: findAuthorisation(known, role, now, where) }));
  if (held.some(({ is }) => is === 'held')) return [];
  const away = held.find(({ is }) => is === 'elsewhere');
  if (away) {
    const facts = { person: known.name, role: ROLE_NAMES[away.role] };
    return [refuse('authorised-elsewhere', { ...facts, areas: (where?.areas ?? []).join(', ') })];
  }
  const lapsed = held.find(({ is }) => is === 'lapsed');
  if (lapsed) {
    return [refuse('authorisation-lapsed', { person: known.name, role: ROLE_NAMES[lapsed.role] })];
  }
  const role = roles.map((one) => ROLE_NAMES[one]).join(' or ');
  return [refuse('role-missing', { person: known.name, role })];
}

/** Refuses a command from someone who may not give it, or without every signature. */
export function requireAuthority(command: Command, context: Context): Refusal[] {
  const isDevice = context.device !== undefined && DEVICE_COMMANDS.includes(command.kind);
  return [
    ...(isDevice
      ? []
      : [
          ...requireRole(context, context.actor, listRolesFor(command, context.site.graph)),
          ...requireVoltage(command, context),
        ]),
    ...requireSigned(listSigners(command, context.actor), context),
  ];
}
