import Link from 'next/link';
import type { Figure } from '../../core/bench';
import { describeFigure } from '../../core/bench/describe';
import type { DossierView } from '../../core/job';
import { Time } from '../kit/moment';
import { listWorked } from './has-stored';

/** The main figure, and the one that goes with it. */
const describeFirst = (figures: readonly Figure[]): string =>
  [...figures]
    .sort((a, b) => Number(b.isMain ?? false) - Number(a.isMain ?? false))
    .slice(0, 2)
    .map(describeFigure)
    .join('; ');

/** What holds energy under this plan, worked out from the plant file or noted from the Bench. */
export function StoredPanel({
  jobId,
  view,
  names,
}: {
  readonly jobId: string;
  readonly view: DossierView;
  readonly names: Readonly<Record<string, string>>;
}) {
  const noted = Object.values(view.dossier.noted);
  const rows = listWorked(view);
  if (rows.length + noted.length === 0) return null;
  const bench = (calculation: string, subject: string) =>
    `/bench/${calculation}?job=${jobId}&subject=${encodeURIComponent(subject)}`;
  return (
    <section aria-label="Stored energy" className="border-t-2 border-base-content pt-2">
      <h2 className="text-lg font-bold">Stored energy and waiting</h2>
      <table className="w-full text-sm">
        <caption className="sr-only">Stores, shut-in gas and outlets with their figures</caption>
        <thead>
          <tr className="text-left">
            <th>What</th>
            <th>Figures</th>
            <th>Formula</th>
          </tr>
        </thead>
        <tbody>
          {noted.map(({ subject, ...one }) => (
            <tr key={subject + one.calculation} className="border-t border-base-300 align-top">
              <th className="py-1 pr-3 text-left font-mono">{subject}</th>
              <td className="py-1 pr-3">
                <span className="font-mono">{describeFirst(one.figures)}</span>
                <span className="block text-xs">
                  {one.title}, noted by {names[one.by] ?? one.by} at <Time at={one.at} />
                </span>
              </td>
              <td className="py-1 whitespace-nowrap">
                <Link href={bench(one.calculation, subject)} className="underline">
                  Bench
                </Link>
              </td>
            </tr>
          ))}
          {rows.map(({ subject, kind, section, calculation, result }) => (
            <tr key={subject + calculation} className="border-t border-base-300 align-top">
              <th className="py-1 pr-3 text-left">
                <span className="font-mono">{subject}</span>
                <span className="block text-xs font-normal">
                  {kind} in <span className="font-mono">{section}</span>
                </span>
              </th>
              <td className="py-1 pr-3">
                {result.ok ? (
                  <span className="font-mono">{describeFirst(result.figures)}</span>
                ) : (
                  <span>
                    Not known: {result.problems.map(({ message }) => message).join('; ')}. Take it
                    as dangerous until it is measured.
                  </span>
                )}
              </td>
              <td className="py-1 whitespace-nowrap">
                <Link href={bench(calculation, subject)} className="underline">
                  Bench
                </Link>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
