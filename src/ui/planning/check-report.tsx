'use client';

import type { CheckResult, Finding, Mend } from '../../core/isolation';
import type { Lamp } from '../../core/job';
import { sumUpArrivals } from '../../core/job/arrivals';
import { AllowForm } from '../bypasses/allow-form';

/** One finding with its route and what mends it; a mend is applied by its button. */
function FindingRow({
  finding,
  now,
  onMend,
}: {
  readonly finding: Finding;
  readonly now?: string;
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
          {finding.mends
            .filter(({ action }) => action !== 'accept')
            .map((mend) => (
              <button
                key={mend.action + mend.id}
                className="btn btn-xs"
                onClick={() => onMend(mend)}
              >
                {mend.words}
              </button>
            ))}
        </p>
      )}
      {now !== undefined &&
        finding.mends
          .filter(({ action }) => action === 'accept')
          .map(({ id, words }) => (
            <details key={id}>
              <summary className="cursor-pointer text-sm">or {words}</summary>
              <AllowForm device={id} now={now} />
            </details>
          ))}
    </li>
  );
}

/** What the check says of a plan: what is held in one sentence, then stops, cautions folded. */
export function CheckReport({
  check,
  lamps,
  now,
  onMend,
}: {
  readonly check: CheckResult;
  readonly lamps: readonly Lamp[];
  /** The time of the site: where it is given, what has to be accepted by name can be. */
  readonly now?: string;
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
          <FindingRow
            key={finding.code + finding.subject}
            finding={finding}
            now={now}
            onMend={onMend}
          />
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
              <FindingRow
                key={finding.code + finding.subject}
                finding={finding}
                now={now}
                onMend={onMend}
              />
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
