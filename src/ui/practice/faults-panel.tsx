'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Fault } from '../../sim';
import { PickField } from '../kit/combobox';
import { ChoiceField, SmallForm } from '../kit/field';
import type { DossierProps } from '../job/types';

const KIND_WORDS: Readonly<Record<Fault['kind'], string>> = {
  passing: 'a valve passes',
  'stuck-blade': 'one blade of a switch stays in',
  plugged: 'a vent, drain or bleed is plugged',
  'dead-tester': 'a tester has an empty battery',
  'key-gone': 'a key is missing from the cabinet',
  'mute-detector': 'a gas detector sends nothing',
};
const CONDUCTORS = ['L1', 'L2', 'L3'] as const;
const asOptions = (ids: readonly string[]) => ids.map((id) => ({ id, label: id }));

function FaultForm({
  kind,
  props,
  onPut,
}: {
  readonly kind: Fault['kind'];
  readonly props: DossierProps;
  readonly onPut: (fault: Fault) => void;
}) {
  const { view, choices } = props;
  const items: Readonly<Record<Fault['kind'], readonly string[]>> = {
    passing: view.plan?.close ?? [],
    'stuck-blade': view.plan?.close ?? [],
    plugged: view.plan?.open ?? [],
    'dead-tester': choices.instruments
      .filter(({ reads }) => reads === 'voltage')
      .map(({ id }) => id),
    'mute-detector': choices.instruments.filter(({ detector }) => detector).map(({ id }) => id),
    'key-gone': choices.locks.map(({ id }) => id),
  };
  return (
    <SmallForm
      button="Put the fault in"
      onSend={(read) => {
        const item = read('item');
        onPut(
          kind === 'stuck-blade'
            ? { kind, item, conductor: read('conductor') as (typeof CONDUCTORS)[number] }
            : { kind, item },
        );
      }}
    >
      <PickField label="At" name="item" options={asOptions(items[kind])} />
      {kind === 'stuck-blade' && (
        <ChoiceField label="Conductor" name="conductor" options={asOptions(CONDUCTORS)} />
      )}
    </SmallForm>
  );
}

/** What is wrong with the stand-in plant: put in and taken out by whoever leads the practice. */
export function FaultsPanel({ props }: { readonly props: DossierProps }) {
  const router = useRouter();
  const [kind, setKind] = useState<Fault['kind']>('stuck-blade');
  const [problem, setProblem] = useState('');
  const { faults } = props;
  if (!faults) return null;
  const change = async (fault: Fault, on: boolean) => {
    const answer = await fetch('/api/stand-ins/faults', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ fault, on }),
    }).catch(() => undefined);
    const body = (await answer?.json()) as { error?: string } | undefined;
    setProblem(answer?.ok ? '' : (body?.error ?? 'The server could not be reached.'));
    router.refresh();
  };
  return (
    <details className="border-t-2 border-dashed border-base-content/50 pt-2">
      <summary className="cursor-pointer">
        Practice: what is wrong with the stand-in plant ({faults.length})
      </summary>
      <p className="text-sm">
        Nobody in the field sees this list. They find a fault by what they read, or they do not.
      </p>
      <ul>
        {faults.map((fault) => (
          <li key={Object.values(fault).join(' ')} className="flex items-center gap-2">
            {KIND_WORDS[fault.kind]}: <span className="font-mono">{fault.item}</span>
            {fault.kind === 'stuck-blade' && <span className="font-mono">{fault.conductor}</span>}
            <button className="btn btn-sm max-sm:h-11" onClick={() => void change(fault, false)}>
              Take the fault out
            </button>
          </li>
        ))}
      </ul>
      <label className="flex flex-col text-sm">
        What goes wrong
        <select
          className="select w-full max-sm:h-11"
          value={kind}
          onChange={({ target }) => setKind(target.value as Fault['kind'])}
        >
          {Object.entries(KIND_WORDS).map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <FaultForm key={kind} kind={kind} props={props} onPut={(fault) => void change(fault, true)} />
      {problem !== '' && <p role="alert">{problem}</p>}
    </details>
  );
}
