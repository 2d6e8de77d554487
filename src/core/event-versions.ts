type Payload = Readonly<Record<string, unknown>>;
type Lift = (payload: Payload) => Payload;

/**
 * How an event of an earlier version becomes one of the next, by its kind. The version in which a kind is written now is one more than it has lifts. A lift
 * is never changed or taken away once a release has written what it makes: ledgers are kept for ever.
 */
const LIFTS: Readonly<Record<string, readonly Lift[]>> = {
  // People have been able to leave since version 2.
  'person-saved': [(payload) => ({ leftAt: null, ...payload })],
  // Defects are handed over since version 2.
  'shift-handed-over': [
    (payload) => ({ ...payload, report: { defects: [], ...(payload['report'] as Payload) } }),
    // And changes since version 3.
    (payload) => ({ ...payload, report: { changes: [], ...(payload['report'] as Payload) } }),
  ],
};

/** The version in which events of a kind are written. */
export const versionOfKind = (kind: string): number => (LIFTS[kind]?.length ?? 0) + 1;

/** An event that a later version of the application wrote: this one cannot tell what it says. */
export class WrittenLater extends Error {
  constructor(kind: string, version: number) {
    super(
      `the ledger has an event (${kind}, version ${version}) that a later version of the application wrote: run that one, or restore the backup that was made before it`,
    );
  }
}

/**
 * An event as it is written now, from its payload as it was kept. One without a version is of before events had them, which is version 1.
 * Throws `WrittenLater` on what only a later application can read.
 */
export function liftEvent(kept: unknown): unknown {
  const { v = 1, ...payload } = kept as Payload;
  const kind = String(payload['kind']);
  const version = typeof v === 'number' && Number.isInteger(v) && v >= 1 ? v : Infinity;
  if (version > versionOfKind(kind)) throw new WrittenLater(kind, version);
  return (LIFTS[kind] ?? []).slice(version - 1).reduce<Payload>((one, lift) => lift(one), payload);
}
