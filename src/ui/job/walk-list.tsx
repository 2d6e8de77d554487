'use client';

import type { DossierView } from '../../core/job';
import { computeSequenceMinutes } from '../../core/sequence/sequence';

const RESTORE_WORDS = {
  'earth-off': 'earth off',
  'blind-out': 'take out, lock off',
  'free-store': 'restraint off',
  'close-outlet': 'shut',
  unlock: 'lock off, normal position',
} as const;

/** A box to tick with a pen. */
const Box = () => (
  <span aria-hidden className="inline-block size-4 border-2 border-current align-middle" />
);

function RestoreTable({ view }: { readonly view: DossierView }) {
  const { restore, leakTests, shared, values } = view;
  const isUnlock = ({ kind }: (typeof restore)[number]) => kind === 'unlock';
  const rows = [
    ...restore
      .filter((step) => !isUnlock(step))
      .map(({ subject, kind }) => ({ subject, what: RESTORE_WORDS[kind] })),
    ...leakTests.map(({ section, least_bar }) => ({
      subject: section,
      what: `test for leaks${least_bar === undefined ? '' : `, at least ${least_bar} bar`}, ${values['leak-test-min']} min`,
    })),
    ...restore
      .filter(isUnlock)
      .map(({ subject, kind }) => ({ subject, what: RESTORE_WORDS[kind] })),
  ];
  return (
    <table className="w-full text-sm [&_td]:pr-3 [&_th]:pr-3">
      <caption className="text-left font-bold">Restore, in this order</caption>
      <thead>
        <tr className="border-b-2 border-base-content text-left">
          <th>No.</th>
          <th>Done</th>
          <th>Point</th>
          <th>What</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ subject, what }, index) => (
          <tr key={`${index} ${subject}`} className="border-t border-base-300">
            <td className="py-1 font-mono">{index + 1}</td>
            <td>
              <Box />
            </td>
            <td className="font-mono">{subject}</td>
            <td>
              {what}
              {subject in shared ? `; stays as it is for ${shared[subject] ?? ''}` : ''}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Everything that was cut off, to be compared with its line-up. */
function LineTable({ view }: { readonly view: DossierView }) {
  return (
    <table className="w-full text-sm [&_td]:pr-3 [&_th]:pr-3">
      <caption className="text-left font-bold">Walk the line, then see it start</caption>
      <thead>
        <tr className="border-b-2 border-base-content text-left">
          <th>In line</th>
          <th>Point</th>
          <th>Line-up</th>
          <th className="pl-3">Found otherwise</th>
        </tr>
      </thead>
      <tbody>
        {view.lineup.map(({ point, normal, words, hasEnd, heldBy }) => (
          <tr key={point} className="border-t border-base-300">
            <td className="py-1">
              <Box />
            </td>
            <td className="font-mono">{point}</td>
            <td>
              {words[normal]}
              {hasEnd && heldBy === undefined ? ', end plugged' : ''}
              {heldBy === undefined ? '' : `, ${heldBy} holds it`}
            </td>
            <td className="w-48 border-b border-base-content/40 pl-3" />
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The order of work and the way back, as lists to carry round the plant and tick. Made to be printed. */
export function WalkList({ jobId, view }: { readonly jobId: string; readonly view: DossierView }) {
  const { steps, dossier } = view;
  const metres = steps.reduce((sum, step) => sum + step.walk_m, 0);
  return (
    <article className="flex flex-col gap-4">
      <div className="flex items-center justify-between gap-3">
        <h1 className="text-xl font-bold">
          Walk list of <span className="font-mono">{jobId}</span> {dossier.title}
        </h1>
        <button className="btn btn-sm no-print" onClick={() => window.print()}>
          Print
        </button>
      </div>
      {dossier.plan.kind !== 'accepted' && (
        <p role="note" className="border-2 border-error p-2 font-bold">
          The plan is not accepted. Not to be carried out.
        </p>
      )}
      {steps.length === 0 ? (
        <p>No plan has been kept yet. Compute one or draw one up, and keep it.</p>
      ) : (
        <>
          <p>
            {steps.length} steps, about {Math.ceil(computeSequenceMinutes(steps))} min with {metres}{' '}
            m of walking. Times are estimates: they prove nothing, and nobody hurries for them.
          </p>
          <table className="w-full text-sm [&_td]:pr-3 [&_th]:pr-3">
            <caption className="text-left font-bold">Isolate</caption>
            <thead>
              <tr className="border-b-2 border-base-content text-left">
                <th>No.</th>
                <th>Done</th>
                <th>Step</th>
                <th className="text-right">Walk m</th>
                <th className="text-right">min</th>
                <th className="pl-3">Lock, reading, time</th>
              </tr>
            </thead>
            <tbody>
              {steps.map((step, index) => (
                <tr
                  key={`${step.phase}-${step.subject}-${index}`}
                  className="border-t border-base-300"
                >
                  <td className="py-1 font-mono">{index + 1}</td>
                  <td>{step.done ? '✓' : <Box />}</td>
                  <td className="py-1">{step.words}</td>
                  <td className="text-right font-mono">{step.walk_m}</td>
                  <td className="text-right font-mono">{step.minutes}</td>
                  <td className="w-48 border-b border-base-content/40 pl-3" />
                </tr>
              ))}
            </tbody>
          </table>
          <RestoreTable view={view} />
          <LineTable view={view} />
        </>
      )}
    </article>
  );
}
