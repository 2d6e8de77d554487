'use client';

import Link from 'next/link';
import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { Instant } from '../kit/moment';
import { Panel } from '../kit/panel';
import { isBroken } from './broken';
import type { DossierProps } from './types';

/** What is reported of devices that the job counts on and changed at its plant, and the way to change the plan for it. */
export function DefectsPanel({ view }: DossierProps) {
  const run = useCommand();
  const { defects, changes, dossier } = view;
  const reasons = [
    ...defects.map(({ name, device, says }) => `${name}: ${device} ${says}`),
    ...changes.filter(({ isWay }) => isWay).map(({ name, says }) => `${name}: ${says}`),
  ];
  return (
    <Panel title="Reported and changed at its plant" spot="defects">
      <ul>
        {defects.map(({ name, device, says, means, at, guard }) => (
          <li key={name} className="py-1">
            <Link href={`/defects#${name}`} className="font-mono underline">
              {name}
            </Link>{' '}
            <strong>
              <span className="font-mono">{device}</span> {says}
            </strong>
            , reported <Instant at={at} />. {means}
            {guard && (
              <>
                {' '}
                Instead: {guard.standsIn}, until <Instant at={guard.until} />.
              </>
            )}
          </li>
        ))}
        {changes.map(({ name, says, isAllowed, until, isWay }) => (
          <li key={name} className="py-1">
            <Link href={`/changes#${name}`} className="font-mono underline">
              {name}
            </Link>{' '}
            <strong>{says}</strong>: {isAllowed ? 'allowed' : 'NOT REVIEWED'}
            {until !== undefined && (
              <>
                , until <Instant at={until} />
              </>
            )}
            . {isWay && 'The plan follows it as a way that nothing shuts. '}
            Before the plant is started again it is put back, or allowed, told and drawn.
          </li>
        ))}
      </ul>
      {isBroken(view) && dossier.plan.kind === 'accepted' && (
        <SmallForm
          button="Take the plan back and change it"
          onSend={(read) => void run({ kind: 'return-plan', note: read('why') })}
        >
          <TextField label="Why the plan is taken back" name="why" value={reasons.join('; ')} />
        </SmallForm>
      )}
    </Panel>
  );
}
