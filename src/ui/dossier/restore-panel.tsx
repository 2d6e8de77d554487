'use client';

import { useCommand } from '../command/use-command';
import { AbsentForm } from './absent';
import { Panel, SmallForm, TextField } from './field';
import { RESTORE_NAMES } from './names';
import { commandFor } from './restore-command';
import type { DossierProps } from './types';

/** The way back: box, points in order, line walked, plant taken back, job closed. */
export function RestorePanel({ view, names, me, choices }: DossierProps) {
  const run = useCommand();
  const { isolation } = view.dossier;
  const next = view.restore.find(({ done }) => !done);
  const earths = Object.keys(isolation.earths).length;
  const restored = next === undefined && !isolation.box;
  return (
    <Panel title="Restore">
      {isolation.box && (
        <button
          className="btn btn-primary btn-sm self-start"
          onClick={() => void run({ kind: 'open-box' })}
        >
          Take control lock {isolation.box.lock} off box {isolation.box.box}
        </button>
      )}
      <ol className="flex flex-col">
        {view.restore.map((step) => {
          const hung = isolation.locked[step.subject];
          const open = !step.done && !isolation.box && step.group === next?.group;
          return (
            <li
              key={step.kind + step.subject}
              data-subject={step.subject}
              className="flex flex-wrap items-center gap-2 border-t border-base-300 py-1"
            >
              <span className="w-44">
                {step.done ? '✓ ' : ''}
                {RESTORE_NAMES[step.kind]}
              </span>
              <span className="w-28 font-mono">{step.subject}</span>
              <span className="grow text-sm">
                {hung ? `lock ${hung.lock}, hung by ${names[hung.by] ?? hung.by}` : ''}
              </span>
              {open && (
                <button className="btn btn-sm" onClick={() => void run(commandFor(step))}>
                  {RESTORE_NAMES[step.kind]}
                </button>
              )}
              {open && hung && hung.by !== me && (
                <AbsentForm lock={hung.lock} owner={names[hung.by] ?? hung.by} choices={choices} />
              )}
            </li>
          );
        })}
      </ol>
      {earths > 0 &&
        !isolation.box &&
        !view.restore.some(({ kind, done }) => kind === 'earth-off' && !done) && (
          <SmallForm
            button="Counted off"
            onSend={(read) => void run({ kind: 'count-earths', counted: Number(read('earths')) })}
          >
            <TextField label="Earths counted off" name="earths" type="number" />
          </SmallForm>
        )}
      {restored && (
        <>
          <h3 className="font-bold">Walk the line</h3>
          <ul className="flex flex-col">
            {view.lineup.map(({ point, normal, done }) => (
              <li
                key={point}
                data-point={point}
                className="flex items-center gap-2 border-t border-base-300 py-1"
              >
                <span className="w-28 font-mono">
                  {done ? '✓ ' : ''}
                  {point}
                </span>
                <span className="grow text-sm">normally {normal}</span>
                {!done &&
                  (['open', 'closed'] as const).map((found) => (
                    <button
                      key={found}
                      className="btn btn-sm"
                      onClick={() => void run({ kind: 'walk-lineup', point, found })}
                    >
                      Found {found}
                    </button>
                  ))}
              </li>
            ))}
          </ul>
          {isolation.takenBack ? (
            <button
              className="btn btn-primary btn-sm self-start"
              onClick={() => void run({ kind: 'close-job' })}
            >
              Close the job
            </button>
          ) : (
            <SmallForm
              button="Operations takes it back"
              onSend={(read) => void run({ kind: 'take-back', told: read('told') })}
            >
              <TextField label="Who was told" name="told" />
            </SmallForm>
          )}
        </>
      )}
    </Panel>
  );
}
