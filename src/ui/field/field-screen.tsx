'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Command, Lamp } from '../../core/job';
import { findCautionsAt } from '../../core/job/caution-at';
import { findSubject, isCodeOf, refuseScan } from '../../core/job/scan';
import { explainWith } from '../../core/rules/explain';
import { ISOLATING_RULES } from '../../core/rules/isolating';
import type { ExplainedRefusal, Refusal } from '../../core/rules/refuse';
import { Reasons } from '../command/reasons';
import { CommandDesk } from '../command/use-command';
import type { Diagram } from '../../core/plant/drawing';
import { PlantDiagram } from '../diagram/diagram';
import type { Marks } from '../diagram/marks';
import { FaultsPanel } from '../practice/faults-panel';
import { unpackChoices } from '../../core/choices';
import { isHeld } from '../../core/job/permit-record';
import { CautionList } from '../job/cautions-panel';
import type { DossierProps, PackedProps } from '../job/types';
import { AddPhoto } from '../photos/add-photo';
import { loadList } from '../kit/combobox';
import { LampSign } from '../kit/lamp';
import { keepPage } from './device';
import { FoundLive } from './found-live';
import { Kept } from './kept';
import { isWaiting } from './outbox';
import { Scanner } from './scanner';
import { TaskForm } from './task-form';
import { listTasks, type Task } from './tasks';
import { useOutbox } from './use-outbox';
import { useMoments } from '../kit/moment';

interface Drawn {
  /** The surroundings of the work, with every point of the plan. */
  readonly drawing: Diagram;
}
type FieldProps = DossierProps & Drawn;

function LampCounts({ lamps }: { readonly lamps: readonly Lamp[] }) {
  return (
    <p className="flex gap-4">
      {(['lit', 'shuttered', 'dark'] as const).map((state) => (
        <span key={state} className="flex items-center gap-1">
          <LampSign state={state} />
          <strong className="font-mono">
            {lamps.filter((lamp) => lamp.state === state).length}
          </strong>
          {state}
        </span>
      ))}
    </p>
  );
}

/** Which point of the job a code means, where it means one. */
function findHere(code: string, { view, jobId }: DossierProps) {
  const target = Object.values(view.targets).find((one) => isCodeOf(code, jobId, one));
  return target && { id: target.subject, at: target.at };
}

/** Phases whose points hang with a tag. */
const TAGGED: readonly string[] = [
  'bring-in',
  'open-way',
  'isolate-drives',
  'isolate-flows',
  'fit',
  'let-down',
  'earth',
  'restrain',
];

function TaskCard({
  task,
  code,
  props,
}: {
  readonly task: Task;
  /** The code that was scanned or typed at it. */
  readonly code: string | undefined;
  readonly props: FieldProps;
}) {
  const { view, drawing, jobId } = props;
  const target = view.targets[task.subject];
  const focus = [task.subject, ...(target?.codes ?? [])].find(
    (one) =>
      drawing.links.some(({ id }) => id === one) ||
      drawing.sections.some(
        ({ id, outlets }) => id === one || outlets.some((outlet) => outlet.id === one),
      ),
  );
  const marks = useMemo(
    (): Marks => ({
      planned: view.plan?.close ?? [],
      opened: view.plan?.open ?? [],
      locked: Object.keys(view.dossier.isolation.locked),
    }),
    [view],
  );
  return (
    <section aria-label="Now" data-task={task.subject} className="flex flex-col gap-3">
      <p className="text-xl">
        <strong>{task.label}</strong> <span className="font-mono">{task.subject}</span>
      </p>
      <p>{task.words}</p>
      <CautionList cautions={findCautionsAt(view.cautions, task.subject)} />
      {target && <p className="text-sm">{target.where}</p>}
      {TAGGED.includes(task.about.kind === 'step' ? task.about.step.phase : '') && (
        <a
          href={`/api/jobs/${jobId}/tags?point=${encodeURIComponent(task.subject)}`}
          className="btn h-12 self-start"
        >
          Print its tag
        </a>
      )}
      {focus !== undefined && (
        <PlantDiagram drawing={drawing} height={190} focus={focus} marks={marks} isSmall />
      )}
      {(target === undefined || code !== undefined) && (
        <TaskForm task={task} code={code} props={props} />
      )}
      <AddPhoto of="step" subject={task.subject === '' ? undefined : task.subject} isLarge />
      {focus !== undefined && (
        <Link
          href={`/defects/report?${new URLSearchParams({ device: focus, job: jobId }).toString()}`}
          className="btn h-12 self-start"
        >
          Something is wrong with this device
        </Link>
      )}
    </section>
  );
}

/** The steps of a job at the plant, on a phone: the next one first, each opened by the code of its point. */
export function FieldScreen({ choices, ...given }: PackedProps & Drawn) {
  const props: FieldProps = { ...given, choices: unpackChoices(choices) };
  const { jobId, sequence, me, names, view } = props;
  const { zone } = useMoments();
  const router = useRouter();
  const refresh = useCallback(() => router.refresh(), [router]);
  const outbox = useOutbox({ jobId, me, now: view.now, sequence }, refresh);
  const [scan, setScan] = useState<{ readonly task: string; readonly code: string }>();
  const [wrong, setWrong] = useState<readonly ExplainedRefusal[]>([]);
  // A list is first opened at a step, where there may be no network any more: it is loaded and kept with the page.
  useEffect(
    () =>
      void loadList()
        .catch(() => undefined)
        .then(keepPage),
    [],
  );

  const kept = outbox.entries.filter((entry) => entry.jobId === jobId && isWaiting(entry));
  // A photograph of a step is not the step.
  const keptSteps = kept.filter(({ command }) => command.kind !== 'add-photo');
  // Whoever opened a drain and watches it stays at it, while the server can be reached.
  const isWatched = ({ command }: { readonly command: Command }) =>
    command.kind === 'open-outlet' && command.watcher === me;
  const inReach = outbox.end.kind === 'through';
  const entered = [
    ...keptSteps.filter((entry) => !inReach || !isWatched(entry)),
    ...outbox.taken.filter((entry) => !isWatched(entry)),
  ];
  const isKept = ({ subject }: Task) =>
    entered.some(({ command }) => subject !== '' && findSubject(command) === subject);
  // A lock that hangs by now is not offered again, whether the page has heard of it or not.
  const used = new Set(
    entered.flatMap(({ command }) => ('lock' in command && command.lock ? [command.lock] : [])),
  );
  const atHand = {
    ...props,
    choices: {
      ...props.choices,
      locks: props.choices.locks.filter(({ id }) => !used.has(id)),
    },
  };
  const tasks = listTasks(view);
  const left = tasks.filter((task) => !task.done && !isKept(task));
  const open = left.filter(({ group }) => group === left[0]?.group);
  const current = open.find(({ id }) => id === scan?.task) ?? left[0];
  const after = left.filter((task) => task !== current).slice(0, 5);

  const onCode = (code: string) => {
    const found = open.find(({ subject }) => {
      const target = view.targets[subject];
      return target && isCodeOf(code, jobId, target);
    });
    if (found) {
      setWrong([]);
      setScan({ task: found.id, code });
      return;
    }
    const target = current && view.targets[current.subject];
    setScan(undefined);
    setWrong(
      target
        ? refuseScan(code, jobId, target, findHere(code, props)).map(
            explainWith<Refusal['code']>(ISOLATING_RULES, zone),
          )
        : [],
    );
  };
  const onUnsigned = async (command: Command) => {
    const entered = scan;
    const done = await outbox.add(command);
    // It is kept here, whether it could be sent or not; and it ends no step.
    if (command.kind === 'add-photo') return true;
    // Whoever watches a drain stays at it: its end asks for no second code.
    if (isWatched({ command })) return done;
    // Sending may take a while: a point whose code was read meanwhile stays open.
    setScan((now) => (now === entered ? undefined : now));
    return done;
  };

  return (
    <CommandDesk handle={{ jobId, sequence, me, names }} onUnsigned={onUnsigned}>
      <main className="mx-auto flex max-w-xl flex-col gap-3 pb-8 text-lg">
        <Kept outbox={outbox} me={me} names={names} />
        <div className="flex flex-col gap-3 px-3">
          <h1 className="text-xl font-bold">
            <Link href={`/jobs/${jobId}`} className="font-mono underline">
              {jobId}
            </Link>{' '}
            {view.dossier.title}
          </h1>
          <LampCounts lamps={view.lamps} />
          <FoundLive view={view} />
          {isHeld(view.dossier.permit) && <p className="text-base">{view.bounds}</p>}
          {tasks.length > 0 && (
            <p>
              <strong className="font-mono" data-testid="done">
                {tasks.length - left.length}
              </strong>{' '}
              of {tasks.length} done
              {keptSteps.length > 0 ? `, ${keptSteps.length} of them not yet sent` : ''}
            </p>
          )}
          {view.holding.length > 0 && (
            <details>
              <summary className="cursor-pointer py-2">
                Holding this up: <strong className="font-mono">{view.holding.length}</strong>
              </summary>
              <Reasons refusals={view.holding} />
            </details>
          )}
          {current === undefined ? (
            <p>
              {tasks.length === 0
                ? 'Nothing to do at the plant at this stage.'
                : 'Every step is done.'}{' '}
              Go on at the{' '}
              <Link href={`/jobs/${jobId}`} className="underline">
                job
              </Link>
              .
            </p>
          ) : (
            <>
              {view.targets[current.subject] && <Scanner onCode={onCode} />}
              {wrong.length > 0 && (
                <div role="alert" className="border-2 border-error p-3">
                  <Reasons refusals={wrong} />
                </div>
              )}
              <TaskCard
                key={current.id}
                task={current}
                code={scan?.task === current.id ? scan.code : undefined}
                props={atHand}
              />
            </>
          )}
          <FaultsPanel props={props} />
          {after.length > 0 && (
            <section aria-label="After this">
              <h2 className="font-bold">After this</h2>
              <ol className="flex flex-col text-base">
                {after.map(({ id, label, subject }) => (
                  <li key={id} className="border-t border-base-300 py-2">
                    {label} <span className="font-mono">{subject}</span>
                  </li>
                ))}
              </ol>
            </section>
          )}
        </div>
      </main>
    </CommandDesk>
  );
}
