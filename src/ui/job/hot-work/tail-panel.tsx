'use client';

import { computeTail, ROUND_FINDINGS } from '../../../core/hotwork/tail';
import type { PermitRecord } from '../../../core/job';
import { useCommand } from '../../command/use-command';
import { PickField } from '../../kit/combobox';
import { CheckField, ChoiceField, SmallForm, TextField } from '../../kit/field';
import type { DossierProps } from '../types';
import { Beside, useMoments } from '../../kit/moment';

type Watched = Extract<PermitRecord, { kind: 'watched' }>;

const PHASE = {
  watch: 'Watched without a break',
  checks: 'Looked at from time to time',
  over: 'The time is over: the last look',
} as const;
const FOUND = {
  cold: 'all cold',
  warm: 'something warm: it begins again',
  burning: 'something burns: the alarm is given first',
} as const;

/** The watch after the last spark: where it stands by the clock, its rounds, and who has it. */
export function TailPanel({
  permit,
  props,
}: {
  readonly permit: Watched;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { view, names, choices } = props;
  const { now } = view;
  const { phase, endsAt, left_min, nextRound, missed } = computeTail(
    permit.tail,
    permit.handedBack.at,
    permit.rounds,
    now,
  );
  const { beside } = useMoments();
  const name = (id: string) => names[id] ?? id;
  const people = choices.people.filter(({ fireWatch }) => fireWatch);
  const lookers =
    permit.tail.final === 'safety' && phase === 'over'
      ? choices.people.filter(({ safety }) => safety)
      : people;
  const isLate = nextRound !== undefined && Date.parse(nextRound) < Date.parse(now);
  return (
    <section
      aria-label="Watch for fire"
      data-tail={phase}
      data-spot="tail"
      className="flex flex-col gap-2"
    >
      <p className="text-lg">
        {PHASE[phase]}; {name(permit.watcher)} has the watch
      </p>
      <p>
        <span data-testid="tail-left" className="font-mono text-2xl">
          {left_min} min
        </span>{' '}
        left, until{' '}
        <span className="font-mono">
          <Beside at={endsAt} now={now} />
        </span>{' '}
        if no round is missed
        {nextRound !== undefined && (
          <span className={isLate ? 'font-bold text-error' : ''}>
            {isLate ? '; ▲ a round was due ' : '; next round by '}
            <span className="font-mono">
              <Beside at={nextRound} now={now} />
            </span>
          </span>
        )}
      </p>
      <p className="text-sm">The permit stays at the place until the last look.</p>
      {missed.length > 0 && (
        <p data-testid="rounds-missed" className="border-l-4 border-error pl-2">
          ▲ Missed: the round due {missed.map((at) => beside(at, now)).join(', ')}. What nobody saw
          does not count: the watch is that much longer.
        </p>
      )}
      <ol className="text-sm">
        {permit.rounds.map(({ at, by, found, seen }) => (
          <li key={at} data-round={found}>
            {found === 'cold' ? '✓' : '▲'}{' '}
            <span className="font-mono">
              <Beside at={at} now={now} />
            </span>{' '}
            {name(by)}: {FOUND[found]}, {seen}
          </li>
        ))}
      </ol>
      {permit.watchEnded ? (
        <p>
          ✓ {permit.watchEnded.told} told that the unbroken watch is over;{' '}
          {name(permit.watchEnded.operator)} goes on looking for operations.
        </p>
      ) : (
        phase !== 'watch' && (
          <SmallForm
            button="Sign, both, that operations take over"
            onSend={(read) =>
              void run({ kind: 'end-fire-watch', told: read('told'), operator: read('operator') })
            }
          >
            <TextField label="Who in the control room was told" name="told" />
            <PickField
              label="Who in operations goes on looking"
              name="operator"
              options={choices.people
                .filter(({ operator }) => operator)
                .map(({ id, name: label }) => ({ id, label }))}
            />
          </SmallForm>
        )
      )}
      {permit.looked ? (
        <p>
          ✓ Last look by {name(permit.looked.by)}: {permit.looked.seen}
        </p>
      ) : (
        <SmallForm
          button={phase === 'over' ? 'Record the last look' : 'Record the round of the watch'}
          onSend={(read) =>
            void run({
              kind: 'make-round',
              person: read('person'),
              found: read('found') as (typeof ROUND_FINDINGS)[number],
              seen: read('seen'),
              final: read('final') === 'on',
            })
          }
        >
          <PickField
            key={phase}
            label="Who went round"
            name="person"
            value={permit.watcher}
            options={lookers.map(({ id, name: label }) => ({ id, label }))}
          />
          <ChoiceField
            label="Found"
            name="found"
            options={ROUND_FINDINGS.map((id) => ({ id, label: FOUND[id] }))}
          />
          <TextField label="What was looked at" name="seen" />
          {phase === 'over' && (
            <CheckField
              name="final"
              label="this is the last look: nothing is warm, all sides seen"
            />
          )}
        </SmallForm>
      )}
      <SmallForm
        button="Hand the watch over"
        onSend={(read) => void run({ kind: 'hand-over-watch', to: read('to') })}
      >
        <PickField
          label="To"
          name="to"
          options={people
            .filter(({ id }) => id !== permit.watcher)
            .map(({ id, name: label }) => ({ id, label }))}
        />
      </SmallForm>
    </section>
  );
}
