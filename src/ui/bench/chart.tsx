'use client';

import { extent, line, scaleLinear } from 'd3';
import type { Curve } from '../../core/bench';
import { fromSi, writeFigure, writeUnit } from '../../core/units/quantity';

const WIDTH = 560;
const HEIGHT = 260;
const EDGE = { left: 64, right: 16, top: 14, bottom: 44 };

/** A calculated curve with axes in its units, and the level that matters drawn across. */
export function CurveChart({ curve }: { readonly curve: Curve }) {
  const points = curve.points.map(
    ([x, y]) =>
      [
        fromSi(x, curve.x.quantity, curve.x.unit),
        fromSi(y, curve.y.quantity, curve.y.unit),
      ] as const,
  );
  const level = curve.level && fromSi(curve.level.value, curve.y.quantity, curve.y.unit);
  const [left = 0, right = 1] = extent(points, ([x]) => x);
  const [low = 0, high = 1] = extent([
    ...points.map(([, y]) => y),
    ...(level === undefined ? [] : [level]),
  ]);
  const x = scaleLinear([left, right], [EDGE.left, WIDTH - EDGE.right]).nice();
  const y = scaleLinear([Math.min(0, low), high], [HEIGHT - EDGE.bottom, EDGE.top]).nice();
  const path = line<readonly [number, number]>(
    ([at]) => x(at),
    ([, at]) => y(at),
  )(points);
  const axis = (which: 'x' | 'y') => {
    const { label, unit } = curve[which];
    return unit === '1' ? label : `${label} (${writeUnit(unit)})`;
  };
  const ends = [points[0], points.at(-1)].map((point) => (point ?? [0, 0]).map(writeFigure));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-2xl"
      role="img"
      aria-label={`${axis('y')} over ${axis('x')}: from ${ends[0]?.[1]} at ${ends[0]?.[0]} to ${ends[1]?.[1]} at ${ends[1]?.[0]}`}
    >
      {y.ticks(5).map((tick) => (
        <g key={tick} transform={`translate(0,${y(tick)})`}>
          <line x1={EDGE.left} x2={WIDTH - EDGE.right} className="stroke-base-300" />
          <text
            x={EDGE.left - 6}
            dy="4"
            textAnchor="end"
            fontSize="11"
            className="fill-current font-mono"
          >
            {writeFigure(tick)}
          </text>
        </g>
      ))}
      {x.ticks(6).map((tick) => (
        <g key={tick} transform={`translate(${x(tick)},${HEIGHT - EDGE.bottom})`}>
          <line y2="5" className="stroke-current" />
          <text y="18" textAnchor="middle" fontSize="11" className="fill-current font-mono">
            {writeFigure(tick)}
          </text>
        </g>
      ))}
      <line
        x1={EDGE.left}
        x2={WIDTH - EDGE.right}
        y1={HEIGHT - EDGE.bottom}
        y2={HEIGHT - EDGE.bottom}
        className="stroke-current"
      />
      {level !== undefined && (
        <g>
          <line
            x1={EDGE.left}
            x2={WIDTH - EDGE.right}
            y1={y(level)}
            y2={y(level)}
            className="stroke-error"
            strokeDasharray="6 4"
          />
          <text
            x={WIDTH - EDGE.right}
            y={y(level) - 5}
            textAnchor="end"
            fontSize="11"
            className="fill-error"
          >
            {curve.level?.label}
          </text>
        </g>
      )}
      <path d={path ?? ''} className="fill-none stroke-primary" strokeWidth="2.5" />
      <text
        x={(WIDTH + EDGE.left) / 2}
        y={HEIGHT - 6}
        textAnchor="middle"
        fontSize="12"
        className="fill-current"
      >
        {axis('x')}
      </text>
      <text
        transform={`translate(14,${(HEIGHT - EDGE.bottom) / 2}) rotate(-90)`}
        textAnchor="middle"
        fontSize="12"
        className="fill-current"
      >
        {axis('y')}
      </text>
    </svg>
  );
}
