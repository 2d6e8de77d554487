'use client';

import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import type { BoxInUse, Hanging, LockSurvey } from '../../core/locks/survey';
import { useLongRows } from '../kit/long-rows';
import { Instant } from '../kit/moment';

type Names = Readonly<Record<string, string>>;

/** Height of a line of the list. */
const LINE_PX = 26;

function JobLink({ job }: { readonly job: string }) {
  return (
    <Link href={`/jobs/${job}`} className="inline-block min-w-6 py-0.5 font-mono underline">
      {job}
    </Link>
  );
}

/** Where one lock hangs: point or box, job, by whom and since when, a line each. */
function Places({ hangs, names }: { readonly hangs: readonly Hanging[]; readonly names: Names }) {
  if (hangs.length === 0) return <td colSpan={4}>free</td>;
  const lines = (show: (one: Hanging) => ReactNode) =>
    hangs.map((one) => (
      <span key={one.job + one.where} className="block whitespace-nowrap">
        {show(one)}
      </span>
    ));
  return (
    <>
      <td className="font-mono font-bold">{lines(({ where }) => where)}</td>
      <td>
        {lines(({ job }) => (
          <JobLink job={job} />
        ))}
      </td>
      <td>{lines(({ by }) => names[by] ?? by)}</td>
      <td className="font-mono text-sm">
        {lines(({ since }) => since !== undefined && <Instant at={since} />)}
      </td>
    </>
  );
}

/** Locks on a box and who hung each, a line each. */
function Holders({
  holders,
  names,
}: {
  readonly holders: readonly Hanging[];
  readonly names: Names;
}) {
  return holders.map(({ lock, by }) => (
    <span key={lock} className="block">
      <strong className="font-mono">{lock}</strong> {names[by] ?? by}
    </span>
  ));
}

function BoxCard({
  id,
  name,
  inUse,
  names,
}: {
  readonly id: string;
  readonly name: string;
  readonly inUse: BoxInUse | undefined;
  readonly names: Names;
}) {
  return (
    <li
      data-box={id}
      className={`rounded-box p-2 ${inUse ? 'bg-base-200' : 'border border-base-300'}`}
    >
      <h3 className="font-bold">
        <span className="font-mono">{id}</span> {name}
      </h3>
      {inUse === undefined ? (
        <p>Empty and open.</p>
      ) : (
        <dl className="grid grid-cols-[5.5rem_1fr] gap-x-2 text-sm">
          <dt>For</dt>
          <dd>
            <JobLink job={inUse.job} />
          </dd>
          <dt>Control lock</dt>
          <dd>
            <Holders holders={inUse.control} names={names} />
          </dd>
          {inUse.crews.length > 0 && (
            <>
              <dt>Crew leads</dt>
              <dd>
                <Holders holders={inUse.crews} names={names} />
              </dd>
            </>
          )}
          <dt>Keys in it</dt>
          <dd className="flex flex-wrap gap-x-2 font-mono">
            {inUse.keys.map((key) => (
              <span key={key}>{key}</span>
            ))}
          </dd>
          <dt>Personal</dt>
          <dd>
            {inUse.personal.length === 0 ? (
              'nobody is locked on'
            ) : (
              <Holders holders={inUse.personal} names={names} />
            )}
          </dd>
        </dl>
      )}
    </li>
  );
}

/** Box by box and lock by lock: what hangs where and for whom, to be found by any number or name. */
export function LocksScreen({
  locks,
  boxes,
  findings,
  names,
}: LockSurvey & { readonly names: Names }) {
  const [sought, setSought] = useState('');
  const [onlyHanging, setOnlyHanging] = useState(true);
  const matches = (...words: readonly (string | undefined)[]) =>
    words.some((word) => word?.toLowerCase().includes(sought.trim().toLowerCase()));
  const about = ({ job, where, by, lock }: Hanging) => [job, where, by, names[by], lock];
  const shown = locks.filter(
    ({ id, set, owner, hangs }) =>
      (!onlyHanging || sought.trim() !== '' || hangs.length > 0) &&
      matches(id, set, owner, owner && names[owner], ...hangs.flatMap(about)),
  );
  const { scroller, isLong, drawn, before, after } = useLongRows(
    shown.length,
    (index) => Math.max(1, shown[index]?.hangs.length ?? 1) * LINE_PX + 1,
  );
  const shownBoxes = boxes.filter(({ id, name, inUse }) =>
    matches(
      id,
      name,
      inUse?.job,
      ...(inUse?.keys ?? []),
      ...(inUse ? [...inUse.control, ...inUse.crews, ...inUse.personal].flatMap(about) : []),
    ),
  );
  const hanging = locks.filter(({ hangs }) => hangs.length > 0).length;
  return (
    <main className="flex flex-col gap-3 px-4 py-3">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <h1 className="text-xl font-bold">Locks</h1>
        <label className="flex grow flex-col text-sm">
          Find by any number, tag, job or name
          <input
            type="search"
            className="input w-full max-w-md"
            value={sought}
            onChange={({ target }) => setSought(target.value)}
          />
        </label>
        <p role="status">
          <strong className="font-mono">{hanging}</strong> of {locks.length} locks hang;{' '}
          <strong className="font-mono">{boxes.filter(({ inUse }) => inUse).length}</strong> of{' '}
          {boxes.length} boxes are shut
        </p>
      </div>
      <section aria-label="What does not balance">
        {findings.length === 0 ? (
          <p>Locks and keys balance.</p>
        ) : (
          <ul
            tabIndex={findings.length > 4 ? 0 : undefined}
            className="max-h-32 overflow-y-auto rounded-box border-2 border-error p-2"
          >
            {findings.map(({ code, subject, words }) => (
              <li key={code + subject} data-code={code}>
                {words}
              </li>
            ))}
          </ul>
        )}
      </section>
      <div className="flex flex-col gap-4">
        <section aria-label="Boxes">
          <h2 className="mb-2 text-lg font-bold">Boxes</h2>
          {shownBoxes.length === 0 && <p>No box has to do with “{sought}”.</p>}
          <ul className="grid gap-2 sm:grid-cols-2 lg:grid-cols-4">
            {shownBoxes.map(({ id, name, inUse }) => (
              <BoxCard key={id} id={id} name={name} inUse={inUse} names={names} />
            ))}
          </ul>
        </section>
        <section aria-label="Locks">
          <div className="mb-2 flex items-center gap-4">
            <h2 className="text-lg font-bold">Locks</h2>
            <label className="flex items-center gap-1 text-sm">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={onlyHanging}
                onChange={({ target }) => setOnlyHanging(target.checked)}
              />
              only those that hang, until something is sought
            </label>
          </div>
          {shown.length === 0 && (
            <p>
              {sought.trim() === ''
                ? 'No lock hangs. They go on when a job is isolated.'
                : `No lock has to do with “${sought}”.`}
            </p>
          )}
          {shown.length > 0 && (
            <div
              ref={scroller}
              className={`overflow-x-auto ${isLong ? 'max-h-[calc(100vh-8rem)] overflow-y-auto' : ''}`}
              tabIndex={isLong ? 0 : undefined}
              role={isLong ? 'region' : undefined}
              aria-label={isLong ? 'Locks that are shown' : undefined}
            >
              <table className="w-full text-left [&_td]:pr-3 [&_th]:pr-3">
                <thead className={isLong ? 'sticky top-0 bg-base-100' : ''}>
                  <tr>
                    <th>Lock</th>
                    <th>Use</th>
                    <th>Owner or set</th>
                    <th>Hangs on</th>
                    <th>For</th>
                    <th>Hung by</th>
                    <th>Since</th>
                  </tr>
                </thead>
                <tbody>
                  {before > 0 && <tr aria-hidden style={{ height: before }} />}
                  {drawn.map((index) => {
                    const lock = shown[index];
                    if (!lock) return null;
                    const { id, use, set, owner, hangs } = lock;
                    return (
                      <tr key={id} data-lock={id} className="border-t border-base-300 align-top">
                        <th scope="row" className="font-mono">
                          {id}
                        </th>
                        <td>{use}</td>
                        <td>{owner === undefined ? set : (names[owner] ?? owner)}</td>
                        <Places hangs={hangs} names={names} />
                      </tr>
                    );
                  })}
                  {after > 0 && <tr aria-hidden style={{ height: after }} />}
                </tbody>
              </table>
            </div>
          )}
        </section>
      </div>
    </main>
  );
}
