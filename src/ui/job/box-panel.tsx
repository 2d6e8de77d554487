'use client';

import type { LockedBox } from '../../core/job';
import { useCommand } from '../command/use-command';
import { AbsentForm } from './absent';
import { PickField } from '../kit/combobox';
import { ChoiceField, SmallForm } from '../kit/field';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';

/** Free locks of one use, to choose from. */
export const listFree = (
  { choices, names }: Pick<DossierProps, 'choices' | 'names'>,
  wanted: string,
) =>
  choices.locks
    .filter(({ use }) => use === wanted)
    .map(({ id, owner }) => ({
      id,
      owner,
      label: owner === undefined ? id : `${id} (${names[owner] ?? owner})`,
    }));

/** A lock that hangs for a person, by name, with the button that takes it off. */
function HungLock({
  what,
  lock,
  by,
  props,
  onTakeOff,
}: {
  readonly what: string;
  readonly lock: string;
  readonly by: string;
  readonly props: DossierProps;
  readonly onTakeOff: () => void;
}) {
  const name = props.names[by] ?? by;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span>
        {what} <strong className="font-mono">{lock}</strong>, {name}
      </span>
      {by === props.me ? (
        <button className="btn btn-sm max-sm:h-11" onClick={onTakeOff}>
          Take {lock} off
        </button>
      ) : (
        <AbsentForm lock={lock} owner={name} choices={props.choices} />
      )}
    </div>
  );
}

/** A shut box: the control lock that holds it, and how it is handed over to the next coordinator. */
function ShutBox({ box, props }: { readonly box: LockedBox; readonly props: DossierProps }) {
  const run = useCommand();
  const takeOff = (lock: string) => void run({ kind: 'take-off-control', lock });
  return (
    <>
      <p>
        Box <strong className="font-mono">{box.box}</strong> holds the keys of {box.keys.join(', ')}
        .
      </p>
      <HungLock
        what="Control lock"
        lock={box.lock}
        by={box.by}
        props={props}
        onTakeOff={() => takeOff(box.lock)}
      />
      {box.incoming ? (
        <HungLock
          what="Incoming control lock"
          lock={box.incoming.lock}
          by={box.incoming.by}
          props={props}
          onTakeOff={() => takeOff(box.incoming?.lock ?? '')}
        />
      ) : (
        <details>
          <summary className="cursor-pointer text-sm">
            Hand the box over at the change of shift
          </summary>
          <p className="text-sm">
            Whoever takes over hangs their control lock first; only then does the one that hangs
            come off, with everyone signed off. Everything is proved again after that.
          </p>
          <SmallForm
            button="Hang the incoming control lock"
            onSend={(read) => void run({ kind: 'hang-incoming', lock: read('incoming') })}
          >
            <PickField
              label="Incoming control lock"
              name="incoming"
              options={listFree(props, 'control')}
            />
          </SmallForm>
        </details>
      )}
    </>
  );
}

/** How workers lock on: the keys in a box under the control lock, or a lock of each worker on each point. */
export function BoxPanel(props: DossierProps) {
  const run = useCommand();
  const { choices, view } = props;
  const { box, lockout, hasps, locked } = view.dossier.isolation;
  const places = box ? [box.box] : lockout === 'each-point' ? Object.keys(locked) : [];
  const other = lockout === 'box' ? 'each-point' : 'box';
  return (
    <Panel title={lockout === 'box' ? 'Lock box' : 'Each worker locks each point'} spot="box">
      {box && <ShutBox box={box} props={props} />}
      {!box && lockout === 'box' && (
        <SmallForm
          button="Lock the box: keys in, control lock on"
          onSend={(read) => void run({ kind: 'lock-box', box: read('box'), lock: read('lock') })}
        >
          <PickField
            label="Lock box"
            name="box"
            options={choices.boxes
              .filter(({ busy }) => !busy)
              .map(({ id, name }) => ({ id, label: name }))}
          />
          <PickField label="Control lock" name="lock" options={listFree(props, 'control')} />
        </SmallForm>
      )}
      {!box && view.stage === 'isolate' && (
        <button
          className="btn btn-sm self-start max-sm:h-11"
          onClick={() => void run({ kind: 'choose-lockout', way: other })}
        >
          {other === 'box'
            ? 'Use a lock box instead'
            : 'Small job: each worker locks each point instead'}
        </button>
      )}
      {places.length > 0 && (
        <details>
          <summary className="cursor-pointer text-sm">No hole left for a lock?</summary>
          <SmallForm
            button="Record one more hasp"
            onSend={(read) => void run({ kind: 'chain-hasp', where: read('where') })}
          >
            <ChoiceField
              label="Where"
              name="where"
              options={places.map((id) => ({
                id,
                label: `${id}, ${hasps[id] ?? 0} ${(hasps[id] ?? 0) === 1 ? 'hasp' : 'hasps'} added`,
              }))}
            />
          </SmallForm>
        </details>
      )}
    </Panel>
  );
}
