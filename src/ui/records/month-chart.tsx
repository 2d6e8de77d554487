'use client';

import { max, scaleBand, scaleLinear } from 'd3';
import type { AuditMonth } from '../../core/audit';

const WIDTH = 720;
const HEIGHT = 220;
const WIDEST = 40;
const EDGE = { left: 40, right: 48, top: 16, bottom: 28 };

const shareOf = ({ looked, asWritten }: AuditMonth): number | undefined =>
  looked === 0 ? undefined : asWritten / looked;

/** Checks a month as columns, and the share of questions found as written as points joined over them. */
export function MonthChart({ months }: { readonly months: readonly AuditMonth[] }) {
  const x = scaleBand(
    months.map(({ month }) => month),
    [EDGE.left, WIDTH - EDGE.right],
  ).padding(0.4);
  const most = Math.max(4, max(months, ({ audits }) => audits) ?? 0);
  const y = scaleLinear([0, most], [HEIGHT - EDGE.bottom, EDGE.top]).nice();
  const share = scaleLinear([0, 1], [HEIGHT - EDGE.bottom, EDGE.top]);
  const middle = (month: string) => (x(month) ?? 0) + x.bandwidth() / 2;
  const width = Math.min(WIDEST, x.bandwidth());
  const every = Math.ceil(months.length / 12);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-3xl"
      role="img"
      aria-label="Checks by month, and the share found as written"
    >
      {y.ticks(4).map((tick) => (
        <g key={tick} transform={`translate(0,${y(tick)})`}>
          <line x1={EDGE.left} x2={WIDTH - EDGE.right} className="stroke-base-300" />
          <text x={EDGE.left - 6} dy="4" textAnchor="end" fontSize="11" className="fill-current">
            {tick}
          </text>
        </g>
      ))}
      {[0, 0.5, 1].map((tick) => (
        <text
          key={tick}
          x={WIDTH - EDGE.right + 6}
          y={share(tick) + 4}
          fontSize="11"
          className="fill-current"
        >
          {tick * 100} %
        </text>
      ))}
      {months.map(({ month, audits }, n) => (
        <g key={month}>
          <rect
            x={middle(month) - width / 2}
            width={width}
            y={y(audits)}
            height={y(0) - y(audits)}
            className="fill-base-300 stroke-base-content"
          />
          {n % every === 0 && (
            <text
              x={middle(month)}
              y={HEIGHT - 10}
              textAnchor="middle"
              fontSize="11"
              className="fill-current font-mono"
            >
              {month}
            </text>
          )}
        </g>
      ))}
      <path
        fill="none"
        strokeWidth={2}
        className="stroke-primary"
        d={months
          .flatMap((month) => {
            const found = shareOf(month);
            return found === undefined ? [] : [`${middle(month.month)},${share(found)}`];
          })
          .map((point, n) => `${n === 0 ? 'M' : 'L'}${point}`)
          .join('')}
      />
      {months.map((month) => {
        const found = shareOf(month);
        return found === undefined ? null : (
          <circle
            key={month.month}
            cx={middle(month.month)}
            cy={share(found)}
            r={4}
            className="fill-primary"
          />
        );
      })}
    </svg>
  );
}
