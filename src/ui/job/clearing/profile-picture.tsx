'use client';

import { area, line, scaleLinear } from 'd3';
import type { ClearingRecord, ClearingView } from '../../../core/job';

const WIDTH = 760;
const HEIGHT = 210;
const LEFT = 44;
const BOTTOM = 42;
const TOP = 18;

type Point = ClearingRecord['plan']['points'][number];

/** The line over the ground: its sections with what each holds, and where the pig is as far as it is known. */
export function ProfilePicture({
  clearing,
  view,
}: {
  readonly clearing: ClearingRecord;
  readonly view: ClearingView;
}) {
  const { points } = clearing.plan;
  const { sections } = clearing.worked;
  const heights = points.map(({ height_m }) => height_m);
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const x = scaleLinear([points[0]?.at_m ?? 0, points.at(-1)?.at_m ?? 1], [LEFT, WIDTH - 16]);
  const y = scaleLinear([low - 1, Math.max(high, low + 1)], [HEIGHT - BOTTOM, TOP]);
  const ground = area<Point>()
    .x(({ at_m }) => x(at_m))
    .y0(HEIGHT - BOTTOM)
    .y1(({ height_m }) => y(height_m));
  const pipe = line<Point>(
    ({ at_m }) => x(at_m),
    ({ height_m }) => y(height_m),
  );
  const heightAt = scaleLinear(
    points.map(({ at_m }) => at_m),
    heights,
  );
  const { pig, section } = view;
  const done = sections.slice(0, clearing.cleared);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`A line of ${sections.length} sections${pig ? `; the pig is at about ${pig.at_m} m` : ''}`}
      className="w-full"
    >
      <path d={ground([...points]) ?? ''} className="fill-base-200" />
      {y.ticks(4).map((tick) => (
        <text
          key={tick}
          x={LEFT - 8}
          y={y(tick) + 4}
          textAnchor="end"
          className="fill-base-content font-mono text-[11px]"
        >
          {tick}
        </text>
      ))}
      {sections.map((one) => {
        const { from_m, to_m, energy_kj, start_m, end_m } = one;
        const middle = (x(from_m) + x(to_m)) / 2;
        const isDone = done.includes(one);
        return (
          <g key={from_m}>
            <rect
              x={x(from_m)}
              y={TOP - 10}
              width={x(to_m) - x(from_m)}
              height={HEIGHT - BOTTOM - TOP + 10}
              className={
                one === section ? 'fill-primary/10 stroke-base-300' : 'fill-none stroke-base-300'
              }
            />
            <text
              x={middle}
              y={HEIGHT - BOTTOM + 16}
              textAnchor="middle"
              className="fill-base-content font-mono text-[11px]"
            >
              {start_m < end_m ? `${start_m} → ${end_m} m` : `${end_m} ← ${start_m} m`}
            </text>
            <text
              x={middle}
              y={HEIGHT - BOTTOM + 31}
              textAnchor="middle"
              className="fill-base-content text-[11px]"
            >
              {isDone ? 'cleared' : `${energy_kj} kJ`}
            </text>
          </g>
        );
      })}
      <path d={pipe([...points]) ?? ''} className="stroke-base-content fill-none" strokeWidth={4} />
      {points
        .filter(({ parts }) => parts)
        .map(({ at_m, height_m }) => (
          <line
            key={at_m}
            x1={x(at_m)}
            x2={x(at_m)}
            y1={y(height_m) - 8}
            y2={y(height_m) + 8}
            strokeWidth={2}
            className="stroke-base-content"
          />
        ))}
      {pig && (
        <g transform={`translate(${x(pig.at_m)},${y(heightAt(pig.at_m))})`}>
          <rect
            x={-9}
            y={-7}
            width={18}
            height={14}
            rx={5}
            strokeWidth={2}
            className={`stroke-base-content ${pig.isOverdue || clearing.run?.stuck ? 'fill-error' : 'fill-secondary'}`}
          />
          <text y={-12} textAnchor="middle" className="fill-base-content text-[11px] font-bold">
            {clearing.run?.stuck ? 'stuck' : `about ${pig.at_m} m`}
          </text>
        </g>
      )}
    </svg>
  );
}
