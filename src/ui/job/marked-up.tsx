'use client';

import type { NumberedTag } from '../../core/job';
import type { Diagram } from '../../core/plant/drawing';
import { PrintedDiagram } from '../diagram/diagram';
import { HELD_WORDS } from './held-words';

/** The diagram of a job with its points numbered in the order of work, and what hangs at each. Made to be printed. */
export function MarkedUp({
  jobId,
  title,
  isAccepted,
  drawing,
  tags,
  work,
}: {
  readonly jobId: string;
  readonly title: string;
  readonly isAccepted: boolean;
  readonly drawing: Diagram;
  readonly tags: readonly NumberedTag[];
  readonly work: readonly string[];
}) {
  const closed = tags.filter(({ held }) => held === 'closed').map(({ point }) => point);
  const marks = {
    work,
    planned: closed,
    opened: tags.filter(({ held }) => held === 'open').map(({ point }) => point),
    locked: tags.filter(({ lock }) => lock !== undefined).map(({ point }) => point),
    earths: Object.fromEntries(
      tags.flatMap(({ point, earth }) => (earth === undefined ? [] : [[point, earth]])),
    ),
    order: Object.fromEntries(tags.map(({ point, number }) => [point, number])),
  };
  return (
    <article className="flex flex-col gap-3">
      <style>{'@page { size: A4 landscape; margin: 10mm; }'}</style>
      <div className="flex flex-wrap items-baseline gap-3">
        <h1 className="text-xl font-bold">
          Marked-up diagram of <span className="font-mono">{jobId}</span> {title}
        </h1>
        <button className="btn btn-sm no-print ml-auto" onClick={() => window.print()}>
          Print
        </button>
      </div>
      {!isAccepted && (
        <p role="note" className="border-2 border-error p-2 font-bold">
          The plan is not accepted. Not to be carried out.
        </p>
      )}
      <PrintedDiagram drawing={drawing} marks={marks} />
      {tags.length === 0 ? (
        <p>No plan has been kept yet. Compute one or draw one up, and keep it.</p>
      ) : (
        <table className="w-full text-sm break-before-page [&_td]:pr-3 [&_th]:pr-3">
          <caption className="text-left font-bold">Points in the order of work</caption>
          <thead>
            <tr className="border-b-2 border-base-content text-left">
              <th>No.</th>
              <th>Point</th>
              <th>What</th>
              <th>Where</th>
              <th>Held</th>
              <th>Lock or earth</th>
              <th>Tag</th>
            </tr>
          </thead>
          <tbody>
            {tags.map(({ number, point, what, where, held, lock, earth, code }) => (
              <tr key={`${number} ${point}`} className="border-t border-base-300">
                <td className="py-1 font-mono">{number}</td>
                <td className="whitespace-nowrap font-mono">{point}</td>
                <td>{what.replaceAll('-', ' ')}</td>
                <td>{where}</td>
                <td className="whitespace-nowrap">{HELD_WORDS[held]}</td>
                <td className="font-mono">
                  {lock ?? earth ?? <span className="inline-block w-20 border-b" />}
                </td>
                <td className="whitespace-nowrap font-mono">{code}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="text-xs">
        Drawn from the plant file. Whoever carries it out compares it with the plant, and stops
        where the two differ.
      </p>
    </article>
  );
}
