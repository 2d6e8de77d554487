'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { RulesEffect } from '../../core/job';
import {
  DEFAULT_VALUES,
  SITE_VALUES,
  type SiteValues,
  type ValueCode,
} from '../../core/rules/values';
import { PinField, SmallForm, TextField } from '../kit/field';
import { post, type Posted } from '../command/post';
import { Tabs, type Tab } from '../kit/tabs';
import { VALUE_GROUPS } from './groups';
import { RuleBook } from './rule-book';
import { fromText, toText, ValueField } from './value-field';
import { Instant } from '../kit/moment';

const CODES = Object.keys(SITE_VALUES) as ValueCode[];

interface Answer extends Posted {
  readonly effects?: readonly RulesEffect[];
}

function Effects({ effects }: { readonly effects: readonly RulesEffect[] }) {
  if (effects.length === 0) return <p>No open job is affected.</p>;
  return (
    <ul>
      {effects.map(({ job, title, gains, loses }) => (
        <li key={job} data-effect={job} className="border-t border-base-300 py-1">
          <p className="font-bold">
            <span className="font-mono">{job}</span> {title}
          </p>
          {gains.map(({ code, says }) => (
            <p key={code} className="text-sm">
              would be held up: {says}
            </p>
          ))}
          {loses.map(({ code, says }) => (
            <p key={code} className="text-sm">
              no longer held up: {says}
            </p>
          ))}
        </li>
      ))}
    </ul>
  );
}

/** Shows what a change does to the open jobs, then saves it, signed. */
function SavePanel({
  values,
  version,
}: {
  readonly values: Readonly<Record<string, unknown>>;
  readonly version: number;
}) {
  const router = useRouter();
  const [answer, setAnswer] = useState<Answer>();
  const [seen, setSeen] = useState('');
  const isSeen = answer?.ok === true && seen === JSON.stringify(values);
  const look = async () => {
    setAnswer(await post<Answer>('/api/rules/effect', { values }));
    setSeen(JSON.stringify(values));
  };
  const save = async (note: string, pin: string) => {
    const saved = await post<Answer>('/api/rules', { values, expected: version, note, pin });
    setAnswer(saved.ok ? undefined : saved);
    if (saved.ok) router.refresh();
  };
  return (
    <section aria-label="Change" className="flex flex-col gap-2 border-2 border-base-content p-3">
      <button className="btn btn-sm self-start" onClick={() => void look()}>
        What this would change
      </button>
      {answer && !answer.ok && (
        <div role="alert" className="font-bold text-error">
          <p>{answer.error}</p>
          {(answer.problems ?? []).map((problem) => (
            <p key={problem}>{problem}</p>
          ))}
        </div>
      )}
      {isSeen && (
        <>
          <Effects effects={answer.effects ?? []} />
          <SmallForm
            button={`Save as version ${version + 1}`}
            onSend={(read) => void save(read('note'), read('pin'))}
          >
            <TextField label="What is changed, and why" name="note" />
            <PinField />
          </SmallForm>
        </>
      )}
    </section>
  );
}

interface Saved {
  readonly version: number;
  readonly actor: string;
  readonly at: string;
  readonly note: string;
}

/** Every version of the rules that was saved, with who and why. */
function Versions({
  saved,
  names,
}: {
  readonly saved: readonly Saved[];
  readonly names: Readonly<Record<string, string>>;
}) {
  if (saved.length === 0) return <p>Nothing was changed yet: the defaults count.</p>;
  return (
    <ul aria-label="Versions">
      {saved.map(({ version, actor, at, note }) => (
        <li key={version} className="border-t border-base-300 py-1 text-sm">
          <span className="font-mono">{version}</span>: {note} ({names[actor] ?? actor},{' '}
          <Instant at={at} />)
        </li>
      ))}
    </ul>
  );
}

/** The rules of the site: values that it may set, each with its range and basis, every version, and the whole rule book. */
export function RulesScreen({
  version,
  values,
  saved,
  mayChange,
  names,
}: {
  readonly version: number;
  readonly values: SiteValues;
  readonly saved: readonly Saved[];
  readonly mayChange: boolean;
  readonly names: Readonly<Record<string, string>>;
}) {
  const [texts, setTexts] = useState<Readonly<Partial<Record<ValueCode, string>>>>({});
  const [shown, setShown] = useState('');
  const textOf = (code: ValueCode) => texts[code] ?? toText(values[code]);
  const isChanged = CODES.some((code) => textOf(code) !== toText(values[code]));
  const changed = Object.fromEntries(CODES.map((code) => [code, fromText(code, textOf(code))]));
  const tabs: Tab[] = [
    ...Object.entries(VALUE_GROUPS).map(([group, codes]) => ({
      id: group,
      label: group,
      count: codes.filter((code) => textOf(code) !== toText(values[code])).length,
      content: (
        <ul aria-label={group}>
          {codes.map((code) => (
            <ValueField
              key={code}
              code={code}
              text={textOf(code)}
              standard={toText(DEFAULT_VALUES[code])}
              locked={!mayChange}
              onChange={(text) => setTexts({ ...texts, [code]: text })}
            />
          ))}
        </ul>
      ),
    })),
    {
      id: 'versions',
      label: 'Versions',
      content: <Versions saved={saved} names={names} />,
    },
    { id: 'book', label: 'Rule book', content: <RuleBook /> },
  ];
  return (
    <main className="flex max-w-6xl flex-col gap-3 p-4">
      <h1 className="text-xl font-bold">Site rules</h1>
      <p>
        {version === 0 ? 'The defaults count.' : `Version ${version} counts.`}{' '}
        {mayChange
          ? 'A change counts from when it is saved; every decision keeps the version that it was made under.'
          : 'A site manager may change these values.'}{' '}
        Local codes and the law come first.
      </p>
      {mayChange && isChanged && <SavePanel key={version} values={changed} version={version} />}
      <Tabs label="Rules by what they are about" tabs={tabs} shown={shown} onShow={setShown} />
    </main>
  );
}
