'use client';

import { AllowForm } from '../bypasses/allow-form';
import { BYPASS_WORDS } from '../bypasses/words';
import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';
import { Instant } from '../kit/moment';

/** Devices that the plan puts out of action: each is allowed by name before the point that does it is closed. */
export function BypassPanel({ view, names }: DossierProps) {
  if (view.bypasses.length === 0) return null;
  return (
    <Panel title="Out of action by this job" spot="bypasses">
      <ul>
        {view.bypasses.map(({ device, kind, words, state, allowed }) => (
          <li key={device} data-bypass={device} className="border-t border-base-300 py-1">
            <p>
              <strong className="font-mono">{device}</strong> ({BYPASS_WORDS[kind]}): {words},{' '}
              <strong>{state === 'disabled' ? 'now' : 'once the plan is carried out'}</strong>.
            </p>
            {allowed ? (
              <p className="text-sm">
                Allowed by {names[allowed.by] ?? allowed.by} until <Instant at={allowed.until} />;
                instead: {allowed.standsIn}
              </p>
            ) : (
              <p className="text-sm font-bold">Nobody has allowed it yet.</p>
            )}
            {allowed ? (
              <details>
                <summary className="cursor-pointer text-sm">Allow it anew</summary>
                <AllowForm device={device} now={view.now} />
              </details>
            ) : (
              <AllowForm device={device} now={view.now} />
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}

/** When an isolation that stands has to be looked over, and that it was. */
export function InspectionPanel({ view, names }: DossierProps) {
  const run = useCommand();
  const { inspectionDue: due } = view;
  if (due === undefined) return null;
  const { inspected } = view.dossier.isolation;
  const isOver = Date.parse(view.now) > Date.parse(due);
  return (
    <Panel title="Long-term isolation" spot="inspection">
      <p className={isOver ? 'font-bold' : ''}>
        {isOver ? 'Inspection was due' : 'Inspection due'}{' '}
        <span className="font-mono">
          <Instant at={due} />
        </span>
        {inspected ? `; last by ${names[inspected.by] ?? inspected.by}: ${inspected.seen}` : ''}
      </p>
      <details open={isOver}>
        <summary className="cursor-pointer text-sm">It has been inspected</summary>
        <SmallForm
          button="Record the inspection"
          onSend={(read) => void run({ kind: 'inspect-isolation', seen: read('inspected') })}
        >
          <TextField label="What was seen at the points" name="inspected" />
        </SmallForm>
      </details>
    </Panel>
  );
}
