'use client';

import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { DefectCommand } from '../../core/defects/commands';
import type { DefectLine } from '../../core/defects/line';
import { listDefectSigners } from '../../core/defects/record';
import { countOf, nameFew } from '../../core/text';
import { useSigned } from '../command/use-signed';
import { ChoiceField, SmallForm, TextField } from '../kit/field';
import { Beside, Instant } from '../kit/moment';
import { hoursAfter } from '../../core/hours';

type Names = Readonly<Record<string, string>>;
type Give = (command: DefectCommand) => void;

/** Prices are asked for one after the other: each is a search of its own, and nobody gets many at once. */
let asked: Promise<unknown> = Promise.resolve();

const NO_PRICE = 'its price could not be worked out';

async function askPrice(number: number, job: string): Promise<string> {
  const query = new URLSearchParams({ number: String(number), job }).toString();
  const answer = await fetch(`/api/defects/price?${query}`);
  const { price = NO_PRICE } = (await answer.json()) as { readonly price?: string };
  return price;
}

/** What a job has to do for want of the device: worked out when the page is looked at, beside it. */
function CostOf({ number, job }: { readonly number: number; readonly job: string }) {
  const [said, setSaid] = useState<string>();
  useEffect(() => {
    let isGone = false;
    const next = () => (isGone ? NO_PRICE : askPrice(number, job).catch(() => NO_PRICE));
    const mine = asked.then(next);
    asked = mine;
    void mine.then((price) => {
      if (!isGone) setSaid(price);
    });
    return () => {
      isGone = true;
    };
  }, [number, job]);
  return <span>; {said ?? 'working out what it costs…'}</span>;
}

/** What a device has cost: the jobs that name it, and what they have to do without it. */
function Price({ line }: { readonly line: DefectLine }) {
  const { jobs } = line;
  if (jobs.length === 0) return <p className="text-sm">No open job is touched by it.</p>;
  return (
    <div className="text-sm">
      <p>
        <strong>What it costs:</strong> {countOf(jobs.length, 'open job')} touched,{' '}
        {jobs.filter(({ isHeld }) => isHeld).length} held up now.
      </p>
      <ul>
        {jobs.map(({ job, title, isHeld }) => (
          <li key={job}>
            <Link href={`/jobs/${job}`} className="underline">
              <span className="font-mono">{job}</span> {title}
            </Link>
            {isHeld && <strong>: held up</strong>}
            <CostOf number={line.defect.number} job={job} />
          </li>
        ))}
      </ul>
    </div>
  );
}

function Told({ line, names }: { readonly line: DefectLine; readonly names: Names }) {
  const { defect } = line;
  const name = (id: string) => names[id] ?? id;
  return (
    <ul className="text-sm">
      <li>
        Reported by {name(defect.by)}, <Instant at={defect.at} />: {defect.seen}
        {defect.job !== undefined && (
          <>
            {' '}
            (found on{' '}
            <Link href={`/jobs/${defect.job}`} className="font-mono underline">
              {defect.job}
            </Link>
            )
          </>
        )}
      </li>
      {defect.failed.map(({ at, by, how }) => (
        <li key={at}>
          <strong>Tried after repair, and still so:</strong> {name(by)}, <Instant at={at} />: {how}
        </li>
      ))}
      {defect.kind !== 'open' && (
        <li>
          Repaired by {name(defect.repair.by)}, <Instant at={defect.repair.at} />:{' '}
          {defect.repair.done}
        </li>
      )}
      {defect.kind === 'proved' && (
        <li>
          Proved by {name(defect.proved.by)}, <Instant at={defect.proved.at} />: {defect.proved.how}
        </li>
      )}
    </ul>
  );
}

/** What stands in for a device, by whom and until when; in heavy type where nothing does and something has to. */
function StandsIn({
  line,
  names,
  now,
}: {
  readonly line: DefectLine;
  readonly names: Names;
  readonly now: string;
}) {
  const { defect, isCritical, isOver } = line;
  const { guard, until, standsIn } = defect;
  if (guard) {
    return (
      <p className={`text-sm ${isOver ? 'font-bold text-error' : ''}`}>
        Instead: {guard.standsIn}, by {names[guard.by] ?? guard.by}, until{' '}
        <Beside at={guard.until} now={now} />
        {isOver && ': THAT TIME IS OVER'}
      </p>
    );
  }
  return (
    <>
      {isCritical && (
        <p className="border-l-4 border-error bg-error/10 p-1 text-sm font-bold">
          Nothing stands in for it by name. No permit is issued and nobody signs on in its area.
        </p>
      )}
      {(until !== undefined || standsIn) && (
        <p className="text-sm">
          {standsIn && `The reporter says that ${standsIn} stands in. `}
          {until !== undefined && (
            <>
              Repair expected by <Beside at={until} now={now} />
              {isOver && <strong>: THAT TIME IS OVER</strong>}.
            </>
          )}
        </p>
      )}
    </>
  );
}

/** What can be done about a defect next, by whoever may. */
function NextForms({
  line,
  me,
  now,
  mayGuard,
  mayRepair,
  names,
  give,
}: {
  readonly line: DefectLine;
  readonly me: string;
  readonly now: string;
  readonly mayGuard: boolean;
  readonly mayRepair: boolean;
  readonly names: Names;
  readonly give: Give;
}) {
  const { defect, provers } = line;
  const { number } = defect;
  if (defect.kind === 'proved') return null;
  return (
    <div className="flex flex-col gap-2 border-t border-base-300 pt-2">
      {defect.kind === 'open' && !mayRepair && (
        <p className="text-sm">
          Waits to be repaired: an isolating or performing authority, an area operator or a
          coordinator records what was done.
        </p>
      )}
      {defect.kind === 'open' && mayRepair && (
        <SmallForm
          button="Record the repair"
          onSend={(read) => give({ kind: 'repair-defect', number, done: read('done') })}
        >
          <TextField label="What was done about it, or that nothing was found wrong" name="done" />
        </SmallForm>
      )}
      {defect.kind === 'repaired' && !provers.includes(me) && (
        <p className="text-sm">
          Waits to be tried by somebody else:{' '}
          {provers.length === 0
            ? 'nobody at the site may. See who is authorised under People.'
            : nameFew(provers.map((id) => names[id] ?? id))}
          .
        </p>
      )}
      {defect.kind === 'repaired' && provers.includes(me) && (
        <SmallForm
          button="Sign what was found"
          onSend={(read) =>
            give({
              kind: 'prove-defect',
              number,
              found: read('found') as 'sound' | 'still',
              how: read('how'),
            })
          }
        >
          <ChoiceField
            label="Tried after the repair"
            name="found"
            options={[
              { id: 'sound', label: 'it does what it should' },
              { id: 'still', label: 'it is still so' },
            ]}
          />
          <TextField label="How it was tried, and what was read" name="how" />
        </SmallForm>
      )}
      {mayGuard && (
        <details>
          <summary className="cursor-pointer text-sm">
            {defect.guard ? 'Say anew what stands in' : 'Say what stands in for it'}
          </summary>
          <SmallForm
            button="Sign that this stands in"
            onSend={(read) =>
              give({
                kind: 'guard-defect',
                number,
                standsIn: read('standsIn'),
                until: hoursAfter(now, Number(read('hours'))),
              })
            }
          >
            <TextField label="What stands in" name="standsIn" />
            <TextField label="For how long (h)" name="hours" type="number" />
          </SmallForm>
        </details>
      )}
    </div>
  );
}

function DefectCard(props: Parameters<typeof NextForms>[0]) {
  const { line, names, now } = props;
  const { defect, name, says, means, isCritical, isDrawn } = line;
  return (
    <li
      id={name}
      data-defect={name}
      className={`flex gap-3 rounded-box bg-base-200 p-3 ${isCritical ? 'border-l-4 border-error' : ''}`}
    >
      <div className="flex min-w-0 grow flex-col gap-1">
        <p>
          <strong className="font-mono">{name}</strong>{' '}
          <strong>
            <span className="font-mono">{defect.device}</span> {says}
          </strong>
          {isCritical && ' (safety-critical)'}
          {defect.kind === 'repaired' && ': repaired, to be proved'}
          {!isDrawn && ': no longer on the drawing'}
        </p>
        {defect.kind !== 'proved' && <p className="text-sm">{means}</p>}
        <StandsIn line={line} names={names} now={now} />
        <Told line={line} names={names} />
        {defect.kind !== 'proved' && <Price line={line} />}
        <NextForms {...props} />
      </div>
      {defect.photo !== undefined && (
        <a
          href={`/api/photos/${defect.photo}`}
          target="_blank"
          rel="noreferrer"
          className="shrink-0"
        >
          {/* eslint-disable-next-line @next/next/no-img-element -- it is kept small already, and only who is signed in may have it */}
          <img
            src={`/api/photos/${defect.photo}`}
            alt={`Photograph of ${defect.device}`}
            width={132}
            height={99}
            loading="lazy"
            className="h-25 w-33 object-cover"
          />
        </a>
      )}
    </li>
  );
}

/** What is wrong with devices of the plant: what it means, what it costs, what stands in, and what is done about it next. */
export function DefectsScreen({
  me,
  now,
  standing,
  mended,
  mendedCount,
  names,
  mayGuard,
  mayRepair,
}: {
  readonly me: string;
  readonly now: string;
  readonly standing: readonly DefectLine[];
  readonly mended: readonly DefectLine[];
  readonly mendedCount: number;
  readonly names: Names;
  readonly mayGuard: boolean;
  readonly mayRepair: boolean;
}) {
  const { give, shown } = useSigned<DefectCommand>({
    url: '/api/defects',
    names,
    signersOf: (command) => listDefectSigners(command, me),
    changed: 'Somebody was quicker. Nothing of yours was kept: look again.',
  });
  const cards = (lines: readonly DefectLine[]) => (
    <ul className="flex flex-col gap-2">
      {lines.map((line) => (
        <DefectCard
          key={line.name}
          {...{ line, me, now, mayGuard, mayRepair, names }}
          give={(command) => give(command)}
        />
      ))}
    </ul>
  );
  return (
    <main className="flex flex-col gap-3 p-4">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-xl font-bold">Defects</h1>
        <Link href="/defects/report" className="btn btn-primary btn-sm max-sm:h-11">
          Report a defect
        </Link>
      </div>
      <p className="max-w-prose text-sm">
        What is wrong with devices. It counts for every plan at once, and until somebody else than
        the repairer has tried the device.
      </p>
      {standing.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          Nothing is reported. Anybody who is signed in reports here what passes, is stuck, takes no
          lock, has no label or does not work.
        </p>
      ) : (
        cards(standing)
      )}
      {mended.length > 0 && (
        <details>
          <summary className="cursor-pointer font-bold">Proved to be mended: {mendedCount}</summary>
          {cards(mended)}
        </details>
      )}
      {shown}
    </main>
  );
}
