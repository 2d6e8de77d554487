'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { Due } from '../../core/due';
import { PEOPLE_COLUMNS } from '../../core/people/columns';
import type { Registers } from '../../core/registers/schema';
import { ROLE_NAMES, type Person } from '../../core/people/people';
import { SheetTool } from '../kit/sheet-tool';
import { Day, Instant } from '../kit/moment';
import { Panel } from '../kit/panel';
import { CodePanel } from './code-panel';
import { PersonForm } from './person-form';

/** A change to a person, as the ledger has it. */
export interface PersonPast {
  readonly at: string;
  readonly by: string;
  readonly words: string;
}

interface Props {
  readonly people: readonly Person[];
  readonly version: number;
  readonly shown: string | undefined;
  readonly isNew: boolean;
  readonly withPin: readonly string[];
  readonly holds: readonly string[];
  readonly past: readonly PersonPast[];
  readonly witnesses: readonly { readonly id: string; readonly label: string }[];
  readonly me: string;
  readonly areas: readonly string[];
  /** Firms of the register of employers. */
  readonly firms: readonly string[];
  readonly bundles: Registers['bundles'];
  readonly mayChange: boolean;
  /** Authorisations that have run out or soon will. */
  readonly due: readonly Due[];
}

function PeopleTable({
  people,
  shown,
  withPin,
  due,
}: Pick<Props, 'people' | 'shown' | 'withPin' | 'due'>) {
  const [text, setText] = useState('');
  const found = useMemo(() => {
    const wanted = text.trim().toLowerCase();
    return people.filter(({ id, name, employer, authorisations }) =>
      [
        id,
        name,
        employer,
        ...authorisations.flatMap(({ role, areas = [] }) => [ROLE_NAMES[role], ...areas]),
      ]
        .join(' ')
        .toLowerCase()
        .includes(wanted),
    );
  }, [people, text]);
  const hasPin = new Set(withPin);
  return (
    <>
      <label className="flex flex-col text-sm">
        Find by name, employer, authorisation or area
        <input
          type="search"
          value={text}
          onChange={({ target }) => setText(target.value)}
          className="input input-sm w-full"
        />
      </label>
      <p className="text-sm">
        {found.length} of {people.length}
      </p>
      <div className="max-h-[60vh] overflow-auto" tabIndex={0}>
        <table className="w-full text-sm">
          <caption className="sr-only">People of the site</caption>
          <thead>
            <tr className="text-left">
              <th>Name</th>
              <th>Employer</th>
              <th>Authorised as</th>
              <th>Note</th>
            </tr>
          </thead>
          <tbody>
            {found.slice(0, MOST_SHOWN).map((person) => {
              const { id, name, employer, authorisations, leftAt } = person;
              const own = due.filter(({ kind, of }) => kind === 'authorisation' && of === id);
              return (
                <tr
                  key={id}
                  aria-current={id === shown ? 'true' : undefined}
                  className={`border-t border-base-300 align-top ${id === shown ? 'bg-base-200' : ''}`}
                >
                  <th className="py-1 pr-3 text-left">
                    <Link href={`/people?person=${id}`} className="underline">
                      {name}
                    </Link>{' '}
                    <span className="font-mono text-xs font-normal">{id}</span>
                  </th>
                  <td className="pr-3">{employer}</td>
                  <td className="pr-3">
                    {[...new Set(authorisations.map(({ role }) => ROLE_NAMES[role]))].join(', ') ||
                      'nothing yet'}
                  </td>
                  <td>
                    {leftAt !== undefined && (
                      <>
                        left <Day at={leftAt} />
                      </>
                    )}
                    {leftAt === undefined && !hasPin.has(id) && 'no PIN yet. '}
                    {own.map(({ id: one, what, until, isOver }) => (
                      <span key={one} className={isOver ? 'block font-bold text-error' : 'block'}>
                        {what} {isOver ? 'over since' : 'until'} <Day at={until} />
                      </span>
                    ))}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {found.length > MOST_SHOWN && (
        <p className="text-sm">The first {MOST_SHOWN} are shown. Type more of the name.</p>
      )}
    </>
  );
}

/** So many rows are drawn at once. */
const MOST_SHOWN = 200;

function Past({ past }: { readonly past: readonly PersonPast[] }) {
  return (
    <Panel title="What was changed">
      <ul className="max-h-48 overflow-auto text-sm" tabIndex={0}>
        {past.map(({ at, by, words }) => (
          <li key={at + words} className="border-t border-base-300 py-1">
            <Instant at={at} />, {by}: {words}
          </li>
        ))}
      </ul>
    </Panel>
  );
}

/** One person: what they hold, their form, their PIN, and what was changed. */
function OnePerson({
  person,
  ...props
}: Omit<Props, 'shown' | 'isNew'> & { readonly person: Person | undefined }) {
  const { holds, version, areas, people, mayChange, me, withPin, witnesses, past } = props;
  const { firms, bundles } = props;
  const employers = [...new Set([...firms, ...people.map(({ employer }) => employer)])];
  return (
    <section aria-label="Person" className="flex flex-col gap-4">
      <h2 className="text-lg font-bold">{person ? person.name : 'Add a person'}</h2>
      {holds.length > 0 && (
        <p className="border-l-4 border-info pl-2 text-sm">Still holds: {holds.join('; ')}.</p>
      )}
      {mayChange ? (
        <>
          <PersonForm
            key={`${person?.id ?? ''} ${version}`}
            {...{ person, version, employers, bundles, areas }}
          />
          {person && (
            <CodePanel
              key={person.id}
              person={person}
              me={me}
              hasPin={withPin.includes(person.id)}
              witnesses={witnesses.filter(({ id }) => id !== person.id && id !== me)}
            />
          )}
        </>
      ) : (
        <ul className="text-sm">
          {(person?.authorisations ?? []).map(({ role, until, evidence }, n) => (
            <li key={n} className="border-t border-base-300 py-1">
              {ROLE_NAMES[role]} until <Day at={until} />
              {evidence === undefined ? '' : `: ${evidence}`}
            </li>
          ))}
        </ul>
      )}
      {person && <Past past={past} />}
    </section>
  );
}

/** The people of the site: who they are, what they are authorised to, on what evidence and until when. */
export function PeopleScreen({ shown, isNew, ...props }: Props) {
  const { people, mayChange } = props;
  const person = people.find(({ id }) => id === shown);
  return (
    <main className="flex flex-col gap-4 p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="text-xl font-bold">People</h1>
        {mayChange && (
          <span className="ml-auto flex items-center gap-3 text-sm">
            <a href="/api/people/sheet" className="underline">
              Download as CSV
            </a>
            <a href="/api/people/badges" className="underline">
              Print badges (PDF)
            </a>
            <Link href="/people?new" className="btn btn-primary btn-sm">
              Add a person
            </Link>
          </span>
        )}
      </div>
      <div className="grid items-start gap-6 lg:grid-cols-2">
        <section aria-label="People" className="flex flex-col gap-2">
          <PeopleTable {...props} shown={shown} />
          {mayChange && (
            <SheetTool url="/api/people/sheet" what="people" columns={PEOPLE_COLUMNS} />
          )}
        </section>
        {(person !== undefined || isNew) && <OnePerson {...props} person={person} />}
      </div>
    </main>
  );
}
