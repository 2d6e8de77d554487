import type { Mark } from '../job/mark';
import type { SiteFacts } from '../job/site';
import type { NumberedTag } from '../job/tags';
import type { Grade, IsolationPlan, Scope } from '../plant';
import type { RestoreStep } from '../sequence';
import type { ProcedureCommand } from './commands';
import { numbered } from '../text';

type Of<Kind extends ProcedureCommand['kind']> = Extract<ProcedureCommand, { kind: Kind }>;
type Body<Kind extends ProcedureCommand['kind']> = Omit<Of<Kind>, 'kind'>;

/** What a procedure says: the work that it is for, the points, the order of work, what proves it, the way back. */
export interface ProcedureText {
  readonly equipment: string;
  readonly scope: Scope;
  readonly grades: Readonly<Record<string, Grade>>;
  readonly plan: IsolationPlan;
  /** The version of the drawing that it stands on. */
  readonly plantVersion: number;
  readonly steps: readonly { readonly subject: string; readonly words: string }[];
  readonly proofs: readonly {
    readonly section: string;
    readonly reads: string;
    readonly why: string;
  }[];
  readonly restore: readonly { readonly subject: string; readonly kind: RestoreStep['kind'] }[];
  /** Where a lock and a tag hang, by the number in the order of work. */
  readonly tags: readonly Pick<NumberedTag, 'number' | 'point' | 'held'>[];
}

/** What happened to procedures, in the past tense. */
export type ProcedureEvent =
  | ({ readonly kind: 'procedure-written'; readonly text: ProcedureText } & Body<'write-procedure'>)
  | ({ readonly kind: 'procedure-renewed'; readonly text: ProcedureText } & Body<'renew-procedure'>)
  | ({ readonly kind: 'procedure-inspected'; readonly version: number } & Body<'inspect-procedure'>)
  | ({ readonly kind: 'procedure-withdrawn' } & Body<'withdraw-procedure'>);

/** One version of a procedure: who wrote it when, from which job, and why it is another than before. */
export interface ProcedureVersion extends Mark {
  readonly job: string;
  readonly note: string;
  readonly text: ProcedureText;
}

/** That somebody looked at how a procedure is used, with those who use it, and what was put right. */
export interface ProcedureInspection extends Mark {
  readonly version: number;
  readonly users: readonly string[];
  readonly found: 'followed' | 'differs';
  readonly seen: string;
  readonly putRight: string;
}

/** The procedure of an equipment and a task, with every version, oldest first; a version is known by its place, from 1 on. */
export interface Procedure {
  readonly number: number;
  readonly task: string;
  readonly versions: readonly [ProcedureVersion, ...ProcedureVersion[]];
  readonly inspections: readonly ProcedureInspection[];
  readonly withdrawn?: Mark & { readonly why: string };
}

/** Every procedure that was ever written, by its number less one. */
export type ProcedureRecord = readonly Procedure[];
export const NO_PROCEDURES: ProcedureRecord = [];

/** "PR-0003": a procedure by its number, as it is spoken of and printed. */
export const nameProcedure = (number: number): string => numbered('PR', number);

/** The version of a procedure that counts, and its number. */
export function newestOf({ versions }: Procedure): ProcedureVersion & { readonly version: number } {
  const last = versions[versions.length - 1] ?? versions[0];
  return { ...last, version: versions.length };
}

const change = (
  record: ProcedureRecord,
  number: number,
  to: (one: Procedure) => Procedure,
): ProcedureRecord => record.map((one) => (one.number === number ? to(one) : one));

/** The record after an event; one about a procedure that nobody wrote changes nothing. */
export function evolveProcedures(
  record: ProcedureRecord,
  event: ProcedureEvent,
  mark: Mark,
): ProcedureRecord {
  switch (event.kind) {
    case 'procedure-written': {
      const { job, note, text, task, procedure } = event;
      const version = { ...mark, job, note, text };
      return procedure === undefined
        ? [...record, { number: record.length + 1, task, versions: [version], inspections: [] }]
        : change(record, procedure, (one) => ({
            ...one,
            task,
            versions: [...one.versions, version],
          }));
    }
    case 'procedure-renewed': {
      const { note, text } = event;
      return change(record, event.procedure, (one) => {
        const version = { ...mark, job: newestOf(one).job, note, text };
        return { ...one, versions: [...one.versions, version] };
      });
    }
    case 'procedure-inspected': {
      const { version, users, found, seen, putRight } = event;
      const inspection = { ...mark, version, users, found, seen, putRight };
      return change(record, event.procedure, (one) => ({
        ...one,
        inspections: [...one.inspections, inspection],
      }));
    }
    case 'procedure-withdrawn':
      return change(record, event.procedure, (one) => ({
        ...one,
        withdrawn: { ...mark, why: event.why },
      }));
  }
}

const DAY_MS = 86_400_000;

/**
 * By when a procedure has to be inspected (ISO 8601, UTC): so many days after it was first written or last inspected. Source: 29 CFR 1910.147(c)(6)(i), at least
 * annually.
 */
export function findInspectionEnd({ versions, inspections }: Procedure, days: number): string {
  const from = inspections.at(-1)?.at ?? versions[0].at;
  return new Date(Date.parse(from) + days * DAY_MS).toISOString();
}

/** The procedures as a job may take them over: each with its newest version and by when it has to be inspected. */
export const listTakeable = (
  record: ProcedureRecord,
  days: number,
): NonNullable<SiteFacts['procedures']> =>
  record.map((one) => {
    const { version, text } = newestOf(one);
    const { number, withdrawn } = one;
    return {
      number,
      version,
      equipment: text.equipment,
      due: findInspectionEnd(one, days),
      ...(withdrawn ? { withdrawn: withdrawn.why } : {}),
    };
  });

/** People whose fresh PIN a command needs: whoever gives it. */
export const listProcedureSigners = (_command: ProcedureCommand, actor: string) => [actor];
