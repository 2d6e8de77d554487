import Link from 'next/link';
import type { Bypass } from '../../core/job';
import { BYPASS_WORDS } from './words';
import { Instant } from '../kit/moment';

interface Line extends Bypass {
  readonly job: string;
  readonly title: string;
  readonly isOver: boolean;
}

function stateOf({ state, allowed, isOver }: Line): string {
  if (isOver) return 'TIME IS OVER';
  if (state === 'disabled') return allowed ? 'out of action' : 'OUT OF ACTION, NOT ALLOWED';
  return allowed ? 'allowed, still in action' : 'to be allowed first';
}

/** The register of what is out of action: relief paths, gas detectors and trips, with who allowed each and what guards instead. */
export function BypassRegister({
  lines,
  names,
}: {
  readonly lines: readonly Line[];
  readonly names: Readonly<Record<string, string>>;
}) {
  return (
    <main className="flex flex-col gap-4 p-4">
      <h1 className="text-xl font-bold">Bypasses</h1>
      <p>
        Relief paths, gas detectors and trips that an isolation puts out of action. They enter this
        register by themselves when a plan is accepted and leave it when the plant is put back.
      </p>
      {lines.length === 0 ? (
        <p className="border-2 border-base-300 p-4">
          Nothing is out of action, and no accepted plan will put anything out of action.
        </p>
      ) : (
        <table className="w-full text-left [&_td]:border-t [&_td]:border-base-300 [&_td]:py-2 [&_td]:pr-3 [&_td]:align-top [&_th]:pr-3">
          <thead>
            <tr>
              <th>Device</th>
              <th>State</th>
              <th>What it no longer does</th>
              <th>Job</th>
              <th>Allowed by, until</th>
              <th>Instead</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={`${line.job} ${line.device}`} data-bypass={line.device}>
                <td>
                  <strong className="font-mono">{line.device}</strong>
                  <span className="block text-sm">{BYPASS_WORDS[line.kind]}</span>
                </td>
                <td className={line.isOver || !line.allowed ? 'font-bold' : ''}>{stateOf(line)}</td>
                <td>{line.words}</td>
                <td>
                  <Link href={`/jobs/${line.job}`} className="font-mono underline">
                    {line.job}
                  </Link>
                  <span className="block text-sm">{line.title}</span>
                </td>
                <td>
                  {line.allowed ? (
                    <>
                      {names[line.allowed.by] ?? line.allowed.by}
                      <span className="block font-mono text-sm">
                        <Instant at={line.allowed.until} />
                      </span>
                    </>
                  ) : (
                    'nobody'
                  )}
                </td>
                <td>{line.allowed?.standsIn ?? 'nothing'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </main>
  );
}
