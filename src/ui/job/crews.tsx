'use client';

import type { Crew, HeldPermit, SignedOn } from '../../core/job';
import { useCommand } from '../command/use-command';
import { AbsentForm } from './absent';
import { listFree } from './box-panel';
import { PickField } from '../kit/combobox';
import { SmallForm, TextField } from '../kit/field';
import type { DossierProps } from './types';

function Lead({
  crew,
  name,
  props,
}: {
  readonly crew: Crew;
  readonly name: string;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { names, choices } = props;
  const { lead, lock, verified, incoming } = crew;
  return (
    <div className="flex flex-col gap-1">
      <p>
        Lead {names[lead] ?? lead}, crew lock <strong className="font-mono">{lock}</strong>; saw:{' '}
        {verified}
      </p>
      {incoming && (
        <p>
          Incoming lead {names[incoming.lead] ?? incoming.lead}, crew lock{' '}
          <strong className="font-mono">{incoming.lock}</strong>; saw: {incoming.verified}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          className="btn btn-sm max-sm:h-11"
          onClick={() => void run({ kind: 'take-off-crew-lock', crew: name, lead, lock })}
        >
          {incoming ? `Hand over: take ${lock} off` : `Crew leaves: take ${lock} off`}
        </button>
        <AbsentForm lock={lock} owner={names[lead] ?? lead} choices={choices} />
      </div>
    </div>
  );
}

/** A lead hangs a crew lock: a new crew, or the next lead of one that is here. */
function CrewForm({
  permit,
  props,
}: {
  readonly permit: HeldPermit;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { choices } = props;
  return (
    <details>
      <summary className="cursor-pointer text-sm">A crew comes, or changes its lead</summary>
      <SmallForm
        button="Hang the crew lock"
        onSend={(read) =>
          void run({
            kind: 'hang-crew-lock',
            crew: read('crew'),
            lead: read('lead'),
            lock: read('crewLock'),
            verified: read('verified'),
          })
        }
      >
        <label className="flex grow flex-col text-sm">
          Crew
          <input
            name="crew"
            required
            list="crews"
            className="input input-sm w-full max-sm:h-11 max-sm:text-base"
          />
          <datalist id="crews">
            {[
              ...new Set([
                ...Object.keys(permit.crews),
                ...choices.people.map(({ employer }) => employer),
              ]),
            ].map((name) => (
              <option key={name} value={name} />
            ))}
          </datalist>
        </label>
        <PickField
          label="Lead"
          name="lead"
          options={choices.people
            .filter(({ leads }) => leads)
            .map(({ id, name, employer }) => ({ id, label: `${name}, ${employer}` }))}
        />
        <PickField label="Crew lock" name="crewLock" options={listFree(props, 'crew')} />
        <TextField label="What the lead saw of the isolation" name="verified" />
      </SmallForm>
    </details>
  );
}

function People({
  people,
  props,
}: {
  readonly people: readonly (readonly [string, SignedOn])[];
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { names, choices, view } = props;
  const isEach = view.dossier.isolation.lockout === 'each-point';
  return (
    <ul className="flex flex-col gap-1">
      {people.map(([person, { locks }]) => {
        const all = Object.entries(locks);
        const [first] = all;
        return (
          <li
            key={person}
            data-on={person}
            className="flex flex-wrap items-center gap-x-2 border-t border-base-300 pt-1"
          >
            <span className="grow">
              {names[person] ?? person},{' '}
              {all.map(([where, lock]) => (
                <span key={where}>
                  lock <span className="font-mono">{lock}</span> on{' '}
                  {isEach ? <span className="font-mono">{where} </span> : 'the box'}
                </span>
              ))}
            </span>
            <button
              className="btn btn-sm max-sm:h-11"
              onClick={() =>
                void run({
                  kind: 'sign-off',
                  person,
                  ...(isEach ? { each: locks } : { lock: first?.[1] }),
                })
              }
            >
              <span>
                Sign<span className="sr-only"> {names[person] ?? person}</span> off
              </span>
            </button>
            {all.map(([where, lock]) => (
              <AbsentForm
                key={where}
                lock={lock}
                owner={names[person] ?? person}
                choices={choices}
              />
            ))}
          </li>
        );
      })}
    </ul>
  );
}

/** Who is on, crew by crew: the performing authority's own people first, then each crew under its lead. */
export function Crews({
  permit,
  props,
}: {
  readonly permit: HeldPermit;
  readonly props: DossierProps;
}) {
  const on = Object.entries(permit.people);
  const of = (crew: string | undefined) => on.filter(([, one]) => one.crew === crew);
  const { names, view } = props;
  return (
    <section aria-label="Signed on" data-spot="crews" className="flex scroll-mt-44 flex-col gap-2">
      {of(undefined).length > 0 && (
        <p className="font-bold">With {names[view.dossier.performer] ?? view.dossier.performer}</p>
      )}
      <People people={of(undefined)} props={props} />
      {Object.entries(permit.crews).map(([name, crew]) => (
        <section key={name} data-crew={name} className="border-l-4 border-base-300 pl-2">
          <h3 className="font-bold">
            {name}: {of(name).length} on
          </h3>
          <Lead crew={crew} name={name} props={props} />
          <People people={of(name)} props={props} />
        </section>
      ))}
      {view.dossier.isolation.box && <CrewForm permit={permit} props={props} />}
    </section>
  );
}
