'use client';

import type { RunUpView } from '../../../core/job';
import { useCommand } from '../../command/use-command';
import { SmallForm, TextField } from '../../kit/field';
import { useMoments } from '../../kit/moment';
import type { DossierProps } from '../types';

type Step = RunUpView['steps'][number];

function sayTimes(
  { kind, minutes, beginBy, endBy, begun, done, ends, slip_min }: Step,
  say: (at: string) => string,
): string {
  if (done) return `done ${say(done.at)}: ${done.seen}`;
  if (kind === 'ready') return `ready by ${say(endBy)}`;
  const late = slip_min > 0 ? `; ends ${say(ends)}, ${slip_min} min late` : '';
  return begun
    ? `begun ${say(begun.at)}, has to end by ${say(endBy)}${late}`
    : `${minutes} min; has to begin by ${say(beginBy)}${late}`;
}

/** One step before the stop: who does it, by when, what waits for it, and what to press next. */
export function RunUpRow({ step, props }: { readonly step: Step; readonly props: DossierProps }) {
  const run = useCommand();
  const { beside } = useMoments();
  const { names, view } = props;
  const { id, what, who, kind, after, begun, done, holdsUp, slip_min } = step;
  const nameOf = (one: string) => view.dossier.runUp.find((two) => two.id === one)?.what ?? one;
  const waitsFor = after.filter((one) => !view.dossier.runUp.find((two) => two.id === one)?.done);
  const say = (at: string) => beside(at, view.now);
  return (
    <li
      data-step={id}
      className={`border-l-4 py-1 pl-2 ${slip_min > 0 && !done ? 'border-error' : 'border-base-300'}`}
    >
      <p>
        <strong>{what}</strong>, {names[who] ?? who}: {sayTimes(step, say)}
      </p>
      {!done && holdsUp.length > 0 && (
        <p className="text-sm">
          If it slips, so {holdsUp.length === 1 ? 'does' : 'do'} {holdsUp.map(nameOf).join(', ')}{' '}
          and the stop.
        </p>
      )}
      {!done && waitsFor.length > 0 && (
        <p className="text-sm">Waits for {waitsFor.map(nameOf).join(', ')}.</p>
      )}
      {!done && waitsFor.length === 0 && (
        <div className="flex flex-wrap items-end gap-2">
          {!begun && kind !== 'ready' ? (
            <button
              className="btn btn-primary btn-sm max-sm:h-11"
              onClick={() => void run({ kind: 'begin-run-up', step: id })}
            >
              Begin: {what}
            </button>
          ) : (
            <SmallForm
              button={kind === 'ready' ? `Record as ready: ${what}` : `Record as finished: ${what}`}
              onSend={(read) => void run({ kind: 'finish-run-up', step: id, seen: read('seen') })}
            >
              <TextField label="What was seen" name="seen" />
            </SmallForm>
          )}
        </div>
      )}
      {!begun && !done && (
        <button
          className="btn btn-ghost btn-xs"
          aria-label={`Take out: ${what}`}
          onClick={() => void run({ kind: 'drop-run-up', step: id })}
        >
          Take it out
        </button>
      )}
    </li>
  );
}
