import Link from 'next/link';
import {
  HANDOVER_PART_NAMES,
  HANDOVER_PARTS,
  type HandoverLine,
  type HandoverReport,
} from '../../core/handover/parts';
import { Instant } from '../kit/moment';

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
  const filled = HANDOVER_PART_NAMES.filter((part) => report[part].length > 0);
  const empty = HANDOVER_PART_NAMES.filter((part) => report[part].length === 0);
  return (
    <div className="flex flex-col gap-3">
      {filled.map((part) => (
        <section
          key={part}
          data-part={part}
          aria-label={HANDOVER_PARTS[part]}
          className={`rounded-box bg-base-200 p-3 ${part === 'overdue' ? 'border-l-4 border-error' : ''}`}
        >
          <h2 className={`font-bold ${part === 'overdue' ? 'text-error' : ''}`}>
            {HANDOVER_PARTS[part]}{' '}
            <span className="font-mono text-sm font-normal">({report[part].length})</span>
          </h2>
          <ul>
            {report[part].map((line, n) => (
              <Line key={n} line={line} names={names} />
            ))}
          </ul>
        </section>
      ))}
      {empty.length > 0 && (
        <p className="text-sm">
          <strong>None of these:</strong>{' '}
          {empty.map((part) => HANDOVER_PARTS[part].toLowerCase()).join('; ')}.
        </p>
      )}
    </div>
  );
}
