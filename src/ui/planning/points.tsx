'use client';

import type { ExplainedPoint } from '../../core/isolation';
import { pointsOf, type IsolationPlan } from '../../core/plant/isolation-plan';

export const PARTS = {
  close: 'Close and lock',
  open: 'Open',
  restrain: 'Restrain',
  stand: 'Lock open',
} as const;
export type Part = keyof typeof PARTS;
export const PART_NAMES = Object.keys(PARTS) as Part[];

/** Said of a point that makes no difference. */
const NOTHING = {
  passes: 'The plan passes as well without it.',
  open: 'Makes no difference yet: another way is still open.',
} as const;

/** The points of a plan being drawn up: what is done to each, why it is there, and a way to take it out. */
export function PointTable({
  plan,
  points,
  passes,
  onDrop,
}: {
  readonly plan: IsolationPlan;
  readonly points: readonly ExplainedPoint[];
  readonly passes: boolean;
  readonly onDrop: (part: Part, id: string) => void;
}) {
  const rows = PART_NAMES.flatMap((part) => pointsOf(plan, part).map((id) => ({ part, id })));
  if (rows.length === 0) {
    return (
      <p className="text-sm">
        No points yet. Compute the isolation and take an answer, or add points by their tags.
      </p>
    );
  }
  return (
    <table className="w-full text-sm">
      <caption className="sr-only">Points of the plan and why each is there</caption>
      <thead>
        <tr className="text-left">
          <th>Point</th>
          <th>How</th>
          <th>Why it is there</th>
          <th>
            <span className="sr-only">Take out</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ part, id }) => {
          const known = points.find((point) => point.part === part && point.id === id);
          return (
            <tr key={part + id} className="border-t border-base-300 align-top">
              <th className="py-1 pr-3 text-left font-mono whitespace-nowrap">{id}</th>
              <td className="py-1 pr-3 whitespace-nowrap">{PARTS[part]}</td>
              <td className="py-1">
                {known && (known.words || NOTHING[passes ? 'passes' : 'open'])}
              </td>
              <td className="text-right">
                <button
                  type="button"
                  className="btn btn-xs"
                  aria-label={`take ${id} out of the plan`}
                  onClick={() => onDrop(part, id)}
                >
                  ✕
                </button>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
