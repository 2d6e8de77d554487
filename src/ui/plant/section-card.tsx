'use client';

import Link from 'next/link';
import type { PlanAnswer } from '../../core/isolation';
import { PLANNING_WORDS } from '../../core/isolation/planner/phases';
import type { Activity } from '../../core/plant/schema';
import { ACTIVITIES } from '../../core/plant/vocabulary';
import { countOf } from '../../core/text';
import type { SectionAnswer } from '../../core/watch';
import { STAGE_LABELS } from '../job/stages';
import { ACTIVITY_WORDS } from '../jobs/activity-words';
import type { Trip } from '../planning/planner.worker';
import { usePlanner, type PlanningRun } from '../planning/use-planner';

const LIST = 'flex flex-col gap-1 text-sm';

/** "400 V", "6 bar, 160 °C": what it stands at in normal running. */
function sayConditions({ pressure_bar, temperature_c, voltage_v }: SectionAnswer): string {
  return [
    voltage_v === undefined ? [] : [`${voltage_v} V`],
    pressure_bar === undefined ? [] : [`${pressure_bar} bar gauge`],
    temperature_c === undefined ? [] : [`${temperature_c} °C`],
  ]
    .flat()
    .join(', ');
}

function Arrivals({
  arrivals,
  lit,
  onLight,
}: {
  readonly arrivals: SectionAnswer['arrivals'];
  readonly lit: string | undefined;
  readonly onLight: (id: string) => void;
}) {
  if (arrivals.length === 0) {
    return (
      <p className="text-sm">
        Nothing on the drawing can reach it. Doubt the drawing before you believe that.
      </p>
    );
  }
  return (
    <ul className={LIST}>
      {arrivals.map(({ id, words, sources }) => {
        const grades = [...new Set(sources.flatMap(({ grade }) => grade ?? []))];
        return (
          <li key={id}>
            <button
              type="button"
              aria-pressed={lit === id}
              onClick={() => onLight(id)}
              className={`w-full cursor-pointer rounded p-1 text-left hover:bg-base-200 ${lit === id ? 'bg-base-200 font-bold' : ''}`}
            >
              {words}
              {grades.length > 0 && (
                <span className="block text-xs font-normal">
                  held back by {grades.join(' or ')}
                </span>
              )}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function Jobs({ jobs }: { readonly jobs: SectionAnswer['jobs'] }) {
  if (jobs.length === 0) return <p className="text-sm">No open job works here or holds it.</p>;
  return (
    <ul className={LIST}>
      {jobs.map(({ id, title, stage, worksHere, points }) => (
        <li key={id}>
          <Link href={`/jobs/${id}`} className="inline-block py-0.5 underline">
            <span className="font-mono">{id}</span> {title}
          </Link>
          <span className="block text-xs">
            {[
              ...(worksHere ? ['works here'] : []),
              ...(points.length > 0 ? [`holds ${points.join(', ')}`] : []),
            ].join(', ')}
            ; {STAGE_LABELS[stage].toLowerCase()}
          </span>
        </li>
      ))}
    </ul>
  );
}

function Found({ answer, trip }: { readonly answer: PlanAnswer; readonly trip: Trip | undefined }) {
  const { close, open, restrain, stand = [] } = answer;
  const row = (what: string, ids: readonly string[]) =>
    ids.length > 0 && (
      <div className="flex gap-2">
        <dt className="w-20 shrink-0">{what}</dt>
        <dd className="font-mono">{ids.join(', ')}</dd>
      </div>
    );
  return (
    <div className="flex flex-col gap-1 text-sm">
      <p>
        {answer.passes
          ? `${countOf(answer.cost.points, 'point')}, about ${trip ? trip.minutes : answer.cost.effort} min${answer.optimal ? ', proved the least effort' : ''}.`
          : 'No plan of this plant holds it as it should be held. The best there is:'}
      </p>
      <dl>
        {row('Close', close)}
        {row('Open', open)}
        {row('Hold', restrain)}
        {row('Lock open', stand)}
      </dl>
      {!answer.passes && (
        <ul className="list-disc pl-4 text-xs">
          {answer.findings
            .filter(({ severity }) => severity === 'stops')
            .slice(0, 4)
            .map(({ code, subject, words }) => (
              <li key={`${code} ${subject}`}>{words}</li>
            ))}
        </ul>
      )}
    </div>
  );
}

/** What it would take to isolate the section, worked out beside the screen. */
function Takes({
  run,
  start,
  stop,
}: {
  readonly run: PlanningRun;
  readonly start: () => void;
  readonly stop: () => void;
}) {
  const answer = run.answers.effort;
  return (
    <>
      {answer && <Found answer={answer} trip={run.trips.effort} />}
      {run.state === 'running' && !answer && (
        <p role="status" className="flex items-center gap-2 text-sm">
          {PLANNING_WORDS[run.searching ?? 'grades']}…
          <button type="button" className="btn btn-xs" onClick={stop}>
            Stop
          </button>
        </p>
      )}
      {run.state === 'failed' && (
        <p role="alert" className="text-sm">
          The planner could not be run. Nothing is lost: try again.
        </p>
      )}
      {run.state !== 'running' && !answer && (
        <button type="button" className="btn btn-sm self-start" onClick={start}>
          Compute the isolation
        </button>
      )}
    </>
  );
}

/** What can be said of a section before any job is raised there. */
export function SectionCard({
  answer,
  activity,
  lit,
  onActivity,
  onLight,
}: {
  readonly answer: SectionAnswer;
  readonly activity: Activity;
  readonly lit: string | undefined;
  readonly onActivity: (activity: Activity) => void;
  readonly onLight: (id: string) => void;
}) {
  const query = new URLSearchParams({ section: answer.id, activity }).toString();
  const { run, start, stop } = usePlanner(`/api/plant/problem?${query}`);
  const conditions = sayConditions(answer);
  return (
    <div className="flex flex-col gap-3">
      <div>
        <h2 className="text-lg font-bold">
          <span className="font-mono">{answer.id}</span> {answer.name}
        </h2>
        <p className="text-sm">
          {answer.medium}
          {conditions !== '' && `, ${conditions}`}; {answer.area}
        </p>
        {answer.equipment.length > 0 && (
          <p className="text-sm">
            Part of {answer.equipment.map(({ id, name }) => `${id} ${name}`).join(', ')}
          </p>
        )}
      </div>
      <Link href={`/jobs/new?${query}`} className="btn btn-primary btn-sm self-start">
        Raise a job here
      </Link>
      <label className="flex flex-wrap items-center gap-2 text-sm">
        If somebody were to
        <select
          className="select select-sm w-auto"
          value={activity}
          onChange={({ target }) => onActivity(target.value as Activity)}
        >
          {ACTIVITIES.map((one) => (
            <option key={one} value={one}>
              {ACTIVITY_WORDS[one]}
            </option>
          ))}
        </select>
      </label>
      <section aria-label="What can reach it">
        <h3 className="font-bold">What can reach it</h3>
        <Arrivals arrivals={answer.arrivals} lit={lit} onLight={onLight} />
      </section>
      <section aria-label="Jobs that stand on it">
        <h3 className="font-bold">Jobs that stand on it</h3>
        <Jobs jobs={answer.jobs} />
      </section>
      <section aria-label="What isolating it would take" className="flex flex-col gap-1">
        <h3 className="font-bold">What isolating it would take</h3>
        <Takes run={run} start={start} stop={stop} />
      </section>
    </div>
  );
}
