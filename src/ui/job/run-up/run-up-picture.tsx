'use client';

import { scaleUtc } from 'd3';
import type { RunUpView } from '../../../core/job';
import { useMoments } from '../../kit/moment';

const WIDTH = 760;
const LEFT = 262;
const RIGHT = 60;
const ROW = 30;
const TOP = 24;
const SIXTH = 600_000;

/** What stands before the hour, each step on its line: when it has to be done as an open frame, when it will be as a filled bar, the hour as a post. */
export function RunUpPicture({
  runUp,
  names,
  now,
}: {
  readonly runUp: RunUpView;
  readonly names: Readonly<Record<string, string>>;
  readonly now: string;
}) {
  const { clock, instant } = useMoments();
  const { steps, hour, readyAt, slip_min } = runUp;
  const first = Math.min(
    Date.parse(hour),
    ...steps.flatMap(({ beginBy, begins }) => [Date.parse(beginBy), Date.parse(begins)]),
  );
  const last = Math.max(Date.parse(hour), Date.parse(readyAt));
  const x = scaleUtc([first - SIXTH, last + SIXTH], [LEFT, WIDTH - RIGHT]);
  const height = TOP + steps.length * ROW + 22;
  const at = (moment: string): number => x(new Date(moment));
  const [from = 0, to = 0] = x.domain();
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={`${steps.length} steps before ${instant(hour)}${slip_min > 0 ? `; ready ${slip_min} min late, at ${instant(readyAt)}` : '; the hour holds'}`}
      className="w-full max-sm:hidden"
    >
      {x.ticks(6).map((tick) => (
        <g key={tick.getTime()} transform={`translate(${x(tick)},0)`}>
          <line y1={TOP - 6} y2={height - 20} className="stroke-base-300" />
          <text y={height - 6} textAnchor="middle" className="fill-base-content font-mono text-xs">
            {clock(tick.toISOString())}
          </text>
        </g>
      ))}
      {steps.map((step, n) => {
        const { id, what, who, beginBy, endBy, begins, ends, done, begun } = step;
        const isLate = step.slip_min > 0;
        const fill = done ? 'fill-base-300' : isLate ? 'fill-error' : 'fill-primary';
        return (
          <g key={id} transform={`translate(0,${TOP + n * ROW})`}>
            <title>{`${what}: ${names[who] ?? who}, ${clock(begins)} to ${clock(ends)}`}</title>
            <text y={11} className="fill-base-content text-xs font-bold">
              {what.length > 40 ? `${what.slice(0, 39)}…` : what}
            </text>
            <text y={24} className="fill-base-content text-[11px]">
              {names[who] ?? who}
              {done ? ', done' : begun ? ', under way' : ''}
            </text>
            <rect
              x={at(beginBy)}
              y={3}
              width={Math.max(2, at(endBy) - at(beginBy))}
              height={20}
              className="stroke-base-content fill-none"
              strokeDasharray={isLate ? '3 3' : undefined}
            />
            <rect
              x={at(begins)}
              y={8}
              width={Math.max(3, at(ends) - at(begins))}
              height={10}
              className={fill}
            />
            {isLate && (
              <text
                x={at(ends) + 4}
                y={17}
                className="fill-base-content font-mono text-[11px] font-bold"
              >
                +{step.slip_min}
              </text>
            )}
          </g>
        );
      })}
      <line
        x1={at(hour)}
        x2={at(hour)}
        y1={4}
        y2={height - 20}
        strokeWidth={3}
        className="stroke-base-content"
      />
      <text
        x={at(hour)}
        y={TOP - 12}
        dx={4}
        className="fill-base-content font-mono text-xs font-bold"
      >
        stop
      </text>
      {Date.parse(now) > Number(from) && Date.parse(now) < Number(to) && (
        <line
          x1={at(now)}
          x2={at(now)}
          y1={TOP - 6}
          y2={height - 20}
          strokeDasharray="2 3"
          strokeWidth={2}
          className="stroke-secondary"
        />
      )}
    </svg>
  );
}
