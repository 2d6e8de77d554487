'use client';

import { useEffect, useRef, useState } from 'react';
import type { BoardClash } from '../../core/job';
import type { Board, BoardRow, NextUp } from '../../core/watch';
import { useMoments } from '../kit/moment';
import { DUE_HEIGHT, DueLane } from './due-lane';
import { RowLabel, type NamesOf } from './row-label';
import { HEADING, layRows } from './rows';
import { scaleAround, type SpanName } from './scale';
import { Strip } from './strip';

/** Room for the hours at the top, and below them for what is due. */
const AXIS = 24;
const TOP = AXIS + DUE_HEIGHT;
/** Room on the right for the ties of clashes. */
const TIES = 46;

function useSize() {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 700, height: 400 });
  useEffect(() => {
    const box = ref.current;
    if (!box) return;
    const observer = new ResizeObserver(() =>
      setSize({ width: Math.max(200, box.clientWidth), height: box.clientHeight }),
    );
    observer.observe(box);
    return () => observer.disconnect();
  }, []);
  return { ref, ...size };
}

/** A clash between two rows (where they lie, pixels): a tie on the right, numbered as in the list below. */
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
  const middle = (from + to) / 2;
  return (
    <g data-tie={number} className={accepted ? 'stroke-base-content' : 'stroke-error'}>
      <path
        d={`M${at},${from} C${at + 26},${from} ${at + 26},${to} ${at},${to}`}
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

/** The hours over the board, all but those under the now line. */
function Hours({
  scale,
  nowX,
  inner,
  height,
}: {
  readonly scale: ReturnType<typeof scaleAround>;
  readonly nowX: number;
  readonly inner: number;
  readonly height: number;
}) {
  const { clock } = useMoments();
  return scale
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
          y={14}
          fontSize={12}
          textAnchor="middle"
          className="fill-base-content font-mono"
        >
          {clock(tick.toISOString())}
        </text>
      </g>
    ));
}

/** The permits that are out, by area, one a row, on one time scale with the now line; above them what is due in the hours ahead. */
export function WatchChart({
  rows,
  areas,
  queue,
  clashes,
  names,
  now,
  span,
}: {
  readonly rows: readonly BoardRow[];
  readonly areas: Board['areas'];
  readonly queue: readonly NextUp[];
  readonly clashes: readonly BoardClash[];
  readonly names: NamesOf;
  readonly now: string;
  readonly span: SpanName;
}) {
  const { clock } = useMoments();
  const { ref, width, height: room } = useSize();
  const inner = width - TIES;
  const scale = scaleAround(now, span, inner);
  const { lines, rowHeight, height: tall } = layRows(rows, areas, room - TOP - 4);
  const height = Math.max(TOP + tall, room - 4);
  const nowX = scale(new Date(now));
  const middleOf = (job: string) => {
    const line = lines.find((one) => one.kind === 'permit' && one.row.job === job);
    return line && TOP + line.top + rowHeight / 2;
  };
  return (
    <div className="grid grow grid-cols-[19rem_minmax(0,1fr)] max-sm:grid-cols-1">
      <div>
        <p className="flex items-end pb-1 text-sm font-bold max-sm:hidden" style={{ height: TOP }}>
          What is due
        </p>
        <ul aria-label="Permits that are out">
          {lines.map((line) =>
            line.kind === 'area' ? (
              <li
                key={line.id}
                className="flex items-center bg-base-200 px-2 text-sm font-bold"
                style={{ height: HEADING }}
              >
                {line.name}
              </li>
            ) : (
              <RowLabel
                key={line.row.job}
                row={line.row}
                now={now}
                names={names}
                height={rowHeight}
              />
            ),
          )}
        </ul>
      </div>
      <div ref={ref} className="max-sm:hidden">
        <svg width={width} height={height} role="img" aria-label="Permits on a time scale">
          <defs>
            <pattern id="overrun" width={6} height={6} patternUnits="userSpaceOnUse">
              <path d="M0,6 L6,0" strokeWidth={1.5} className="stroke-error" />
            </pattern>
          </defs>
          <rect width={nowX} y={AXIS} height={height - AXIS} className="fill-base-200/60" />
          <Hours scale={scale} nowX={nowX} inner={inner} height={height} />
          <g transform={`translate(0,${AXIS})`}>
            <DueLane queue={queue} scale={scale} />
          </g>
          {lines.map((line) =>
            line.kind === 'area' ? (
              <rect
                key={line.id}
                y={TOP + line.top}
                width={width}
                height={HEADING}
                className="fill-base-200"
              />
            ) : (
              <g key={line.row.job} transform={`translate(0, ${TOP + line.top})`}>
                <line x1={0} x2={width} y1={0} y2={0} className="stroke-base-300" />
                <g transform={`translate(0, ${(rowHeight - 56) / 2})`}>
                  <Strip row={line.row} scale={scale} now={now} />
                </g>
              </g>
            ),
          )}
          <line
            x1={nowX}
            x2={nowX}
            y1={AXIS - 6}
            y2={height}
            strokeWidth={2}
            className="stroke-base-content"
          />
          <text
            x={nowX}
            y={14}
            textAnchor="middle"
            fontSize={12}
            fontWeight="bold"
            className="fill-base-content font-mono"
          >
            {clock(now)}
          </text>
          {clashes.map(({ cause, suffers, accepted }, n) => {
            const [from, to] = [middleOf(cause), middleOf(suffers)];
            return from === undefined || to === undefined ? null : (
              <Tie key={n} from={from} to={to} at={inner + 2} number={n + 1} accepted={accepted} />
            );
          })}
        </svg>
      </div>
    </div>
  );
}
