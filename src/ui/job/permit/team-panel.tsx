'use client';

import { useState } from 'react';
import { useCommand } from '../../command/use-command';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';

/** Who is named for the work: others are sent to the permit of their own job. */
export function TeamPanel({ view, names, choices }: DossierProps) {
  const run = useCommand();
  const { team } = view.dossier;
  const [picked, setPicked] = useState<readonly string[]>(team);
  const workers = choices.people.filter(({ worker }) => worker);
  return (
    <Panel title="Team">
      <p>
        {team.length === 0
          ? 'Nobody is named: any worker who is not named elsewhere may sign on.'
          : team.map((id) => names[id] ?? id).join(', ')}
      </p>
      <details>
        <summary className="cursor-pointer text-sm">Name the team</summary>
        <div className="flex flex-wrap gap-x-4 gap-y-1 py-1">
          {workers.map(({ id, name, employer }) => (
            <label key={id} className="flex items-center gap-1 text-sm">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={picked.includes(id)}
                onChange={({ target: { checked } }) =>
                  setPicked(checked ? [...picked, id] : picked.filter((one) => one !== id))
                }
              />
              {name}, {employer}
            </label>
          ))}
        </div>
        <button
          className="btn btn-primary btn-sm"
          disabled={picked.length === 0}
          onClick={() => void run({ kind: 'name-team', people: [...picked] })}
        >
          Name this team
        </button>
      </details>
    </Panel>
  );
}
