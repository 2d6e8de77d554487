'use client';

import type { ExplainedRefusal } from '../../core/rules/book';
import { Reasons } from './reasons';

/** What was refused just now, over the foot of the screen until it is understood. */
export function RefusedBand({
  refused,
  onSeen,
}: {
  readonly refused: readonly ExplainedRefusal[];
  readonly onSeen: () => void;
}) {
  return (
    <>
      {/* Room below the page, so that whatever the band lies over can still be scrolled out from under it. */}
      <div aria-hidden className="h-96 print:hidden" />
      <div
        role="alert"
        className="fixed inset-x-0 bottom-0 z-20 mx-auto max-h-96 max-w-3xl overflow-auto border-2 border-error bg-base-100 p-4 shadow-lg"
      >
        <div className="mb-2 flex items-center justify-between">
          <h2 className="text-lg font-bold">Not allowed</h2>
          <button className="btn btn-sm" onClick={onSeen}>
            Understood
          </button>
        </div>
        <Reasons refusals={refused} />
      </div>
    </>
  );
}
