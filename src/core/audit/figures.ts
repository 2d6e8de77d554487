import { AUDIT_CODES, type AuditCode, type AuditFindings, type FollowUp } from './checks';

/** A check as the figures need it: on which permit, by whom, when, what was found, and which follow-ups are done. */
export interface AuditEntry extends AuditFindings {
  readonly job: string;
  readonly permit: string;
  readonly by: string;
  /** ISO 8601, UTC. */
  readonly at: string;
  /** When each follow-up was done (ISO 8601, UTC), by its question. */
  readonly done: Readonly<Partial<Record<AuditCode, { readonly at: string }>>>;
}

/** A follow-up of a check, and whether it is done or overdue. */
export interface FollowUpLine extends FollowUp {
  readonly job: string;
  readonly permit: string;
  /** Which check of the job it is from, from 0. */
  readonly audit: number;
  readonly code: AuditCode;
  readonly state: 'open' | 'overdue' | 'done';
}

/** One month of checks. Shares are of 1. */
export interface AuditMonth {
  /** "2026-11". */
  readonly month: string;
  readonly audits: number;
  /** Permits issued in that month. */
  readonly issued: number;
  /** Questions that were looked at, and those found as written. */
  readonly looked: number;
  readonly asWritten: number;
}

/** Figures of the checks over time. */
export interface AuditFigures {
  readonly months: readonly AuditMonth[];
  /** How often each question differed, the most frequent first. */
  readonly differs: readonly {
    readonly code: AuditCode;
    readonly times: number;
    readonly of: number;
  }[];
}

const monthOf = (at: string): string => at.slice(0, 7);

function countMonth(month: string, entries: readonly AuditEntry[], issued: number): AuditMonth {
  const answers = entries.flatMap(({ answers: all }) => Object.values(all));
  return {
    month,
    audits: entries.length,
    issued,
    looked: answers.filter(({ found }) => found !== 'not-seen').length,
    asWritten: answers.filter(({ found }) => found === 'as-written').length,
  };
}

/** Every month from the first to the last given, also those without anything. */
function listMonths(first: string, last: string): string[] {
  const months: string[] = [];
  let [year = 0, month = 0] = first.split('-').map(Number);
  while (months.at(-1) !== last) {
    months.push(`${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}`);
    [year, month] = month === 12 ? [year + 1, 1] : [year, month + 1];
  }
  return months;
}

/** Counts checks by month and by question. `issued` holds how many permits were issued, by month ("2026-11"). */
export function computeFigures(
  entries: readonly AuditEntry[],
  issued: Readonly<Record<string, number>>,
): AuditFigures {
  const known = [...entries.map(({ at }) => monthOf(at)), ...Object.keys(issued)].sort();
  const [first] = known;
  const last = known.at(-1);
  const months =
    first === undefined || last === undefined
      ? []
      : listMonths(first, last).map((month) =>
          countMonth(
            month,
            entries.filter(({ at }) => monthOf(at) === month),
            issued[month] ?? 0,
          ),
        );
  const differs = AUDIT_CODES.map((code) => {
    const all = entries.flatMap(({ answers }) => answers[code] ?? []);
    return {
      code,
      times: all.filter(({ found }) => found === 'differs').length,
      of: all.filter(({ found }) => found !== 'not-seen').length,
    };
  })
    .filter(({ times }) => times > 0)
    .sort((a, b) => b.times - a.times);
  return { months, differs };
}

/** The follow-ups of the checks of one job, as they stand at `now`. */
export const listFollowUps = (entries: readonly AuditEntry[], now: string): FollowUpLine[] =>
  entries.flatMap(({ job, permit, answers, done }, audit) =>
    AUDIT_CODES.flatMap((code): FollowUpLine[] => {
      const followUp = answers[code]?.followUp;
      if (!followUp) return [];
      const isOver = Date.parse(followUp.until) < Date.parse(now);
      const state = done[code] ? 'done' : isOver ? 'overdue' : 'open';
      return [{ ...followUp, job, permit, audit, code, state }];
    }),
  );
