'use client';

import { useState } from 'react';
import type { Command } from '../../core/job';
import type { Step } from '../../core/sequence';
import { useCommand } from '../command/use-command';
import { ReadButton } from '../practice/read-button';
import { PickField } from '../kit/combobox';
import { CheckField, ChoiceField, SmallForm, TextField } from '../kit/field';
import { ProveForm } from './prove-form';
import { SecondField } from './second-field';
import type { DossierProps } from './types';
import { sayFault } from '../../core/energy/fault';
import { listPointLocks } from './free-locks';

const tagOf = (jobId: string, subject: string) => `${jobId}/${subject}`;

/** A tag alone holds nothing: only where no lock can be fitted, with what holds besides, accepted by name. */
function TagAlone({ link, props }: { readonly link: string; readonly props: DossierProps }) {
  const run = useCommand();
  return (
    <details>
      <summary className="cursor-pointer text-sm">No lock can be fitted</summary>
      <SmallForm
        button="Record it as closed and tagged, without a lock"
        onSend={(read) =>
          void run({
            kind: 'tag-point',
            link,
            tag: tagOf(props.jobId, link),
            reason: read('reason'),
            measure: read('measure'),
            accepter: read('accepter'),
          })
        }
      >
        <TextField label="Why no lock can be fitted" name="reason" />
        <TextField label="What keeps it shut besides" name="measure" />
        <PickField
          label="Issuing authority who accepts it"
          name="accepter"
          options={props.choices.people
            .filter(({ issues }) => issues)
            .map(({ id, name }) => ({ id, label: name }))}
        />
      </SmallForm>
    </details>
  );
}

/** Opening a vent, drain or bleed; whoever watches a drain stays until it is empty. */
function OpenForm({ step, props }: { readonly step: Step; readonly props: DossierProps }) {
  const run = useCommand();
  const { jobId, choices } = props;
  return (
    <SmallForm
      button="Record it as opened"
      onSend={(read) =>
        void run({
          kind: 'open-outlet',
          outlet: step.subject,
          tag: read('tag'),
          ...(step.watched ? { watcher: read('watcher') } : {}),
        })
      }
    >
      <TextField label="Tag" name="tag" value={tagOf(jobId, step.subject)} />
      {step.watched && (
        <PickField
          label="Who watches it until it is empty"
          name="watcher"
          value={props.me}
          options={choices.people
            .filter(({ watches }) => watches)
            .map(({ id, name }) => ({ id, label: name }))}
        />
      )}
    </SmallForm>
  );
}

/** Putting an earth on: by two, from a numbered set, the earth end first. */
function EarthForm({ step, props }: { readonly step: Step; readonly props: DossierProps }) {
  const run = useCommand();
  const { jobId, choices } = props;
  const [end, setEnd] = useState<'point' | 'stake'>('point');
  return (
    <SmallForm
      button="Record the earth as on"
      onSend={(read) =>
        void run({
          kind: 'open-outlet',
          outlet: step.subject,
          tag: read('tag'),
          earth: {
            set: read('set'),
            endFirst: read('endFirst') === 'on',
            ordered: read('ordered') === 'on',
            clear: read('clear') === 'on',
            to: end,
            ...(end === 'stake' ? { stake_m: Number(read('stake')) } : {}),
          },
          second: read('second'),
        })
      }
    >
      <PickField
        label="Earthing set"
        name="set"
        options={choices.earths.map(({ id, name, rated_ka, rated_s }) => ({
          id,
          label: `${id} ${name}, ${rated_ka === undefined || rated_s === undefined ? 'rating not known' : sayFault(rated_ka, rated_s)}`,
        }))}
      />
      <TextField label="Tag" name="tag" value={tagOf(jobId, step.subject)} />
      <SecondField props={props} />
      <ChoiceField
        label="The earth end is clamped to"
        name="to"
        options={[
          { id: 'point', label: 'a fixed earth point' },
          { id: 'stake', label: 'a stake' },
        ]}
        onPick={(id) => setEnd(id === 'stake' ? 'stake' : 'point')}
      />
      {end === 'stake' && (
        <TextField label="Depth of the stake, measured (m)" name="stake" type="number" />
      )}
      <CheckField name="endFirst" label="the earth end went on first" />
      <CheckField name="ordered" label="then lowest before higher, nearest before farther" />
      <CheckField name="clear" label="nobody touched a lead while a clamp was on" />
    </SmallForm>
  );
}

/** A valve on which a let-down relies: how it was found, and what is known of one that cannot be opened. */
function SeeOpenForm({ link }: { readonly link: string }) {
  const run = useCommand();
  const see = (found: 'open' | 'opened') => run({ kind: 'see-open', link, found, note: '' });
  return (
    <div className="flex flex-col gap-1">
      <div className="flex flex-wrap gap-2">
        <button className="btn btn-primary btn-sm max-sm:h-11" onClick={() => void see('open')}>
          I found it open
        </button>
        <button className="btn btn-sm max-sm:h-11" onClick={() => void see('opened')}>
          I found it shut and opened it
        </button>
      </div>
      <details>
        <summary className="cursor-pointer text-sm">It cannot be opened</summary>
        <SmallForm
          button="Record that it stays shut"
          onSend={(read) =>
            void run({ kind: 'see-open', link, found: 'stays-shut', note: read('note') })
          }
        >
          <TextField label="What was found and tried" name="note" />
        </SmallForm>
      </details>
    </div>
  );
}

/** Waiting out what is stored; a capacitor is read and shorted as well. */
function WaitForm({ step }: { readonly step: Step }) {
  const run = useCommand();
  const isCapacitor = step.store === 'capacitor';
  return (
    <SmallForm
      button="Record that it has run down"
      onSend={(read) =>
        void run({
          kind: 'wait-out-store',
          store: step.subject,
          seen: read('seen'),
          ...(isCapacitor
            ? { volts: Number(read('volts')), shorted: read('shorted') === 'on' }
            : {}),
        })
      }
    >
      {isCapacitor && <TextField label="Left on it (V)" name="volts" type="number" />}
      <TextField label="What was seen" name="seen" />
      {isCapacitor && (
        <CheckField name="shorted" label="the terminals are shorted, and the short stays on" />
      )}
    </SmallForm>
  );
}

/** What is asked for at one step of the work order. */
export function StepForm({ step, props }: { readonly step: Step; readonly props: DossierProps }) {
  const command = useCommand();
  const run = (one: Command) => void command(one);
  const { jobId, choices } = props;
  switch (step.phase) {
    case 'tell':
      return (
        <SmallForm
          button="Record that they were told"
          onSend={(read) => run({ kind: 'tell-affected', who: read('who') })}
        >
          <TextField label="Who was told" name="who" />
        </SmallForm>
      );
    case 'stop':
      return (
        <SmallForm
          button="Record that it has stopped"
          onSend={(read) => run({ kind: 'stop-plant', how: read('how') })}
        >
          <TextField label="How it was stopped" name="how" />
        </SmallForm>
      );
    case 'bring-in':
    case 'open-way':
    case 'isolate-drives':
    case 'isolate-flows':
    case 'fit': {
      const electrical = step.phase === 'isolate-drives';
      const isOpened = step.phase === 'bring-in' || step.phase === 'open-way';
      const free = listPointLocks(choices.locks, electrical);
      return (
        <>
          <SmallForm
            button={
              isOpened
                ? 'Record it as opened, locked open and tagged'
                : 'Record it as isolated, locked and tagged'
            }
            onSend={(read) =>
              run({ kind: 'lock-point', link: step.subject, lock: read('lock'), tag: read('tag') })
            }
          >
            <ReadButton
              props={props}
              label="Take one from the stand-in cabinet"
              ask={() => ({ kind: 'take-lock', use: 'point', prefix: free[0]?.id.charAt(0) ?? '' })}
            />
            <PickField
              label="Lock"
              name="lock"
              options={free.map(({ id }) => ({ id, label: id }))}
            />
            <TextField label="Tag" name="tag" value={tagOf(jobId, step.subject)} />
          </SmallForm>
          {isOpened ? null : <TagAlone link={step.subject} props={props} />}
        </>
      );
    }
    case 'see-open':
      return <SeeOpenForm link={step.subject} />;
    case 'let-down':
      return <OpenForm step={step} props={props} />;
    case 'earth':
      return <EarthForm step={step} props={props} />;
    case 'restrain':
      return (
        <SmallForm
          button="Record how it is held"
          onSend={(read) => run({ kind: 'restrain-store', store: step.subject, how: read('how') })}
        >
          <TextField label="How it is held" name="how" />
        </SmallForm>
      );
    case 'wait':
      return <WaitForm step={step} />;
    case 'prove':
      return <ProveForm proof={step.subject} props={props} run={run} />;
    case 'try-start':
      return (
        <div className="flex flex-wrap gap-2">
          <ReadButton
            props={props}
            label="Press start on the stand-in"
            ask={() => ({ kind: 'try-start', station: step.subject })}
          />
          <button
            className="btn btn-primary btn-sm max-sm:h-11"
            onClick={() => run({ kind: 'try-start', station: step.subject, moved: false })}
          >
            Nothing moved; the control is back at off
          </button>
          <button
            className="btn btn-error btn-sm max-sm:h-11"
            onClick={() => run({ kind: 'try-start', station: step.subject, moved: true })}
          >
            Something moved
          </button>
        </div>
      );
  }
}
