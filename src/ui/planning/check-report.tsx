'use client';

import type { CheckResult, Finding, Mend } from '../../core/isolation';
import type { Lamp } from '../../core/job';

/** One finding with its route and what mends it; a mend is applied by its button. */
function FindingRow({
  finding,
  onMend,
}: {
  readonly finding: Finding;
  readonly onMend?: (mend: Mend) => void;
}) {
  const stops = finding.severity === 'stops';
  return (
    <li
      data-code={finding.code}
      className={`border-l-4 pl-2 ${stops ? 'border-error' : 'border-base-300'}`}
    >
      <p>
        <strong>{stops ? 'Stops: ' : 'Caution: '}</strong>
        {finding.words}
      </p>
      {finding.route.length > 0 && <p className="font-mono text-xs">{finding.route.join(' › ')}</p>}
      {onMend && (
        <p className="flex flex-wrap gap-1">
          {finding.mends.map((mend) => (
            <button key={mend.action + mend.id} className="btn btn-xs" onClick={() => onMend(mend)}>
              {mend.words}
            </button>
          ))}
        </p>
      )}
    </li>
  );
}

/** How many arrivals the plan holds, and which it leaves open: "9 of 10 arrivals held; open: ...". */
function sumUpArrivals({ findings }: CheckResult, lamps: readonly Lamp[]): string {
  const broken = new Set(
    findings.filter(({ severity }) => severity === 'stops').map(({ subject }) => subject),
  );
  const arrivals = lamps.filter(({ kind }) => kind !== 'store');
  const open = arrivals.filter(({ sources }) => sources.some(({ id }) => broken.has(id)));
  const held = `${arrivals.length - open.length} of ${arrivals.length} arrivals held`;
  return open.length === 0
    ? `${held}.`
    : `${held}; open: ${open.map(({ name }) => name).join('; ')}.`;
}

/** What the check says of a plan: what is held in one sentence, then stops, cautions folded. */
export function CheckReport({
  check,
  lamps,
  onMend,
}: {
  readonly check: CheckResult;
  readonly lamps: readonly Lamp[];
  readonly onMend?: (mend: Mend) => void;
}) {
  const stops = check.findings.filter(({ severity }) => severity === 'stops');
  const cautions = check.findings.filter(({ severity }) => severity === 'caution');
  return (
    <div className="flex flex-col gap-2" aria-live="polite">
      <p data-testid="check-verdict" className="font-bold">
        {check.passes
          ? 'The check passes: no route is left open.'
          : `The check stops this plan: ${stops.length} findings.`}
      </p>
      <p>{sumUpArrivals(check, lamps)}</p>
      <ul className="flex flex-col gap-2">
        {stops.map((finding) => (
          <FindingRow key={finding.code + finding.subject} finding={finding} onMend={onMend} />
        ))}
      </ul>
      {cautions.length > 0 && (
        <details>
          <summary>
            {cautions.length === 1 ? '1 caution' : `${cautions.length} cautions`} to know before
            signing
          </summary>
          <ul className="mt-2 flex flex-col gap-2">
            {cautions.map((finding) => (
              <FindingRow key={finding.code + finding.subject} finding={finding} onMend={onMend} />
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
