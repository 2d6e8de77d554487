'use client';

import { useState } from 'react';
import type { FirmView } from '../../core/job';
import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { Panel } from '../kit/panel';
import { nameFew } from '../../core/text';
import type { DossierProps } from './types';

/** The points that the lead of a firm has still to try and see: ticked one by one, and signed. */
function SeePoints({ firm }: { readonly firm: FirmView }) {
  const run = useCommand();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const left = firm.points.filter(({ isSeen }) => !isSeen).map(({ id }) => id);
  const chosen = left.filter((id) => picked.includes(id));
  if (left.length === 0) return null;
  return (
    <>
      <fieldset className="flex flex-wrap gap-x-4 gap-y-1 py-1">
        <legend className="text-sm">Go to each point, try it, and tick what you saw:</legend>
        {left.map((id) => (
          <label key={id} className="flex min-h-8 items-center gap-1 font-mono text-sm">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={picked.includes(id)}
              onChange={({ target: { checked } }) =>
                setPicked(checked ? [...picked, id] : picked.filter((one) => one !== id))
              }
            />
            {id}
          </label>
        ))}
      </fieldset>
      {chosen.length > 0 && (
        <SmallForm
          button={`Sign that you tried and saw ${chosen.length}`}
          onSend={(read) =>
            void run({ kind: 'see-points', firm: firm.id, points: chosen, how: read('how') })
          }
        >
          <TextField label="How you tried them, and what you saw" name="how" />
        </SmallForm>
      )}
    </>
  );
}

/** Firms from outside: how far the round of each lead is, and what is missing before its people sign on. */
export function FirmsPanel({ view, names, me }: DossierProps) {
  const run = useCommand();
  return (
    <Panel title="Firms from outside" spot="firms">
      <p className="text-sm">{view.bounds}</p>
      {view.firms.map((firm) => {
        const { id, name, lead, points, isShown, on } = firm;
        const seen = points.filter(({ isSeen }) => isSeen).length;
        const leader = lead === undefined ? 'nobody, says the register' : (names[lead] ?? lead);
        const isComplete = seen === points.length;
        const left = points.filter(({ isSeen }) => !isSeen).map((point) => point.id);
        const isAtIt = lead === me || seen > 0 || on > 0;
        return (
          <details key={id} open={isAtIt} data-firm={id} className="border-t border-base-300 py-2">
            <summary className="cursor-pointer">
              <strong>{name}</strong>, led by {leader}: {seen} of {points.length} points tried and
              seen; bounds {isShown ? 'shown' : 'not shown'}; {on} on.
            </summary>
            {!isComplete && lead !== me && (
              <p className="text-sm">
                {leader} still goes to {nameFew(left, 6)}, and signs there.
              </p>
            )}
            {lead === me && <SeePoints firm={firm} />}
            {isComplete && !isShown && lead !== undefined && (
              <SmallForm
                button="Sign, both, that the bounds were shown"
                onSend={(read) =>
                  void run({ kind: 'show-bounds', firm: id, lead, words: read('words') })
                }
              >
                <TextField label="What was shown" name="words" value={view.bounds} />
              </SmallForm>
            )}
            <p className="text-sm">
              Before anybody of it signs on, its lead has tried and seen every point, was shown the
              bounds, and has a lock of their own on the isolation.
            </p>
          </details>
        );
      })}
    </Panel>
  );
}
