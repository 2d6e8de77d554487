'use client';

import { names } from './names';
import type { Exposure, Failure, Sign } from '../../core/isolation';

function Exposures({ exposures }: { readonly exposures: readonly Exposure[] }) {
  const reaching = exposures.filter(({ reaches }) => reaches);
  const held = exposures.filter(({ reaches }) => !reaches);
  const stands = [...new Set(held.flatMap((one) => one.stands))];
  return (
    <>
      {reaching.length > 0 && (
        <p className="font-bold">Reaches the crew: {names(reaching.map(({ source }) => source))}</p>
      )}
      {held.length > 0 && (
        <p>
          {names(held.map(({ source }) => source))}: still held by{' '}
          <span className="font-mono">{names(stands)}</span>
        </p>
      )}
      {exposures.length === 0 && <p>Nothing comes nearer: both sides are dead.</p>}
    </>
  );
}

const describeSign = ({ kind, id, section }: Sign): string =>
  kind === 'flow' ? `flow at ${id} (${section})` : `rise on ${id} (${section})`;

/** One failure more: for each barrier what would come of it, what still stands and who would notice. Worst first. */
export function FailureTable({ failures }: { readonly failures: readonly Failure[] }) {
  if (failures.length === 0) return null;
  return (
    <table data-testid="failures" className="w-full text-sm">
      <caption className="text-left">
        If one of these passes, or is opened by mistake. Worst first.
      </caption>
      <thead>
        <tr className="text-left">
          <th>Barrier</th>
          <th>What comes of it</th>
          <th>Noticed by</th>
        </tr>
      </thead>
      <tbody>
        {failures.map(({ link, kind, exposures, signs }) => (
          <tr key={link} className="border-t border-base-300 align-top">
            <th className="py-1 pr-2 text-left">
              <span className="font-mono whitespace-nowrap">{link}</span>
              <span className="block text-xs font-normal">{kind}</span>
            </th>
            <td className="py-1 pr-2">
              <Exposures exposures={exposures} />
            </td>
            <td className="py-1">
              {signs.length > 0
                ? names(signs.map(describeSign))
                : exposures.length > 0
                  ? 'nothing: it would not be noticed'
                  : ''}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
