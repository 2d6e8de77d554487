'use client';

import { useState } from 'react';
import { useCommand } from '../command/use-command';
import { PickField } from '../kit/combobox';
import { CheckField, SmallForm, TextField } from '../kit/field';
import { Day, Instant } from '../kit/moment';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';

/** Several pieces looked at together, and signed for by whoever uses them. */
function CheckForm({ offered }: Pick<DossierProps['view']['kit'], 'offered'>) {
  const run = useCommand();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const air = offered.some(({ id, air: needs }) => needs && picked.includes(id));
  return (
    <details>
      <summary className="cursor-pointer text-sm">Look at kit before use</summary>
      <fieldset className="flex flex-wrap gap-x-4 gap-y-1 py-1">
        <legend className="text-sm">What you use:</legend>
        {offered.map(({ id, label }) => (
          <label key={id} className="flex min-h-8 items-center gap-2 text-sm max-sm:min-h-11">
            <input
              type="checkbox"
              className="checkbox checkbox-sm max-sm:size-7"
              checked={picked.includes(id)}
              onChange={({ target: { checked } }) =>
                setPicked(checked ? [...picked, id] : picked.filter((one) => one !== id))
              }
            />
            {label}
          </label>
        ))}
      </fieldset>
      {picked.length > 0 && (
        <SmallForm
          button={`Record that you looked at ${picked.length}`}
          onSend={(read) =>
            void run({
              kind: 'check-kit',
              kit: [...picked],
              air: read('air') === 'on',
              seen: read('seen'),
            })
          }
        >
          <TextField label="What was seen" name="seen" />
          {air && <CheckField name="air" label="gloves were blown up and listened to" />}
        </SmallForm>
      )}
    </details>
  );
}

/** What the work needs of kit, what was looked at by whom, and what is out of use. */
export function KitPanel({ view, names }: DossierProps) {
  const run = useCommand();
  const { needs, checked, offered, hasHoses, pressure } = view.kit;
  const { joints } = view.dossier;
  const name = (id: string) => names[id] ?? id;
  return (
    <Panel title="Kit" spot="kit">
      <ul className="text-sm">
        {needs.map(({ kind, name: what, why, isKept, isMet }) => (
          <li key={kind}>
            {isKept
              ? `${isMet ? '✓' : '▲'} ${what}: ${why}.`
              : `${what} (${why}): none are registered, so nobody is asked for any.`}
          </li>
        ))}
        {checked.map(({ id, name: what, mark, faults }) => (
          <li key={id} data-kit={id}>
            {faults.length === 0 ? '✓' : '▲'} <span className="font-mono">{id}</span> {what}:{' '}
            {mark.seen} ({name(mark.by)}, <Instant at={mark.at} />
            ). {faults.join(' ')}
          </li>
        ))}
        {pressure.map(({ id, name: what, inspect, test }) => (
          <li key={id}>
            <span className="font-mono">{id}</span> {what}: inspected again by{' '}
            {inspect ? <Day at={inspect} /> : 'nobody knows when'}, tested again by{' '}
            {test ? <Day at={test} /> : 'nobody knows when'}.
          </li>
        ))}
        {joints && (
          <li>
            ✓ {joints.joints} hose joints, each lashed to {joints.fixed} ({name(joints.by)}).
          </li>
        )}
      </ul>
      {offered.length > 0 && <CheckForm key={checked.length} offered={offered} />}
      {hasHoses && !joints && (
        <SmallForm
          button="Sign the count of joints"
          onSend={(read) =>
            void run({
              kind: 'count-joints',
              joints: Number(read('joints')),
              lashed: Number(read('lashed')),
              fixed: read('fixed'),
            })
          }
        >
          <TextField label="Hose joints" name="joints" type="number" />
          <TextField label="Lashed" name="lashed" type="number" />
          <TextField label="What the lashings are fixed to" name="fixed" />
        </SmallForm>
      )}
      {offered.length > 0 && (
        <details>
          <summary className="cursor-pointer text-sm">Take something out of use</summary>
          <SmallForm
            button="Take it out of use everywhere"
            onSend={(read) =>
              void run({ kind: 'fail-kit', kit: read('failed'), seen: read('fault') })
            }
          >
            <PickField label="Which" name="failed" options={offered} />
            <TextField label="What is wrong with it" name="fault" />
          </SmallForm>
        </details>
      )}
    </Panel>
  );
}
