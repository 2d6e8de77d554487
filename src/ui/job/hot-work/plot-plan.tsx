'use client';

import { arc, line, scaleLinear } from 'd3';
import type { HotWorkView } from '../../../core/job';
import { SECTOR_DEG } from '../../../core/hotwork/surroundings';

const WIDTH = 560;
const HEIGHT = 420;
const RADIAN = Math.PI / 180;

interface Wind {
  readonly from_deg: number;
  readonly wind_m_s: number;
}

/** Where the wind carries what is let out, as a wedge from the work. */
function Downwind({ wind, reach }: { readonly wind: Wind; readonly reach: number }) {
  const middle = (wind.from_deg + 180) * RADIAN;
  const wedge = arc<null>()
    .innerRadius(0)
    .outerRadius(reach)
    .startAngle(middle - SECTOR_DEG * RADIAN)
    .endAngle(middle + SECTOR_DEG * RADIAN);
  return <path d={wedge(null) ?? ''} className="fill-base-content/10 stroke-base-content/40" />;
}

/** How many before it stand at the same spot: their names are written under each other. */
const countBefore = (neighbours: HotWorkView['neighbours'], n: number): number => {
  const [x, y] = neighbours[n]?.at ?? [NaN, NaN];
  return neighbours
    .slice(0, n)
    .filter(({ at }) => at !== undefined && Math.hypot(at[0] - x, at[1] - y) < 1).length;
};

/** The place of hot work from above: the circle, what lies in it, the wind, and where monitors stand. North is up. */
export function PlotPlan({
  hot,
  cleared,
  wind,
}: {
  readonly hot: HotWorkView;
  readonly cleared: Readonly<Record<string, unknown>>;
  readonly wind: Wind | undefined;
}) {
  const { centre, radius_m, neighbours, ring, outlines } = hot;
  if (!centre) return <p className="text-sm">The drawing does not say where this work is.</p>;
  const reach_m = Math.max(radius_m, ring?.radius_m ?? 0) * 1.25;
  const half = (reach_m * WIDTH) / HEIGHT;
  const x = scaleLinear([centre[0] - half, centre[0] + half], [0, WIDTH]);
  const y = scaleLinear([centre[1] - reach_m, centre[1] + reach_m], [HEIGHT, 0]);
  const metres = (length: number) => x(centre[0] + length) - x(centre[0]);
  const outline = line<readonly [number, number]>(
    ([px]) => x(px),
    ([, py]) => y(py),
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`Plot plan: ${neighbours.length} things within ${radius_m} m of the work`}
      className="w-full max-w-2xl border border-base-content/40 bg-base-100"
    >
      {outlines.map(({ id, name, outline: corners }) => (
        <g key={id}>
          <path
            d={`${outline(corners) ?? ''}Z`}
            className="fill-base-200/50 stroke-base-content/50"
          />
          {corners[0] && (
            <text
              x={x(corners[0][0]) + 4}
              y={y(corners[0][1]) - 4}
              className="fill-base-content text-[10px]"
            >
              {name}
            </text>
          )}
        </g>
      ))}
      <g transform={`translate(${x(centre[0])} ${y(centre[1])})`}>
        {wind && wind.wind_m_s > 0 && <Downwind wind={wind} reach={metres(reach_m)} />}
        <circle
          r={metres(radius_m)}
          className="fill-none stroke-base-content"
          strokeDasharray="8 3"
        />
        <path d="M-7 0H7M0-7V7" className="stroke-base-content" strokeWidth={3} />
        <text
          y={-metres(radius_m) + 14}
          textAnchor="middle"
          className="fill-base-content text-[11px]"
        >
          {radius_m} m
        </text>
        {ring?.bearings_deg.map((bearing, n) => (
          <g
            key={bearing}
            transform={`translate(${metres(ring.radius_m) * Math.sin(bearing * RADIAN)} ${-metres(ring.radius_m) * Math.cos(bearing * RADIAN)})`}
          >
            <rect
              x={-8}
              y={-8}
              width={16}
              height={16}
              className="fill-base-100 stroke-base-content"
            />
            <text y={4} textAnchor="middle" className="fill-base-content text-[10px]">
              {n + 1}
            </text>
          </g>
        ))}
      </g>
      <text x={WIDTH - 12} y={16} textAnchor="end" className="fill-base-content text-[11px]">
        north ↑
      </text>
      {neighbours.map(({ id, at }, n) =>
        at ? (
          <g key={id} transform={`translate(${x(at[0])} ${y(at[1])})`}>
            <path
              d={id in cleared ? 'M-5 0L-1 4L6-4' : 'M0-6L6 5H-6Z'}
              className={id in cleared ? 'fill-none stroke-success' : 'fill-error stroke-error'}
              strokeWidth={2}
            />
            <text
              x={8}
              y={4 + 11 * countBefore(neighbours, n)}
              className="fill-base-content font-mono text-[10px]"
            >
              {id}
            </text>
          </g>
        ) : null,
      )}
    </svg>
  );
}
