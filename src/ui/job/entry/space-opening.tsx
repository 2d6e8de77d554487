'use client';

import dynamic from 'next/dynamic';
import type { EntryView } from '../../../core/job';
import { computePurgeLeft } from '../../../core/space/purge-left';
import { useCommand } from '../../command/use-command';
import { SmallForm, TextField } from '../../kit/field';
import type { DossierProps } from '../types';
import { Beside } from '../../kit/moment';
import { SpaceChecks } from './space-checks';

const PurgeForm = dynamic(() => import('./purge-form').then((part) => part.PurgeForm));
const SpaceSection = dynamic(() => import('./space-section').then((part) => part.SpaceSection));

/** Opening, pumping out, purging: in order, each with what it waits for. */
export function Opening({
  entry,
  props,
}: {
  readonly entry: EntryView;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { view, names } = props;
  const { opened, pumped, purge, purged } = view.dossier.entry;
  const { now } = view;
  const name = (id: string) => names[id] ?? id;
  const left = purge ? computePurgeLeft(purge.until, now) : 0;
  return (
    <section aria-label="Opening and purging" data-spot="opening" className="flex flex-col gap-2">
      <h3 className="font-bold">Test, open, purge, test again, enter</h3>
      <SpaceChecks entry={entry} phase="open" props={props} />
      {opened ? (
        <p className="text-sm">
          ✓ Opened <Beside at={opened.at} now={now} />, guarded: {opened.guard} ({name(opened.by)})
        </p>
      ) : (
        <SmallForm
          button="Record that the space is open"
          onSend={(read) => void run({ kind: 'open-space', guard: read('guard') })}
        >
          <TextField label="How the opening is guarded" name="guard" />
        </SmallForm>
      )}
      {pumped && (
        <p className="text-sm">
          ✓ Pumped out to {pumped.to}, <Beside at={pumped.at} now={now} />
        </p>
      )}
      {!pumped && (
        <details>
          <summary className="cursor-pointer text-sm">It has to be pumped out first</summary>
          <SmallForm
            button="Record that it is pumped out"
            onSend={(read) =>
              void run({ kind: 'pump-out', to: read('to'), allowed: read('allowed') })
            }
          >
            <TextField label="Where it goes" name="to" />
            <TextField label="Why it may go there" name="allowed" />
          </SmallForm>
        </details>
      )}
      {purged && (
        <p className="text-sm">
          ✓ Purged to the end <Beside at={purged.at} now={now} />: {purged.seen} ({name(purged.by)})
        </p>
      )}
      {purge ? (
        <div data-purge={left > 0 ? 'running' : 'over'} className="flex flex-col gap-2">
          <p>
            <span className="font-mono text-2xl">{left} min</span> of {purge.minutes} left, until{' '}
            <span className="font-mono">
              <Beside at={purge.until} now={now} />
            </span>
            : {purge.why}. It cannot be ended early.
          </p>
          <div className="flex flex-wrap gap-4">
            {left === 0 && (
              <SmallForm
                button="Record that the purge is over"
                onSend={(read) => void run({ kind: 'end-purge', seen: read('seen') })}
              >
                <TextField label="What was seen" name="seen" />
              </SmallForm>
            )}
            <SmallForm
              button="Record that it stopped, and begin again"
              onSend={(read) => void run({ kind: 'stop-purge', why: read('why') })}
            >
              <TextField label="Why it stopped" name="why" />
            </SmallForm>
          </div>
        </div>
      ) : (
        opened && (
          <details open={!purged}>
            <summary className="cursor-pointer text-sm">Plan the purge</summary>
            <div className="grid gap-2 xl:grid-cols-[minmax(0,1fr)_20rem]">
              <PurgeForm entry={entry} />
              <SpaceSection space={entry.space} />
            </div>
          </details>
        )
      )}
      {opened && <SpaceChecks entry={entry} phase="enter" props={props} />}
    </section>
  );
}
