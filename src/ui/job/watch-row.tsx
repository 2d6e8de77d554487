'use client';

import { useEffect, useState } from 'react';
import type { Step } from '../../core/sequence';
import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import type { DossierProps } from './types';

const two = (value: number) => String(value).padStart(2, '0');

/** "07:12" since a moment, by the clock of the server that the view came with. */
function useElapsed(since: string, now: string): string {
  const [ahead, setAhead] = useState(0);
  useEffect(() => {
    const begun = Date.now();
    const timer = setInterval(() => setAhead(Date.now() - begun), 1000);
    return () => clearInterval(timer);
  }, [now]);
  const seconds = Math.max(0, Math.floor((Date.parse(now) + ahead - Date.parse(since)) / 1000));
  return `${two(Math.floor(seconds / 60))}:${two(seconds % 60)}`;
}

/** A drain that is watched: who stands by, for how long by now, and how it ends. */
export function WatchRow({
  outlet,
  step,
  props,
}: {
  readonly outlet: string;
  readonly step: Step;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { view, names, me } = props;
  const watch = view.dossier.isolation.watched[outlet];
  const elapsed = useElapsed(watch?.at ?? view.now, view.now);
  if (!watch) return null;
  const name = names[watch.watcher] ?? watch.watcher;
  return (
    <div data-watch={outlet} className="border-l-4 border-warning pl-2">
      <p>
        <strong>{name}</strong> watches it, <span className="font-mono">{elapsed}</span> by now
        {step.wait_s === undefined ? '' : ` of about ${Math.ceil(step.wait_s / 60)} min`}. Called
        away means stopped first.
      </p>
      {watch.watcher === me ? (
        <>
          <SmallForm
            button="Record that it has run empty"
            onSend={(read) =>
              void run({ kind: 'end-watch', outlet, end: 'drained', seen: read('empty') })
            }
          >
            <TextField label="What was seen" name="empty" />
          </SmallForm>
          <SmallForm
            button="Record it as shut, draining stopped"
            onSend={(read) =>
              void run({ kind: 'end-watch', outlet, end: 'stopped', seen: read('stopped') })
            }
          >
            <TextField label="Why it was stopped" name="stopped" />
          </SmallForm>
        </>
      ) : (
        <button
          className="btn btn-sm max-sm:h-11"
          onClick={() => void run({ kind: 'take-watch', outlet })}
        >
          I take the watch over
        </button>
      )}
    </div>
  );
}
