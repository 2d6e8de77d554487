'use client';

import { useCommand } from '../../command/use-command';
import { ChoiceField, SmallForm, TextField } from '../../kit/field';
import type { DossierProps } from '../types';

const PLACES = {
  alarm: 'Nearest alarm point',
  water: 'Nearest hose or hydrant',
  extinguisher: 'Extinguisher',
  telephone: 'Telephone',
  eyewash: 'Eyewash',
} as const;
type Place = keyof typeof PLACES;
const NAMES = Object.keys(PLACES) as Place[];

/** What the fire watch knows of the place before the first spark. */
export function BriefWatch({ view, names }: DossierProps) {
  const run = useCommand();
  const { briefed } = view.dossier.hotWork;
  return (
    <section aria-label="What the watch knows" className="flex flex-col gap-1">
      <h3 className="font-bold">What the fire watch knows before the first spark</h3>
      {briefed && (
        <>
          <p className="text-sm">
            {NAMES.map((place) => `${PLACES[place]}: ${briefed[place]}`).join('; ')}; ways out:{' '}
            {briefed.exits.join(' and ')}; {briefed.people} work there.{' '}
            {briefed.sees === 'all'
              ? 'One watch sees everything that sparks can reach.'
              : 'One watch does not see everything: there are two.'}
          </p>
          <p className="text-sm">Gone through by {names[briefed.by] ?? briefed.by}.</p>
        </>
      )}
      <details open={!briefed}>
        <summary className="cursor-pointer text-sm">
          {briefed ? 'Go through it anew' : 'Go through the place with the watch'}
        </summary>
        <SmallForm
          button="Record what the watch knows"
          onSend={(read) =>
            void run({
              kind: 'brief-watch',
              alarm: read('alarm'),
              water: read('water'),
              extinguisher: read('extinguisher'),
              telephone: read('telephone'),
              eyewash: read('eyewash'),
              exits: [read('exit'), read('otherExit')],
              people: Number(read('people')),
              sees: read('sees') as 'all' | 'not-all',
            })
          }
        >
          {NAMES.map((place) => (
            <TextField key={place} label={PLACES[place]} name={place} />
          ))}
          <TextField label="One way out" name="exit" />
          <TextField label="Another way out" name="otherExit" />
          <TextField label="How many work there" name="people" type="number" />
          <ChoiceField
            label="What sparks can reach is seen"
            name="sees"
            options={[
              { id: 'all', label: 'all of it, by one watch' },
              { id: 'not-all', label: 'not by one: there is a second watch' },
            ]}
          />
        </SmallForm>
      </details>
    </section>
  );
}
