import Link from 'next/link';
import {
  HANDOVER_PART_NAMES,
  HANDOVER_PARTS,
  type HandoverLine,
  type HandoverReport,
} from '../../core/handover/parts';
import { Instant } from '../shell/site-moments';

function Line({
  line,
  names,
}: {
  readonly line: HandoverLine;
  readonly names: Readonly<Record<string, string>>;
}) {
  const { job, words, until, people = [] } = line;
  return (
    <li className="flex flex-wrap gap-x-2 border-t border-base-300 py-1 text-sm">
      {job !== undefined && (
        <Link href={`/jobs/${job}`} className="font-mono underline">
          {job}
        </Link>
      )}
      <span className="grow">{words}</span>
      {people.length > 0 && <span>{people.map((id) => names[id] ?? id).join(', ')}</span>}
      {until !== undefined && (
        <span className="font-mono">
          <Instant at={until} />
        </span>
      )}
    </li>
  );
}

/** What one shift hands to the next, part by part; also the parts with nothing in them, so that nothing is taken as left out. */
export function ReportView({
  report,
  names,
}: {
  readonly report: HandoverReport;
  readonly names: Readonly<Record<string, string>>;
}) {
  return (
    <div className="flex flex-col gap-3">
      {HANDOVER_PART_NAMES.map((part) => (
        <section key={part} data-part={part} aria-label={HANDOVER_PARTS[part]}>
          <h3
            className={`font-bold ${part === 'overdue' && report[part].length > 0 ? 'text-error' : ''}`}
          >
            {HANDOVER_PARTS[part]}: {report[part].length === 0 ? 'none' : report[part].length}
          </h3>
          <ul>
            {report[part].map((line, n) => (
              <Line key={n} line={line} names={names} />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
