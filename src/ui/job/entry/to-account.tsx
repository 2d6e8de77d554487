'use client';

import { useCommand } from '../../command/use-command';
import type { DossierProps } from '../types';

/** Everyone who was inside when the alarm came, until each is ticked out. */
export function ToAccount(props: DossierProps) {
  const run = useCommand();
  const { emptying, inside } = props.view.dossier.entry;
  if (!emptying || emptying.people.length === 0) return null;
  return (
    <section aria-label="To account for" data-spot="account" className="border-4 border-error p-2">
      <h3 className="text-lg font-bold">▲ EVERYONE OUT: {emptying.why}</h3>
      <p>Not accounted for:</p>
      <ul>
        {emptying.people.map((person) => (
          <li key={person} data-missing={person} className="flex flex-wrap items-center gap-2 py-1">
            <strong className="text-xl">{props.names[person] ?? person}</strong>
            <button
              className="btn btn-sm"
              onClick={() =>
                void run({ kind: 'leave-space', person, tools: inside[person]?.tools ?? 0 })
              }
            >
              {props.names[person] ?? person} is out, seen by me
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
