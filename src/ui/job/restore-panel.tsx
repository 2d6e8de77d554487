'use client';

import { useCommand } from '../command/use-command';
import { AbsentForm } from './absent';
import { EarthOffForm } from './earth-off-form';
import { SmallForm, TextField } from '../kit/field';
import { Panel } from '../kit/panel';
import { RESTORE_NAMES } from './names';
import { commandFor } from './restore-command';
import { LeakResult, LeakTestForm, LineForm, LineWords, StartForm } from './return-forms';
import type { DossierProps } from './types';
import { Time } from '../kit/moment';

type RestoreStep = DossierProps['view']['restore'][number];

function StepRow({
  step,
  isOpen,
  props,
}: {
  readonly step: RestoreStep;
  readonly isOpen: boolean;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { view, names, me, choices } = props;
  const { subject } = step;
  const hung = view.dossier.isolation.locked[subject];
  const heldBy = view.shared[subject];
  const isEarth = step.kind === 'earth-off' && heldBy === undefined;
  return (
    <li
      data-subject={subject}
      className="flex flex-wrap items-center gap-2 border-t border-base-300 py-1"
    >
      <span className="w-44">
        {step.done ? '✓ ' : ''}
        {RESTORE_NAMES[step.kind]}
      </span>
      <span className="w-28 font-mono">{subject}</span>
      <span className="grow text-sm">
        {hung ? `lock ${hung.lock}, hung by ${names[hung.by] ?? hung.by}` : ''}
        {heldBy === undefined ? '' : ` Stays as it is: ${heldBy} needs it.`}
      </span>
      {isOpen && isEarth && <EarthOffForm outlet={subject} />}
      {isOpen && !isEarth && (
        <button className="btn btn-sm" onClick={() => void run(commandFor(step, heldBy))}>
          {heldBy === undefined || hung ? RESTORE_NAMES[step.kind] : 'Left as it is'}
        </button>
      )}
      {isOpen && hung && hung.by !== me && (
        <AbsentForm lock={hung.lock} owner={names[hung.by] ?? hung.by} choices={choices} />
      )}
    </li>
  );
}

/** Lines that were broken into, tested once their outlets are shut and before the first lock comes off. */
function LeakTests(props: DossierProps) {
  const { view, names } = props;
  const isShut = view.restore.every(({ kind, done }) => kind === 'unlock' || done);
  const isLocked = view.restore.some(({ kind, done }) => kind === 'unlock' && !done);
  if (view.leakTests.length === 0) return null;
  return (
    <>
      <h3 className="font-bold">Test for leaks, before the first lock comes off</h3>
      <ul>
        {view.leakTests.map((demand) => (
          <li
            key={demand.section}
            data-leak={demand.section}
            className="border-t border-base-300 py-1"
          >
            <span className="inline-block w-28 font-mono">{demand.section}</span>
            <LeakResult test={demand.test} names={names} />
            {isShut && isLocked && !view.dossier.isolation.box && (
              <LeakTestForm demand={demand} props={props} />
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

/** The line walked, the start seen, the plant taken back, the job closed. */
function Return({ view }: DossierProps) {
  const run = useCommand();
  const { isolation } = view.dossier;
  const isWalked = view.lineup.every(({ done }) => done);
  return (
    <>
      <h3 className="font-bold">Walk the line</h3>
      <p className="text-sm">
        Every valve, blind and drain of what was cut off, whether the job used it or not.
      </p>
      <ul className="flex flex-col">
        {view.lineup.map((line) => (
          <li
            key={line.point}
            data-point={line.point}
            className="flex flex-wrap items-center gap-2 border-t border-base-300 py-1"
          >
            <span className="w-28 font-mono">
              {line.done ? '✓ ' : ''}
              {line.point}
            </span>
            <span className="grow text-sm">
              <LineWords line={line} view={view} />
            </span>
            {!line.done && <LineForm line={line} />}
          </li>
        ))}
      </ul>
      {isWalked && !isolation.started && (
        <>
          <h3 className="font-bold">Start it</h3>
          <StartForm />
        </>
      )}
      {isolation.started && (
        <p>
          {isolation.started.ran ? 'Started' : 'Left standing'} at{' '}
          <span className="font-mono">
            <Time at={isolation.started.at} />
          </span>
          : {isolation.started.seen}
        </p>
      )}
      {isolation.takenBack && (
        <button
          className="btn btn-primary btn-sm self-start"
          onClick={() => void run({ kind: 'close-job' })}
        >
          Close the job
        </button>
      )}
      {isolation.started && !isolation.takenBack && (
        <SmallForm
          button="Take it back into operation"
          onSend={(read) => void run({ kind: 'take-back', told: read('told') })}
        >
          <TextField label="Who was told" name="told" />
        </SmallForm>
      )}
    </>
  );
}

/** The way back: box, points in order, leak test, line walked, start seen, plant taken back, job closed. */
export function RestorePanel(props: DossierProps) {
  const { view } = props;
  const run = useCommand();
  const { isolation } = view.dossier;
  const next = view.restore.find(({ done }) => !done);
  const earths = Object.keys(isolation.earths).length;
  const isRestored = next === undefined && !isolation.box;
  const areEarthsOff = !view.restore.some(({ kind, done }) => kind === 'earth-off' && !done);
  const rows = (part: (step: RestoreStep) => boolean) => (
    <ol className="flex flex-col">
      {view.restore.filter(part).map((step) => (
        <StepRow
          key={step.kind + step.subject}
          step={step}
          isOpen={!step.done && !isolation.box && step.group === next?.group}
          props={props}
        />
      ))}
    </ol>
  );
  return (
    <Panel title="Restore" spot="restore">
      {isolation.box && (
        <button
          className="btn btn-primary btn-sm self-start"
          onClick={() => void run({ kind: 'open-box' })}
        >
          Take control lock {isolation.box.lock} off box {isolation.box.box}
        </button>
      )}
      {rows(({ kind }) => kind !== 'unlock')}
      {earths > 0 && !isolation.box && areEarthsOff && (
        <SmallForm
          button="Count the earths off"
          onSend={(read) => void run({ kind: 'count-earths', counted: Number(read('earths')) })}
        >
          <TextField label="Earths counted off" name="earths" type="number" />
        </SmallForm>
      )}
      <LeakTests {...props} />
      {rows(({ kind }) => kind === 'unlock')}
      {isRestored && <Return {...props} />}
    </Panel>
  );
}
