import Link from 'next/link';
import type { Figure } from '../../core/bench';
import { describeFigure } from '../../core/bench/describe';
import { sayNoted } from '../../core/job/sums';
import type { DossierView } from '../../core/job';
import { Time } from '../kit/moment';
import { Panel } from '../kit/panel';
import { listWorked } from './has-stored';

interface Props {
  readonly jobId: string;
  readonly view: DossierView;
  readonly names: Readonly<Record<string, string>>;
}

/** The main figure, and the one that goes with it. */
const describeFirst = (figures: readonly Figure[]): string =>
  [...figures]
    .sort((a, b) => Number(b.isMain ?? false) - Number(a.isMain ?? false))
    .slice(0, 2)
    .map(describeFigure)
    .join('; ');

function BenchLink({
  jobId,
  calculation,
  subject,
  label = 'Bench',
}: {
  readonly jobId: string;
  readonly calculation: string;
  readonly subject: string;
  readonly label?: string;
}) {
  return (
    <Link
      href={`/bench/${calculation}?job=${jobId}&subject=${encodeURIComponent(subject)}`}
      className="whitespace-nowrap underline"
    >
      {label}
    </Link>
  );
}

/** Sums that decide something in the job: what each answers, and what follows from it. */
function OfferedSums({ jobId, view: { offered } }: Props) {
  if (offered.length === 0) return null;
  return (
    <ul aria-label="Sums to work out" className="flex flex-col">
      {offered.map(({ calculation, question, subject, decides, isNeeded }) => (
        <li
          key={calculation}
          className="flex items-baseline justify-between gap-3 border-t border-base-300 py-1"
        >
          <span>
            <strong>{question}</strong> It decides {decides}.
            {isNeeded && ' The permit waits for it.'}
          </span>
          <BenchLink {...{ jobId, calculation, subject }} label="Work it out" />
        </li>
      ))}
    </ul>
  );
}

/** Sums noted for the job, each in its sentence. */
function NotedSums({ jobId, view, names }: Props) {
  const noted = Object.values(view.dossier.noted);
  if (noted.length === 0) return null;
  return (
    <table aria-label="Worked out for this job" className="w-full text-sm">
      <tbody>
        {noted.map(({ subject, calculation, ...one }) => (
          <tr key={subject + calculation} className="border-t border-base-300 align-top">
            <th className="py-1 pr-3 text-left font-mono">{subject}</th>
            <td className="py-1 pr-3">
              {sayNoted({ ...one, subject, calculation })}
              <span className="block text-xs">
                {one.title}, noted by {names[one.by] ?? one.by} at <Time at={one.at} />
              </span>
            </td>
            <td className="py-1">
              <BenchLink {...{ jobId, calculation, subject }} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What holds energy under this plan, worked out from the plant file. */
function StoredEnergy({ jobId, view }: Props) {
  const rows = listWorked(view);
  if (rows.length === 0) return null;
  return (
    <Panel title="Stored energy and waiting">
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
              <td className="py-1">
                <BenchLink {...{ jobId, calculation, subject }} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}

/** Sums of a job: those that decide something and are still to be made, those that were noted, and what holds energy under the plan. */
export function StoredPanel(props: Props) {
  const { offered, dossier } = props.view;
  const hasSums = offered.length + Object.keys(dossier.noted).length > 0;
  return (
    <div className="flex flex-col gap-4">
      {hasSums && (
        <Panel title="Sums of this job" spot="sums">
          <OfferedSums {...props} />
          <NotedSums {...props} />
        </Panel>
      )}
      <StoredEnergy {...props} />
    </div>
  );
}
