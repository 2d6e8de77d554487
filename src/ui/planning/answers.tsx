'use client';

import type { Aim, PlanAnswer } from '../../core/isolation';
import { PLANNING_WORDS } from '../../core/isolation/planner/phases';
import { joinStages } from '../../core/isolation/planner/join-stages';
import type { IsolationPlan } from '../../core/plant/schema';
import type { Command, Dossier, Lamp } from '../../core/job';
import { Shortfall } from './measures';
import type { Trip } from './planner.worker';
import { usePlanner, type PlanningRun } from './use-planner';
import { Note } from '../kit/note';

const AIM_NAMES: Readonly<Record<Aim, string>> = {
  effort: 'Least effort',
  outage: 'Least outage',
  points: 'Fewest points',
};
const AIMS: readonly Aim[] = ['effort', 'outage', 'points'];

const share = (gap: number) => `${Math.max(1, Math.round(gap * 100))} %`;

/** What is known of how good an answer is. */
function describeProof({ passes, optimal, gap }: PlanAnswer): string {
  const verdict = passes ? 'passes' : 'does not pass';
  if (optimal) return passes ? 'passes, proved best' : 'does not pass; nothing better exists';
  return gap > 0
    ? `${verdict}, within ${share(gap)} of the best`
    : `${verdict}; nothing better in this figure`;
}

function Progress({ run, onStop }: { readonly run: PlanningRun; readonly onStop: () => void }) {
  const what = PLANNING_WORDS[run.searching ?? 'grades'];
  return (
    <p role="status" className="flex flex-wrap items-center gap-2">
      <span>{what}…</span>
      <button type="button" className="btn btn-xs" onClick={onStop}>
        Stop here, keep what is found
      </button>
    </p>
  );
}

function AnswerRow({
  aim,
  answer,
  trip,
  onTake,
}: {
  readonly aim: Aim;
  readonly answer: PlanAnswer;
  readonly trip: Trip | undefined;
  readonly onTake: (aim: Aim, plan: IsolationPlan) => void;
}) {
  const fits = answer.stages.flatMap((stage) => stage.fits);
  const lost = answer.findings
    .filter(({ code }) => code === 'equipment-loses-supply')
    .map(({ subject }) => subject);
  return (
    <tr className="border-t border-base-300">
      <th className="whitespace-nowrap text-left">{AIM_NAMES[aim]}</th>
      <td className="font-mono">{answer.cost.effort}</td>
      <td className="font-mono">{answer.cost.outage}</td>
      <td className="font-mono">{answer.cost.points}</td>
      <td className="whitespace-nowrap font-mono">
        {trip && `${trip.metres} m, ${trip.minutes} min`}
      </td>
      <td>
        {describeProof(answer)}
        <span className="block text-xs">
          {lost.length > 0 ? (
            <>
              loses its supply: <span className="font-mono">{lost.join(' ')}</span>
            </>
          ) : (
            'no equipment loses its supply'
          )}
        </span>
        {answer.seen_open.length > 0 && (
          <span className="block text-xs">
            seen open on the way: <span className="font-mono">{answer.seen_open.join(' ')}</span>
          </span>
        )}
        {fits.length > 0 && (
          <span className="block text-xs">
            two stages: valves first, then fit <span className="font-mono">{fits.join(' ')}</span>
          </span>
        )}
      </td>
      <td>
        <button
          type="button"
          className="btn btn-sm"
          aria-label={`Take ${AIM_NAMES[aim].toLowerCase()}`}
          onClick={() => onTake(aim, joinStages(answer))}
        >
          Take
        </button>
      </td>
    </tr>
  );
}

/** The three computed answers side by side, each shown as soon as it is there. */
export function Answers({
  jobId,
  accepted,
  lamps,
  onAccept,
  onTake,
}: {
  readonly jobId: string;
  readonly accepted: Dossier['grades'];
  readonly lamps: readonly Lamp[];
  readonly onAccept: (command: Command) => void;
  readonly onTake: (aim: Aim, plan: IsolationPlan) => void;
}) {
  const { run, start, stop } = usePlanner(`/api/jobs/${jobId}/problem`);
  const found = AIMS.filter((aim) => run.answers[aim]);
  return (
    <div className="flex flex-col gap-2">
      <div>
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={run.state === 'running'}
          onClick={start}
        >
          Compute the isolation
        </button>
      </div>
      {run.state === 'running' && <Progress run={run} onStop={stop} />}
      {run.state === 'failed' && (
        <Note tone="error" role="alert">
          The planner could not be run. Nothing is lost: compute again, or draw the plan up by hand.
        </Note>
      )}
      {run.state === 'stopped' && found.length === 0 && (
        <p role="status">Stopped before an answer was found. Compute again, or plan by hand.</p>
      )}
      <Shortfall
        measures={run.answers.effort?.extra_measures ?? []}
        accepted={accepted}
        lamps={lamps}
        onAccept={onAccept}
      />
      {found.length > 0 && (
        <table className="w-full text-sm [&_td]:py-1 [&_td]:pr-3 [&_th]:pr-3">
          <caption className="sr-only">Computed answers side by side</caption>
          <thead>
            <tr className="text-left">
              <th>Answer</th>
              <th>Minutes</th>
              <th>Outage per hour</th>
              <th>Points</th>
              <th>Walk, time in all</th>
              <th>Check</th>
              <th>
                <span className="sr-only">Take</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {found.map((aim) => (
              <AnswerRow
                key={aim}
                aim={aim}
                answer={run.answers[aim] as PlanAnswer}
                trip={run.trips[aim]}
                onTake={onTake}
              />
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
