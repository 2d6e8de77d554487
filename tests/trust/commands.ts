import { ALL_ROWS } from '../support/refusal-rows';
import {
  commandSchema,
  decideJob,
  listRolesFor,
  type Command,
  type Context,
  type DossierState,
} from '../../src/core/job';
import { DEVICE_COMMANDS } from '../../src/core/job';
import { findAuthorisation } from '../../src/core/people/people';
import { ISSUED_WITH, LIVE, nobody, site, START, WALKED } from '../support/seal-change';

/** What the matrix of commands, people and states counted. */
export interface CommandCount {
  readonly tried: number;
  /** Kinds of command without a sample. */
  readonly unsampled: readonly string[];
  /** Commands that were allowed to someone without the role, or that threw. */
  readonly wrong: readonly string[];
}

/** Commands that no row of refusals gives. */
const FURTHER: readonly Command[] = [
  { kind: 'tell-affected', who: 'the control room' },
  { kind: 'try-start', station: 'local start station P-201', moved: false },
  { kind: 'count-earths', counted: 0 },
  { kind: 'see-open', link: 'HV-2002', found: 'open', note: '' },
  {
    kind: 'allow-bypass',
    device: 'RV-2001',
    until: '2026-12-01T00:00:00.000Z',
    standsIn: 'a watch',
    reason: 'worn',
  },
  { kind: 'inspect-isolation', seen: 'all as it was' },
];

/** A sample of each kind of command, from the rows that test their refusals. */
function listSamples(): Map<string, Command> {
  const ofRows = ALL_ROWS.map(([, , , command]) => command);
  return new Map([...FURTHER, ...ofRows].map((command) => [command.kind, command]));
}

/** Gives every command as everybody in several states of a job: nobody does what their role, in force now, does not let them. */
export function commandMatrix(): CommandCount {
  const samples = listSamples();
  const kinds = commandSchema.options.map((one) => one.shape.kind.value as string);
  const states: readonly DossierState[] = [undefined, WALKED(), LIVE(), ISSUED_WITH('spark')];
  const wrong: string[] = [];
  let tried = 0;
  for (const [kind, command] of samples) {
    const roles = listRolesFor(command, site.graph);
    for (const person of site.people.values()) {
      const mayAct = roles.length === 0 || roles.some((role) => findAuthorisation(person, role, START) === 'held'); // prettier-ignore
      for (const state of states) {
        tried += 1;
        const context: Context = { jobId: 'J-0001', now: START, actor: person.id, signed: new Set(site.people.keys()), site, others: nobody }; // prettier-ignore
        try {
          const decision = decideJob(state, command, context);
          if (decision.ok && (!mayAct || DEVICE_COMMANDS.includes(kind)))
            wrong.push(`${kind} by ${person.id}`);
        } catch (error) {
          wrong.push(`${kind} by ${person.id} threw ${String(error)}`);
        }
      }
    }
  }
  return { tried, unsampled: kinds.filter((kind) => !samples.has(kind)), wrong };
}
