import Link from 'next/link';
import { capitalise } from '../../core/text';
import type { JobRow } from '../../core/watch';
import { Beside } from '../kit/moment';
import { Standing } from '../kit/standing';

/** One cell of the list of jobs. */
export function JobCell({
  row,
  column,
  now,
}: {
  readonly row: JobRow;
  readonly column: string;
  readonly now: string;
}) {
  switch (column) {
    case 'id':
      return (
        <Link href={`/jobs/${row.id}`} className="font-mono underline">
          {row.id}
        </Link>
      );
    case 'title':
      return <span className="font-bold">{row.title}</span>;
    case 'equipment':
      return <span className="font-mono">{row.equipment}</span>;
    case 'stands':
      return <Standing words={row.stands} />;
    case 'until':
      return row.until === undefined ? null : <Beside at={row.until} now={now} />;
    case 'next':
      return row.next === undefined ? null : (
        <span title={row.next.what} className="line-clamp-2">
          <span className={row.next.urgency === 'now' ? 'font-bold text-error' : ''}>
            {capitalise(row.next.what)}
          </span>{' '}
          <span className="text-xs">({row.next.who})</span>
        </span>
      );
    default:
      return column === 'area' ? row.area : row.employer;
  }
}
