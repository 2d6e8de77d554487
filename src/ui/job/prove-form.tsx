'use client';

import { useState } from 'react';
import type { Command } from '../../core/job';
import type { Arrangement, ElectricalRound, ProofDemand } from '../../core/proving';
import { ARRANGEMENT_NAMES, ARRANGEMENTS, listPairs } from '../../core/proving/electrical-round';
import { saySeen } from '../../core/proving/beside';
import { ReadButton } from '../practice/read-button';
import { PickField } from '../kit/combobox';
import { CheckField, LIST_CLASS, SmallForm, TextField } from '../kit/field';
import { SecondField } from './second-field';
import type { DossierProps } from './types';

interface Proving {
  readonly demand: ProofDemand;
  readonly props: DossierProps;
  readonly instruments: readonly { readonly id: string; readonly label: string }[];
  readonly run: (command: Command) => void;
}

const inWords = (pair: string) => pair.replace('-', ' to ');

/** One reading of a gauge or a portable instrument. */
function ReadingForm({ demand, instruments, run, props }: Proving) {
  return (
    <SmallForm
      button="Record the reading"
      onSend={(read) =>
        run({
          kind: 'prove',
          proof: demand.id,
          reading: Number(read('reading')),
          unit: demand.unit,
          instrument: read('instrument'),
          seen: demand.sees.filter((one) => read(one) === 'on'),
        })
      }
    >
      <ReadButton
        props={props}
        label="Read the stand-in"
        ask={() => ({ kind: 'proof', proof: demand.id })}
        sees={demand.sees}
      />
      <TextField label={`Reading (${demand.unit})`} name="reading" type="number" />
      <PickField label="Instrument" name="instrument" options={instruments} />
      {demand.sees.map((one) => (
        <CheckField key={one} name={one} label={saySeen(one, demand.beside, props.view.values)} />
      ))}
    </SmallForm>
  );
}

/** A round with the voltage tester, in the order in which it is done. */
function RoundForm({ demand, instruments, run, props }: Proving) {
  const isByTwo = props.view.twoPersons.includes(demand.id);
  const [arrangement, setArrangement] = useState<Arrangement>('four-wire');
  const pairs = listPairs(arrangement);
  const send = (read: (name: string) => string) => {
    const readings = Object.fromEntries(pairs.map((pair) => [pair, Number(read(pair))]));
    const round: ElectricalRound = {
      arrangement,
      source: read('source'),
      source_v: Number(read('source_v')),
      before_v: Number(read('before_v')),
      after_v: Number(read('after_v')),
      readings,
    };
    run({
      kind: 'prove',
      proof: demand.id,
      reading: Math.max(...Object.values(readings).map(Math.abs)),
      unit: demand.unit,
      instrument: read('instrument'),
      round,
      seen: demand.sees.filter((one) => read(one) === 'on'),
      ...(isByTwo ? { second: read('second'), ordered: read('ordered') === 'on' } : {}),
    });
  };
  return (
    <SmallForm button="Record the round" onSend={send}>
      <label className="flex grow flex-col text-sm">
        Conductors
        <select
          name="arrangement"
          className={LIST_CLASS}
          value={arrangement}
          onChange={({ target }) => setArrangement(target.value as Arrangement)}
        >
          {ARRANGEMENT_NAMES.map((one) => (
            <option key={one} value={one}>
              {ARRANGEMENTS[one].join(' ')}: {listPairs(one).length} pairs with earth
            </option>
          ))}
        </select>
      </label>
      <PickField label="Tester" name="instrument" options={instruments} />
      <TextField label="Known live source" name="source" />
      <TextField label="It is rated for (V)" name="source_v" type="number" />
      {isByTwo && <SecondField props={props} />}
      <ReadButton
        props={props}
        label="Test with the stand-in"
        ask={(read) => ({
          kind: 'proof',
          proof: demand.id,
          arrangement,
          instrument: read('instrument'),
          source_v: Number(read('source_v')) || undefined,
        })}
      />
      <fieldset className="grid w-full gap-x-3 gap-y-1 border-l-4 border-base-300 pl-2 sm:grid-cols-3">
        <legend className="text-sm font-bold">In turn, as read</legend>
        <TextField label="Known source, before (V)" name="before_v" type="number" />
        {pairs.map((pair) => (
          <TextField key={pair} label={`${inWords(pair)} (V)`} name={pair} type="number" />
        ))}
        <TextField label="Known source, after (V)" name="after_v" type="number" />
      </fieldset>
      {isByTwo && (
        <CheckField name="ordered" label="lowest before higher, nearest before farther" />
      )}
      {demand.sees.map((one) => (
        <CheckField key={one} name={one} label={saySeen(one, demand.beside, props.view.values)} />
      ))}
    </SmallForm>
  );
}

/** What proves one thing dead: a reading, or for voltage a whole round. */
export function ProveForm({
  proof,
  props,
  run,
}: {
  readonly proof: string;
  readonly props: DossierProps;
  readonly run: (command: Command) => void;
}) {
  const demand = props.view.proofs.find(({ id }) => id === proof);
  if (!demand) return null;
  const instruments = props.choices.instruments
    .filter(({ reads }) => reads === demand.kind)
    .map(({ id, name }) => ({ id, label: `${id} ${name}` }));
  const Form = demand.kind === 'voltage' ? RoundForm : ReadingForm;
  return <Form demand={demand} instruments={instruments} run={run} props={props} />;
}
