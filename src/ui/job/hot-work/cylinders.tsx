'use client';

import { useState } from 'react';
import {
  APART_WAYS,
  CYLINDER_LIFTS,
  sayCylinders,
  type ApartWay,
  type CylinderLift,
} from '../../../core/kit/cylinders';
import { capitalise } from '../../../core/text';
import { useCommand } from '../../command/use-command';
import { CheckField, ChoiceField, SmallForm, TextField } from '../../kit/field';
import { Instant } from '../../kit/moment';
import type { DossierProps } from '../types';

/** Nothing is chosen for whoever has not looked. */
const UNSAID = { id: '', label: 'choose' };
const APART = Object.entries(APART_WAYS).map(([id, label]) => ({ id, label }));
const LIFTS = Object.entries(CYLINDER_LIFTS).map(([id, label]) => ({ id, label }));

/** How gas cylinders stand at the work, or that there are none. */
export function Cylinders({ view, names }: DossierProps) {
  const run = useCommand();
  const { cylinders } = view.dossier;
  const [here, setHere] = useState(true);
  const [leaks, setLeaks] = useState(false);
  const [apart, setApart] = useState('');
  const send = (read: (name: string) => string) => {
    const isTicked = (name: string) => read(name) === 'on';
    const where = read('where');
    void run(
      here
        ? {
            kind: 'check-cylinders',
            here,
            where,
            upright: isTicked('upright'),
            capped: isTicked('capped'),
            clean: isTicked('clean'),
            apart: read('apart') as ApartWay,
            ...(read('apart_m') === '' ? {} : { apart_m: Number(read('apart_m')) }),
            off_m: Number(read('off_m')),
            lift: read('lift') as CylinderLift,
            ...(leaks
              ? {
                  leaking: {
                    outdoors: isTicked('outdoors'),
                    tagged: isTicked('tagged'),
                    clear_m: Number(read('clear_m')),
                  },
                }
              : {}),
          }
        : { kind: 'check-cylinders', here, where },
    );
  };
  return (
    <section aria-label="Gas cylinders" data-spot="cylinders" className="flex flex-col gap-1">
      <h3 className="font-bold">Gas cylinders</h3>
      {cylinders && (
        <p className="text-sm">
          {capitalise(sayCylinders(cylinders))}. Looked at by {names[cylinders.by] ?? cylinders.by},{' '}
          <Instant at={cylinders.at} />.
        </p>
      )}
      <details open={!cylinders}>
        <summary className="cursor-pointer text-sm">
          {cylinders ? 'Look at them again' : 'Look at them'}
        </summary>
        <SmallForm button="Record how they stand" onSend={send}>
          <ChoiceField
            label="Gas cylinders"
            name="here"
            options={[
              { id: 'yes', label: 'stand here' },
              { id: 'no', label: 'there are none' },
            ]}
            onPick={(id) => setHere(id === 'yes')}
          />
          <TextField label={here ? 'Where they stand' : 'Why there are none'} name="where" />
          {here && (
            <>
              <TextField label="From the cutting or welding (m)" name="off_m" type="number" />
              <ChoiceField
                label="Oxygen and fuel gas"
                name="apart"
                options={[UNSAID, ...APART]}
                onPick={setApart}
              />
              {apart === 'distance' && (
                <TextField label="Apart by (m)" name="apart_m" type="number" />
              )}
              <ChoiceField label="They came" name="lift" options={[UNSAID, ...LIFTS]} />
              <CheckField name="upright" label="each upright and tied" />
              <CheckField name="capped" label="caps on all that are not connected" />
              <CheckField name="clean" label="no oil or grease at oxygen, fittings and gloves" />
              <label className="flex w-full items-center gap-2 text-sm max-sm:min-h-11">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm max-sm:size-7"
                  checked={leaks}
                  onChange={({ target }) => setLeaks(target.checked)}
                />
                one of them leaks
              </label>
            </>
          )}
          {here && leaks && (
            <>
              <CheckField name="outdoors" label="it is outdoors" />
              <CheckField name="tagged" label="it is tagged" />
              <TextField
                label="To the nearest thing that could light it (m)"
                name="clear_m"
                type="number"
              />
            </>
          )}
        </SmallForm>
      </details>
    </section>
  );
}
