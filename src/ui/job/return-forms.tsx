'use client';

import { useState } from 'react';
import type { DossierView, End } from '../../core/job';
import { SightField } from './sight-field';
import { useCommand } from '../command/use-command';
import { PickField } from '../kit/combobox';
import { CheckField, ChoiceField, SmallForm, TextField } from '../kit/field';
import type { DossierProps } from './types';
import { Time } from '../kit/moment';

const END_WORDS: Readonly<Record<End, string>> = {
  plugged: 'its end is plugged or blanked',
  'piped-away': 'it is piped away',
  'open-end': 'its end is open',
};
const ENDS = Object.entries(END_WORDS).map(([id, label]) => ({ id, label }));

type LineView = DossierView['lineup'][number];
type LeakView = DossierView['leakTests'][number];

/** How the newest test of a line went, in a sentence. */
export function LeakResult({ test, names }: Pick<LeakView, 'test'> & Pick<DossierProps, 'names'>) {
  if (!test) return <span className="text-sm">not tested yet</span>;
  const { tight, from_bar, to_bar, minutes, missed, by, at } = test;
  return (
    <span className="text-sm">
      <strong>{tight ? '✓ tight' : 'LEAKS'}</strong>:{' '}
      <span className="font-mono">
        {from_bar} bar to {to_bar} bar in {minutes} min
      </span>
      {tight && missed !== undefined
        ? `; the gauge would miss ${missed.toPrecision(2)} bar l/s. `
        : '. '}
      {names[by] ?? by}, <Time at={at} />
    </span>
  );
}

/** A pressure held on a line that was broken into. */
export function LeakTestForm({
  demand: { section, least_bar, gas_min },
  props,
}: {
  readonly demand: LeakView;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const issuers = props.choices.people.filter(({ issues }) => issues);
  return (
    <SmallForm
      button="Record the leak test"
      onSend={(read) => {
        const accepter = read('accepter');
        void run({
          kind: 'leak-test',
          section,
          fluid: accepter === '' ? 'liquid' : 'gas',
          from_bar: Number(read('from_bar')),
          to_bar: Number(read('to_bar')),
          minutes: Number(read('minutes')),
          resolution_bar: Number(read('resolution_bar')),
          weeps: read('weeps') === 'on',
          seen: read('seen'),
          ...(accepter === '' ? {} : { accepter }),
        });
      }}
    >
      <TextField
        label={`Pressure at the start (bar${least_bar === undefined ? '' : `, at least ${least_bar}`})`}
        name="from_bar"
        type="number"
      />
      <TextField label="At the end (bar)" name="to_bar" type="number" />
      <TextField
        label={`Held for (min, at least ${props.view.values['leak-test-min']})`}
        name="minutes"
        type="number"
      />
      <TextField label="Smallest step of the gauge (bar)" name="resolution_bar" type="number" />
      <PickField
        label="With"
        name="accepter"
        options={[
          { id: '', label: 'liquid' },
          ...issuers.map(({ id, name }) => ({ id, label: `gas, accepted by ${name}` })),
        ]}
      />
      <p className="w-full text-sm">
        {gas_min === undefined
          ? 'With gas nobody knows how long it has to be held: the drawing gives no volume.'
          : `With gas, held for at least ${gas_min} min for each 0.01 bar of the gauge’s step, to show a leak of ${props.view.values['leak-test-shows']} mbar L/s.`}
      </p>
      <TextField label="What was seen at joints and seals" name="seen" />
      <CheckField name="weeps" label="something comes out" />
    </SmallForm>
  );
}

/** A point of the line-up: how it was found, a button for each way, and what is at its free end. */
export function LineForm({ line }: { readonly line: LineView }) {
  const run = useCommand();
  const [end, setEnd] = useState<End>('plugged');
  const { point, hasEnd, heldBy, words } = line;
  const asksEnd = hasEnd && heldBy === undefined;
  return (
    <div className="flex flex-wrap items-end gap-2">
      {asksEnd && (
        <ChoiceField
          label={`End of ${point}`}
          name="end"
          options={ENDS}
          onPick={(id) => setEnd(id as End)}
        />
      )}
      {(['open', 'closed'] as const).map((found) => (
        <button
          key={found}
          className="btn btn-primary btn-sm max-sm:h-11"
          onClick={() =>
            void run({ kind: 'walk-lineup', point, found, ...(asksEnd ? { end } : {}) })
          }
        >
          Found {words[found]} <span className="sr-only">{point}</span>
        </button>
      ))}
    </div>
  );
}

/** What a point of the line-up should be, and how it was found otherwise. */
export function LineWords({ line, view }: { readonly line: LineView; readonly view: DossierView }) {
  const { point, normal, hasEnd, heldBy, words } = line;
  const differs = view.dossier.isolation.differs[point];
  return (
    <>
      {heldBy === undefined
        ? `normally ${words[normal]}`
        : `stays ${words[normal]}: ${heldBy} holds it`}
      {hasEnd && heldBy === undefined ? ', end plugged' : ''}
      {differs && (
        <strong className="block">
          Found {words[differs.found]}
          {differs.end ? `, ${END_WORDS[differs.end]}` : ''}: put it right and walk it again.
        </strong>
      )}
    </>
  );
}

/** The start after the work, seen from a distance. */
export function StartForm() {
  const run = useCommand();
  return (
    <SmallForm
      button="Record the start"
      onSend={(read) =>
        void run({
          kind: 'see-start',
          told: read('before'),
          clear: read('clear') === 'on',
          ran: read('ran') === 'ran',
          sight: read('sight') === 'seen' ? 'seen' : 'message',
          seen: read('start-seen'),
        })
      }
    >
      <TextField label="Who was told before it" name="before" />
      <ChoiceField
        label="What was done"
        name="ran"
        options={[
          { id: 'ran', label: 'started and watched' },
          { id: 'stands', label: 'left standing, ready' },
        ]}
      />
      <SightField />
      <TextField label="What was seen of it" name="start-seen" />
      <CheckField name="clear" label="everyone was seen to keep clear" />
    </SmallForm>
  );
}
