'use client';

import { useState } from 'react';
import { describeRule, RULES, type RuleCode } from '../../core/rules/book';

const PLACES = {
  raise: 'Raising',
  plan: 'Planning, and jobs in each other’s way',
  review: 'Review',
  'walk-down': 'Walking down',
  isolate: 'Isolating',
  prove: 'Proving',
  permit: 'Permit',
  work: 'Work',
  restore: 'Restoring',
  site: 'Everywhere',
} as const;

const BOOK = (Object.keys(RULES) as RuleCode[]).map(describeRule);

/** Every rule that can refuse a step: code, words, basis, and how it is cleared. */
export function RuleBook() {
  const [sought, setSought] = useState('');
  const fits = BOOK.filter((rule) =>
    `${rule.code} ${rule.says} ${rule.basis}`.toLowerCase().includes(sought.toLowerCase()),
  );
  return (
    <section aria-label="Rule book" className="flex flex-col gap-2">
      <h2 className="text-lg font-bold">Rule book: {BOOK.length} rules</h2>
      <label className="flex flex-col text-sm">
        Find a rule by word, code or basis
        <input
          className="input input-sm w-full"
          value={sought}
          onChange={({ target }) => setSought(target.value)}
        />
      </label>
      {Object.entries(PLACES).map(([place, words]) => {
        const here = fits.filter(({ where }) => where === place);
        return here.length === 0 ? null : (
          <details key={place} open={sought !== ''}>
            <summary className="cursor-pointer font-bold">
              {words} ({here.length})
            </summary>
            <ul>
              {here.map(({ code, says, basis, clear }) => (
                <li key={code} data-rule={code} className="border-t border-base-300 py-1 text-sm">
                  <p>
                    <span className="font-mono">{code}</span>: {says}
                  </p>
                  <p className="text-xs">
                    To clear it: {clear} Basis: {basis}
                  </p>
                </li>
              ))}
            </ul>
          </details>
        );
      })}
    </section>
  );
}
