'use client';

import { useContext, type ReactNode } from 'react';
import type { Command } from '../../core/job';
import { Commands, useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { EarthOffForm } from '../job/earth-off-form';
import { commandFor } from '../job/restore-command';
import { LeakResult, LeakTestForm, LineForm, LineWords, StartForm } from '../job/return-forms';
import { StepForm } from '../job/step-form';
import type { DossierProps } from '../job/types';
import { WatchRow } from '../job/watch-row';
import type { Task } from './tasks';

/** Puts the scanned code into every command that is given below it. */
function WithCode({
  code,
  children,
}: {
  readonly code: string | undefined;
  readonly children: ReactNode;
}) {
  const run = useContext(Commands);
  const withCode = (command: Command) =>
    run(code === undefined ? command : ({ ...command, scanned: code } as Command));
  return <Commands.Provider value={withCode}>{children}</Commands.Provider>;
}

function BigButton({
  children,
  command,
}: {
  readonly children: ReactNode;
  readonly command: Command;
}) {
  const run = useCommand();
  return (
    <button className="btn btn-primary h-14 w-full text-lg" onClick={() => void run(command)}>
      {children}
    </button>
  );
}

/** A label compared with the plan, where it hangs. */
function LabelForm({ point }: { readonly point: string }) {
  const run = useCommand();
  return (
    <>
      <BigButton command={{ kind: 'check-label', point, found: 'as-drawn', note: '' }}>
        It is as drawn
      </BigButton>
      <SmallForm
        button="It differs: send the plan back"
        onSend={(read) =>
          void run({ kind: 'check-label', point, found: 'not-as-drawn', note: read('note') })
        }
      >
        <TextField label="What was found" name="note" />
      </SmallForm>
    </>
  );
}

function About({ task, props }: { readonly task: Task; readonly props: DossierProps }) {
  const { about } = task;
  switch (about.kind) {
    case 'step':
      return task.subject in props.view.dossier.isolation.watched ? (
        <WatchRow outlet={task.subject} step={about.step} props={props} />
      ) : (
        <StepForm step={about.step} props={props} />
      );
    case 'label':
      return <LabelForm point={task.subject} />;
    case 'restore':
      if (about.step.kind === 'earth-off' && !(task.subject in props.view.shared))
        return <EarthOffForm outlet={task.subject} />;
      return (
        <BigButton command={commandFor(about.step, props.view.shared[task.subject])}>
          {task.subject in props.view.shared && about.step.kind !== 'unlock'
            ? 'Left as it is'
            : task.label}
        </BigButton>
      );
    case 'leak-test': {
      const { test } = about.line;
      return (
        <>
          {test && <LeakResult test={test} names={props.names} />}
          <LeakTestForm demand={about.line} props={props} />
        </>
      );
    }
    case 'lineup':
      return (
        <>
          <p>
            <LineWords line={about.point} view={props.view} />
          </p>
          <LineForm line={about.point} />
        </>
      );
    case 'start':
      return <StartForm />;
  }
}

/** What is asked for at a task, once its code was given. */
export function TaskForm({
  task,
  code,
  props,
}: {
  readonly task: Task;
  readonly code: string | undefined;
  readonly props: DossierProps;
}) {
  return (
    <WithCode code={code}>
      <div className="[&_.btn-primary]:h-14 [&_.btn-primary]:w-full [&_.btn-primary]:text-lg [&_.btn:not(.btn-primary)]:h-12">
        <About task={task} props={props} />
      </div>
    </WithCode>
  );
}
