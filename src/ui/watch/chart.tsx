'use client';

import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import type { BoardClash } from '../../core/job';
import { PAPERS } from '../../core/permits/papers';
import type { BoardRow } from '../../core/watch';
import { useMoments } from '../shell/site-moments';
import { scaleAround, type SpanName } from './scale';
import { ROW_HEIGHT, Strip } from './strip';

const AXIS = 24;
/** Room on the right for the ties of clashes. */
const TIES = 46;

function useWidth() {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(700);
  useEffect(() => {
    const box = ref.current;
    if (!box) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.max(200, Math.round(entry.contentRect.width)));
    });
    observer.observe(box);
    return () => observer.disconnect();
  }, []);
  return { ref, width };
}

/** A clash between two rows: a tie on the right, numbered as in the list below. */
function Tie({
  from,
  to,
  at,
  number,
  accepted,
}: {
  readonly from: number;
  readonly to: number;
  readonly at: number;
  readonly number: number;
  readonly accepted: boolean;
}) {
  const [y1, y2] = [from, to].map((row) => AXIS + row * ROW_HEIGHT + ROW_HEIGHT / 2) as [
    number,
    number,
  ];
  const middle = (y1 + y2) / 2;
  return (
    <g data-tie={number} className={accepted ? 'stroke-base-content' : 'stroke-error'}>
      <path
        d={`M${at},${y1} C${at + 26},${y1} ${at + 26},${y2} ${at},${y2}`}
        fill="none"
        strokeWidth={accepted ? 1 : 2.5}
        strokeDasharray={accepted ? '3 3' : undefined}
      />
      <text
        x={at + 30}
        y={middle + 4}
        textAnchor="middle"
        fontSize={12}
        fontWeight="bold"
        stroke="none"
        className={accepted ? 'fill-base-content' : 'fill-error'}
      >
        {number}
      </text>
    </g>
  );
}

/** The papers of a permit besides itself, without the word that they all share. */
const sayPapers = ({ papers }: BoardRow): string =>
  papers
    .filter((kind) => kind !== 'general')
    .map((kind) => PAPERS[kind].replace(/ (certificate|permit)$/i, ''))
    .join(', ');

function Label({ row, names }: { readonly row: BoardRow; readonly names: NamesOf }) {
  const { lamps, lit, on } = row;
  return (
    <li
      data-row={row.job}
      className="flex flex-col justify-center overflow-hidden border-t border-base-300"
      style={{ height: ROW_HEIGHT }}
    >
      <Link href={`/jobs/${row.job}`} className="truncate">
        <span className="font-mono underline">{row.number}</span> {row.title}
      </Link>
      <span className="truncate text-xs">
        {lit.length > 0 ? <strong>● {lit.length} lit</strong> : `○ all ${lamps.dark} dark`}
        {lamps.shuttered > 0 ? `, ${lamps.shuttered} shuttered` : ''};{' '}
        <strong>{on.length} on</strong>
        {on.length > 0 ? `: ${on.map((id) => names[id] ?? id).join(', ')}` : ''}
      </span>
      {/* What is lit comes before which papers it has: there is room for one of them. */}
      <span className="truncate text-xs" title={lit.join('; ')}>
        {lit.length > 0 ? <strong>lit: {lit.join(', ')}</strong> : sayPapers(row)}
      </span>
    </li>
  );
}

type NamesOf = Readonly<Record<string, string>>;

/** The permits that are out, one a row, on one time scale with the now line. */
export function WatchChart({
  rows,
  clashes,
  names,
  now,
  span,
}: {
  readonly rows: readonly BoardRow[];
  readonly clashes: readonly BoardClash[];
  readonly names: NamesOf;
  readonly now: string;
  readonly span: SpanName;
}) {
  const { clock } = useMoments();
  const { ref, width } = useWidth();
  const inner = width - TIES;
  const scale = scaleAround(now, span, inner);
  const height = AXIS + rows.length * ROW_HEIGHT;
  const nowX = scale(new Date(now));
  const rowOf = (job: string) => rows.findIndex((row) => row.job === job);
  return (
    <div className="grid grid-cols-[15rem_minmax(0,1fr)]">
      <ul style={{ paddingTop: AXIS }} aria-label="Permits that are out">
        {rows.map((row) => (
          <Label key={row.job} row={row} names={names} />
        ))}
      </ul>
      <div ref={ref}>
        <svg width={width} height={height} role="img" aria-label="Permits on a time scale">
          <defs>
            <pattern id="overrun" width={6} height={6} patternUnits="userSpaceOnUse">
              <path d="M0,6 L6,0" strokeWidth={1.5} className="stroke-error" />
            </pattern>
          </defs>
          {scale
            .ticks(Math.max(3, Math.floor(inner / 90)))
            .filter((tick) => Math.abs(scale(tick) - nowX) > 32)
            .map((tick) => (
              <g key={tick.getTime()}>
                <line
                  x1={scale(tick)}
                  x2={scale(tick)}
                  y1={AXIS - 4}
                  y2={height}
                  className="stroke-base-300"
                />
                <text
                  x={scale(tick)}
                  y={12}
                  fontSize={11}
                  textAnchor="middle"
                  className="fill-base-content font-mono"
                >
                  {clock(tick.toISOString())}
                </text>
              </g>
            ))}
          {rows.map((row, n) => (
            <g key={row.job} transform={`translate(0, ${AXIS + n * ROW_HEIGHT})`}>
              <line x1={0} x2={width} y1={0} y2={0} className="stroke-base-300" />
              <Strip row={row} scale={scale} now={now} />
            </g>
          ))}
          <line
            x1={nowX}
            x2={nowX}
            y1={AXIS - 6}
            y2={height}
            strokeWidth={2}
            className="stroke-error"
          />
          <text
            x={nowX}
            y={AXIS - 8}
            textAnchor="middle"
            fontSize={11}
            fontWeight="bold"
            className="fill-error"
          >
            now
          </text>
          {clashes.map(({ cause, suffers, accepted }, n) => {
            const [from, to] = [rowOf(cause), rowOf(suffers)];
            return from < 0 || to < 0 ? null : (
              <Tie key={n} from={from} to={to} at={inner + 2} number={n + 1} accepted={accepted} />
            );
          })}
        </svg>
      </div>
    </div>
  );
}
