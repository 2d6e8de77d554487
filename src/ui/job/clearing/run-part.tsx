'use client';

import type { ClearingRecord, ClearingView } from '../../../core/job';
import { useCommand } from '../../command/use-command';
import { PickField } from '../../kit/combobox';
import { ChoiceField, SmallForm, TextField } from '../../kit/field';
import { Beside, Instant } from '../../kit/moment';
import { Note } from '../../kit/note';
import type { DossierProps } from '../types';

const SIDES = { behind: 'behind the pig', ahead: 'ahead of the pig' } as const;

/** What the gauges on both sides read since the pig last moved. */
function Readings({
  clearing,
  props,
}: {
  readonly clearing: ClearingRecord;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { readings } = clearing;
  const gauges = props.choices.instruments.filter(({ reads }) => reads === 'pressure');
  return (
    <section aria-label="Read on both sides" className="flex flex-col gap-1">
      <h3 className="font-bold">Read on both sides</h3>
      <ul className="text-sm">
        {(['behind', 'ahead'] as const).map((side) => {
          const read = readings[side];
          return (
            <li key={side}>
              {SIDES[side]}:{' '}
              {read ? (
                <>
                  <strong className="font-mono">{read.bar} bar</strong> ({read.instrument},{' '}
                  <Instant at={read.at} />)
                </>
              ) : (
                'not read since the pig last moved'
              )}
            </li>
          );
        })}
      </ul>
      <SmallForm
        button="Record the reading"
        onSend={(read) =>
          void run({
            kind: 'read-line',
            side: read('side') === 'behind' ? 'behind' : 'ahead',
            bar: Number(read('bar')),
            instrument: read('gauge'),
          })
        }
      >
        <ChoiceField
          label="Side that was read"
          name="side"
          options={Object.entries(SIDES).map(([id, label]) => ({ id, label }))}
        />
        <TextField label="Reading (bar)" name="bar" type="number" />
        <PickField
          label="Gauge"
          name="gauge"
          options={gauges.map(({ id, name }) => ({ id, label: `${id} ${name}` }))}
        />
      </SmallForm>
    </section>
  );
}

/** A pig in the line: where it is, and what can be done about it. */
function Pig({ clearing, view, props }: RunProps) {
  const run = useCommand();
  const { run: pig, plan } = clearing;
  const { pig: where, section } = view;
  if (!pig || !section || !where) return null;
  const name = (id: string) => props.names[id] ?? id;
  if (pig.stuck) {
    return (
      <>
        <Note tone="error" isSmall role="alert">
          The pig is stuck, reported by {name(pig.stuck.by)}: {pig.stuck.seen}. Close the gas. Let
          it down from both sides and read both. Never force it.
        </Note>
        <SmallForm
          button="Sign that the pig is out"
          onSend={(read) => void run({ kind: 'free-pig', how: read('how') })}
        >
          <TextField label="How it was taken out, and what held it" name="how" />
        </SmallForm>
      </>
    );
  }
  return (
    <>
      <p role="status" className={where.isOverdue ? 'text-error font-bold' : ''}>
        {where.isOverdue
          ? `The pig should have come by now: take it as stuck. It was last seen at ${pig.seen.at_m} m, `
          : `The pig is at about ${where.at_m} m, on its way to ${section.end_m} m. Last seen at ${pig.seen.at_m} m, `}
        <Beside at={pig.seen.at} now={props.view.now} />.
      </p>
      <div className="flex flex-wrap gap-4">
        <SmallForm
          button="Record where it was seen"
          onSend={(read) =>
            void run({ kind: 'see-pig', at_m: Number(read('at')), how: read('how') })
          }
        >
          <TextField label="Seen at (m)" name="at" type="number" />
          <TextField label="How: seen, heard, marker" name="how" />
        </SmallForm>
        <SmallForm
          button="Report that it is stuck"
          onSend={(read) => void run({ kind: 'pig-stuck', seen: read('seen') })}
        >
          <TextField label="What shows that it is stuck" name="seen" />
        </SmallForm>
        {props.me === plan.catcher && (
          <SmallForm
            button="Sign that it arrived"
            onSend={(read) => void run({ kind: 'pig-arrived', seen: read('seen') })}
          >
            <TextField label="What came, and how the receiver stands" name="seen" />
          </SmallForm>
        )}
      </div>
    </>
  );
}

interface RunProps {
  readonly clearing: ClearingRecord;
  readonly view: ClearingView;
  readonly props: DossierProps;
}

/** Walking the line, launching, following and letting down, each when it can be done. */
export function RunPart(parts: RunProps) {
  const run = useCommand();
  const { clearing, view, props } = parts;
  const { walked, plan, run: pig } = clearing;
  const name = (id: string) => props.names[id] ?? id;
  const { section, unread } = view;
  return (
    <div data-spot="pig" className="flex flex-col gap-2">
      {walked ? (
        <p className="text-sm">
          ✓ Walked by {name(walked.by)}, <Instant at={walked.at} />: {walked.seen}
        </p>
      ) : (
        <SmallForm
          button="Record that the line was walked"
          onSend={(read) => void run({ kind: 'walk-line', seen: read('seen') })}
        >
          <TextField label="Sharp bends, crushed places, what was seen" name="seen" />
        </SmallForm>
      )}
      <Pig {...parts} />
      {!pig && section && (
        <div className="flex flex-wrap items-center gap-2">
          <p>
            Next: from {section.start_m} to {section.end_m} m, {section.energy_kj} kJ; everybody{' '}
            {section.clear_m} m away.
          </p>
          {props.me === plan.launcher ? (
            <button
              className="btn btn-primary btn-sm max-sm:h-11"
              onClick={() => void run({ kind: 'launch-pig' })}
            >
              Sign and launch the pig
            </button>
          ) : (
            <p className="text-sm">{name(plan.launcher)} launches it.</p>
          )}
        </div>
      )}
      {!pig && !section && <p>✓ Every section is cleared.</p>}
      {unread.length > 0 && !pig && (
        <Note tone="warning" isSmall>
          The line may be under pressure: it was not read at zero{' '}
          {unread.map((side) => SIDES[side]).join(' and ')}. Do not open the receiver.
        </Note>
      )}
      {clearing.isCharged && <Readings clearing={clearing} props={props} />}
    </div>
  );
}
