import type { ChangeEvent } from '../core/changes/record';
import { diffPlants, type Plant } from '../core/plant';
import { appendEvents } from '../ledger';
import type { Db } from '../db';
import { CHANGES_OF_SITE, readChanges } from './changes-read';
import { readNow } from './clock';

/** So many ids are kept with a change of the drawing; one that touches more counts everywhere. */
const MOST_PLACES = 200;

/**
 * Records what a new version of the drawing changes, as a change that somebody else has to look at and allow: plant at those places is not taken back into
 * service before. Nothing where both say the same. Call it in the transaction that saves the version.
 */
export function recordDrawingChange(
  tx: Db,
  before: Plant | undefined,
  after: Plant,
  {
    note,
    actor,
    version,
  }: { readonly note: string; readonly actor: string; readonly version: number },
): void {
  // The empty drawing that a site is set up with is none that anybody runs by.
  if (before?.sections.length === 0) return;
  const differs = before && diffPlants(before, after).filter(({ table }) => table !== 'renamed');
  if (differs?.length === 0) return;
  const places = [...new Set(differs?.map(({ id }) => id))];
  const rows = differs ? `${differs.length} rows differ` : 'the one before cannot be read';
  const event: ChangeEvent = {
    kind: 'change-proposed',
    change: 'drawing',
    plantVersion: version,
    what: `version ${version}, ${rows}`,
    why: note,
    ...(!differs || places.length > MOST_PLACES ? { places: [], isEverywhere: true } : { places }),
  };
  const mark = { actor, at: readNow(tx), policy: 'none' };
  appendEvents(tx, CHANGES_OF_SITE.stream, readChanges(tx).version, [event], mark);
}
