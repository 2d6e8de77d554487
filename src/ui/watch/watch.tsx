'use client';

import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { BoardClash } from '../../core/job';
import { PAPER_KINDS, PAPERS } from '../../core/permits/papers';
import type { Board, BoardRow } from '../../core/watch';
import { LIST_CLASS } from '../kit/field';
import { useBeat } from '../shell/use-beat';
import { WatchChart } from './chart';
import { QueueList } from './queue-list';
import { SPANS, type SpanName } from './scale';
import { Legend } from './strip';
import { useMoments } from '../kit/moment';

interface Filter {
  readonly area: string;
  readonly paper: string;
  readonly contractor: string;
}

const shows = ({ area, paper, contractor }: Filter, row: BoardRow): boolean =>
  (area === '' || row.areas.includes(area)) &&
  (paper === '' || row.papers.some((kind) => kind === paper)) &&
  (contractor === '' || row.contractor === contractor);

function Pick({
  label,
  value,
  options,
  onPick,
}: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly onPick: (value: string) => void;
}) {
  return (
    <label className="flex items-center gap-1 text-sm">
      {label}
      <select
        className={`${LIST_CLASS} w-auto`}
        value={value}
        onChange={({ target }) => onPick(target.value)}
      >
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The site's time, ticking from what the server said last. */
function useNow(said: string): string {
  const [now, setNow] = useState(said);
  useEffect(() => {
    const ahead = Date.parse(said) - Date.now();
    const tick = () => setNow(new Date(Date.now() + ahead).toISOString());
    const timer = setInterval(tick, 1000);
    tick();
    return () => clearInterval(timer);
  }, [said]);
  return now;
}

/** The board, fetched anew whenever the server says that something is new. */
function useBoard(first: Board): { readonly board: Board; readonly silent: string | undefined } {
  const [board, setBoard] = useState(first);
  const silent = useBeat(({ head, now }) => {
    const skew = Date.parse(now) - Date.parse(board.now);
    // Once a minute as well, since time alone lets permits lapse and proofs run out.
    if (head === board.head && skew >= 0 && skew < 60_000) return;
    void fetch('/api/watch')
      .then((answer) => (answer.ok ? (answer.json() as Promise<Board>) : undefined))
      .then((next) => next && setBoard(next))
      .catch(() => undefined);
  });
  return { board, silent };
}

function Counts({ counts }: Pick<Board, 'counts'>) {
  const { live, suspended, lapsed, on, locks, unbalanced } = counts;
  return (
    <p className="flex flex-wrap gap-x-4 text-sm" data-testid="watch-counts">
      <span>
        <strong className="font-mono">{live}</strong> live
      </span>
      <span className={suspended > 0 ? 'font-bold text-error' : ''}>
        <strong className="font-mono">{suspended}</strong> stopped
      </span>
      <span className={lapsed > 0 ? 'font-bold text-error' : ''}>
        <strong className="font-mono">{lapsed}</strong> lapsed
      </span>
      <span>
        <strong className="font-mono">{on}</strong> people on
      </span>
      <Link href="/locks" className="underline">
        <strong className="font-mono">{locks}</strong> locks hang,{' '}
        {unbalanced === 0 ? 'locks and keys balance' : <strong>{unbalanced} do not balance</strong>}
      </Link>
    </p>
  );
}

/** Jobs that cannot be read: each may be live, and stands here with what is kept of it. */
function UnreadableList({
  jobs,
  names,
}: {
  readonly jobs: Board['unreadable'];
  readonly names: Board['names'];
}) {
  const { instant } = useMoments();
  if (jobs.length === 0) return null;
  return (
    <section aria-label="Jobs that cannot be read" className="border-l-4 border-error pl-3">
      <h2 className="font-bold">Jobs that cannot be read: look at the plant itself</h2>
      <ul>
        {jobs.map(({ id, title, why, permit, people }) => (
          <li key={id} data-unreadable={id} className="text-sm">
            <Link href={`/jobs/${id}`} className="font-mono underline">
              {id}
            </Link>{' '}
            <strong>{title}</strong>{' '}
            {permit
              ? `${permit.number}, last kept as ${permit.state}, until ${instant(permit.until)}`
              : 'no permit'}
            {people.length > 0 && `, on it: ${people.map((one) => names[one] ?? one).join(', ')}`}.{' '}
            {why}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Whether the shift has been handed over, and who has not read it. */
function HandoverLine({ handover, names }: Pick<Board, 'handover' | 'names'>) {
  const { time } = useMoments();
  const { number, at, unread, due } = handover;
  const isDue = due !== undefined;
  return (
    <p className={`text-sm ${isDue ? 'border-l-4 border-warning pl-2' : ''}`} data-handover-line>
      <Link href="/handover" className="underline">
        {isDue
          ? `The shift that began at ${time(due)} has not been handed over`
          : `Handed over${at === undefined ? '' : ` at ${time(at)}`} (H-${String(number).padStart(4, '0')})`}
      </Link>
      {!isDue && (
        <span title={unread.map((id) => names[id] ?? id).join(', ')}>
          {unread.length === 0 ? ', read by all' : `, not read by ${unread.length}`}
        </span>
      )}
    </p>
  );
}

function ClashList({ clashes }: { readonly clashes: readonly BoardClash[] }) {
  if (clashes.length === 0) return null;
  return (
    <section aria-label="In each other’s way">
      <h2 className="text-lg font-bold">In each other’s way</h2>
      <ol>
        {clashes.map(({ words, cause, suffers, accepted }, n) => (
          <li key={n} data-board-clash className="border-t border-base-300 py-1 text-sm">
            <strong className={accepted ? '' : 'text-error'}>{n + 1}</strong> {words}.{' '}
            {accepted ? 'Accepted by name. ' : ''}
            {[cause, suffers].map((job) => (
              <Link key={job} href={`/jobs/${job}`} className="mr-2 font-mono underline">
                {job}
              </Link>
            ))}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** The live picture: permits on a time scale, what needs someone next, who is in whose way. */
export function WatchScreen({ first }: { readonly first: Board }) {
  const { seconds, offset } = useMoments();
  const { board, silent } = useBoard(first);
  const now = useNow(board.now);
  const [span, setSpan] = useState<SpanName>('shift');
  const [filter, setFilter] = useState<Filter>({ area: '', paper: '', contractor: '' });
  const rows = board.rows.filter((row) => shows(filter, row));
  const shown = new Set(rows.map(({ job }) => job));
  const isAll = filter.area === '' && filter.paper === '' && filter.contractor === '';
  const clashes = board.clashes.filter(
    ({ cause, suffers }) => isAll || shown.has(cause) || shown.has(suffers),
  );
  const queue = board.queue.filter(({ job, to }) => isAll || to !== undefined || shown.has(job));
  const contractors = [...new Set(board.rows.map(({ contractor }) => contractor))].sort();
  return (
    <main className="grid gap-4 px-4 py-3 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <div className="flex min-w-0 flex-col gap-2 lg:min-h-[calc(100vh-7.5rem)]">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <h1 className="text-xl font-bold">Watch</h1>
          <Counts counts={board.counts} />
          <span className="grow" />
          {silent === undefined ? (
            <span className="text-xs" data-testid="fresh">
              ✓ up to date
            </span>
          ) : (
            <strong role="status" className="bg-error px-2 py-1 text-error-content">
              NOT UP TO DATE since {seconds(silent)} {offset(silent)}
            </strong>
          )}
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <Pick
            label="Shows"
            value={span}
            options={Object.entries(SPANS).map(([id, { words }]) => [id, words] as const)}
            onPick={(value) => setSpan(value as SpanName)}
          />
          <Pick
            label="Area"
            value={filter.area}
            options={[['', 'all'], ...board.areas.map(({ id, name }) => [id, name] as const)]}
            onPick={(area) => setFilter({ ...filter, area })}
          />
          <Pick
            label="Paper"
            value={filter.paper}
            options={[['', 'all'], ...PAPER_KINDS.map((kind) => [kind, PAPERS[kind]] as const)]}
            onPick={(paper) => setFilter({ ...filter, paper })}
          />
          <Pick
            label="Employer"
            value={filter.contractor}
            options={[['', 'all'], ...contractors.map((name) => [name, name] as const)]}
            onPick={(contractor) => setFilter({ ...filter, contractor })}
          />
          <span className="grow" />
          <HandoverLine handover={board.handover} names={board.names} />
        </div>
        <UnreadableList jobs={board.unreadable} names={board.names} />
        {rows.length === 0 ? (
          <p className="grow">
            No permit is out{isAll ? '' : ' that fits'}. Issue one at the{' '}
            <Link href="/hatch" className="underline">
              hatch
            </Link>
            , and it stands here from then on.
          </p>
        ) : (
          <WatchChart
            rows={rows}
            areas={board.areas}
            queue={queue}
            clashes={clashes}
            names={board.names}
            now={now}
            span={span}
          />
        )}
        <Legend />
        <ClashList clashes={clashes} />
      </div>
      <QueueList queue={queue} now={now} />
    </main>
  );
}
