import Link from 'next/link';
import { PAPERS } from '../../core/permits/papers';
import type { BoardRow } from '../../core/watch';
import type { LampState } from '../../core/job';
import { LampSign } from '../kit/lamp';
import { useMoments } from '../kit/moment';

export type NamesOf = Readonly<Record<string, string>>;

/** So many lamps are drawn one by one; more are counted. */
const MOST_LAMPS = 10;

/** The papers of a permit besides itself, without the word that they all share. */
const sayPapers = ({ papers }: BoardRow): string =>
  papers
    .filter((kind) => kind !== 'general')
    .map((kind) => PAPERS[kind].replace(/ (certificate|permit)$/i, ''))
    .join(', ');

const STATES: readonly LampState[] = ['lit', 'shuttered', 'dark'];

/** The lamps of a job in a row, the lit ones first. */
function LampStrip({ lamps, lit }: Pick<BoardRow, 'lamps' | 'lit'>) {
  const all = STATES.flatMap((state) => Array.from({ length: lamps[state] }, () => state));
  const words = STATES.flatMap((state) => (lamps[state] > 0 ? [`${lamps[state]} ${state}`] : []));
  return (
    <span
      className="flex shrink-0 items-center"
      title={lit.length > 0 ? lit.join('; ') : undefined}
    >
      <span aria-hidden className="flex">
        {all.slice(0, MOST_LAMPS).map((state, n) => (
          <LampSign key={n} state={state} size={15} />
        ))}
      </span>
      <span className="ml-1 text-xs">{words.join(', ')}</span>
    </span>
  );
}

/** How a permit stands and for how long. */
function Stands({ row, now }: { readonly row: BoardRow; readonly now: string }) {
  const { until } = useMoments();
  const { state, until: end, watchedUntil } = row;
  const grave = 'bg-error px-1 font-bold text-error-content';
  switch (state) {
    case 'suspended':
      return <span className={grave}>STOPPED</span>;
    case 'lapsed':
      return <span className={grave}>LAPSED {until(end, now)}</span>;
    case 'watched':
      return <span>fire watch ends {until(watchedUntil ?? end, now)}</span>;
    case 'handed-back':
      return <span>handed back</span>;
    default:
      return <span>ends {until(end, now)}</span>;
  }
}

/** What a row of the board is about: number, title, place, state, lamps, people. */
export function RowLabel({
  row,
  now,
  names,
  height,
}: {
  readonly row: BoardRow;
  readonly now: string;
  readonly names: NamesOf;
  readonly height: number;
}) {
  const { job, number, title, equipment, on, lamps, lit } = row;
  const people = on.map((id) => names[id] ?? id).join(', ');
  const papers = sayPapers(row);
  return (
    <li
      data-row={job}
      className="flex flex-col justify-center gap-0.5 overflow-hidden border-t border-base-300 pr-2"
      style={{ height }}
    >
      <Link href={`/jobs/${job}`} className="flex items-baseline gap-2">
        <span className="font-mono underline">{number}</span>
        <span className="truncate font-bold">{title}</span>
      </Link>
      <span className="flex items-baseline gap-2 text-xs">
        <span className="font-mono">{equipment}</span>
        {papers !== '' && <span className="truncate">{papers}</span>}
        <span className="ml-auto whitespace-nowrap">
          <Stands row={row} now={now} />
        </span>
      </span>
      <span className="flex items-center gap-2">
        <LampStrip lamps={lamps} lit={lit} />
        <span className="truncate text-xs" title={people}>
          <strong>{on.length} on</strong>
          {on.length > 0 ? `: ${people}` : ''}
        </span>
      </span>
      {lit.length > 0 && (
        <span className="truncate text-xs font-bold text-warning">lit: {lit.join(', ')}</span>
      )}
    </li>
  );
}
