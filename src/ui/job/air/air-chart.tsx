'use client';

import { extent, line, scaleLinear, scaleUtc } from 'd3';
import type { AirEvent, AirSeries } from '../../../core/gas';
import { useMoments } from '../../kit/moment';

const WIDTH = 520;
const HEIGHT = 130;
const LEFT = 44;
const BOTTOM = 18;

/** One sensor over the shown time, with its limits as lines across and what happened as marks. */
export function AirChart({
  series,
  events,
  from,
  until,
}: {
  readonly series: AirSeries;
  readonly events: readonly AirEvent[];
  readonly from: number;
  readonly until: number;
}) {
  const { clock } = useMoments();
  const { device, gas, unit, limits, points } = series;
  const [least = 0, most = 1] = extent([...points.map(({ value }) => value), ...limits]);
  const floor = gas === 'oxygen' ? least - 0.5 : 0;
  const x = scaleUtc([from, until], [LEFT, WIDTH - 4]);
  const y = scaleLinear([floor, Math.max(most * 1.1, floor + 1)], [HEIGHT - BOTTOM, 6]);
  const path = line<AirSeries['points'][number]>(
    ({ at }) => x(at),
    ({ value }) => y(value),
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`${gas} at ${device}, ${points.length} stretches, limits ${limits.join(' and ')} ${unit}`}
      className="w-full max-w-xl"
    >
      {y.ticks(4).map((tick) => (
        <text
          key={tick}
          x={LEFT - 6}
          y={y(tick) + 4}
          textAnchor="end"
          className="fill-base-content font-mono text-[10px]"
        >
          {tick}
        </text>
      ))}
      {x.ticks(5).map((tick) => (
        <text
          key={tick.getTime()}
          x={x(tick)}
          y={HEIGHT - 4}
          textAnchor="middle"
          className="fill-base-content font-mono text-[10px]"
        >
          {clock(tick.toISOString())}
        </text>
      ))}
      {limits.map((limit) => (
        <path
          key={limit}
          d={`M${LEFT} ${y(limit)}H${WIDTH - 4}`}
          className="stroke-error"
          strokeDasharray="6 3"
        />
      ))}
      {events.map(({ at, words, isBad }) => (
        <g key={`${at} ${words}`} transform={`translate(${x(Date.parse(at))} 6)`}>
          <title>{words}</title>
          <path
            d={`M0 0V${HEIGHT - BOTTOM - 6}`}
            className={isBad ? 'stroke-error' : 'stroke-base-content/50'}
          />
          <text y={6} x={3} className="fill-base-content text-[10px]">
            {isBad ? '▲' : '○'}
          </text>
        </g>
      ))}
      <path d={path(points) ?? ''} className="fill-none stroke-base-content" strokeWidth={2} />
      <path
        d={`M${LEFT} 6V${HEIGHT - BOTTOM}H${WIDTH - 4}`}
        className="fill-none stroke-base-content/60"
      />
    </svg>
  );
}
