'use client';

interface RecordedEvent {
  readonly id: number;
  readonly sequence: number;
  readonly type: string;
  readonly payload: unknown;
  readonly actor: string;
  readonly at: string;
  readonly hash: string;
}

/** What an event says, as label and value; ids of people become names. */
function listDetails(payload: unknown, names: Readonly<Record<string, string>>): string {
  const entries = Object.entries(payload as Record<string, unknown>).filter(
    ([key]) => key !== 'kind' && key !== 'sent',
  );
  const show = (value: unknown): string => {
    if (typeof value === 'string') return names[value] ?? value;
    if (Array.isArray(value)) return value.map(show).join(', ');
    if (typeof value === 'object' && value !== null)
      return Object.values(value).map(show).join(': ');
    return String(value);
  };
  return entries
    .filter(([, value]) => value !== '')
    .map(([key, value]) => `${key}: ${show(value)}`)
    .join('; ');
}

/** The picture that an event names, with what its digest is. */
function Picture({ event: { type, payload } }: { readonly event: RecordedEvent }) {
  const { digest } = payload as { readonly digest?: unknown };
  if (type !== 'photo-added' || typeof digest !== 'string') return null;
  return (
    // eslint-disable-next-line @next/next/no-img-element -- kept small already, and only who is signed in may have it
    <img
      src={`/api/photos/${digest}`}
      alt={`Photograph ${digest.slice(0, 8)}`}
      className="mt-1 max-h-48 max-w-72"
    />
  );
}

/** The whole record of a job, oldest first, made to be printed. */
export function RecordSheet({
  id,
  title,
  names,
  events,
}: {
  readonly id: string;
  readonly title: string;
  readonly names: Readonly<Record<string, string>>;
  readonly events: readonly RecordedEvent[];
}) {
  return (
    <article className="flex flex-col gap-3">
      <div className="flex items-center justify-between">
        <h1 className="text-xl font-bold">
          Record of <span className="font-mono">{id}</span> {title}
        </h1>
        <button className="btn btn-sm no-print" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <table className="w-full text-sm">
        <thead>
          <tr className="border-b-2 border-base-content text-left">
            <th>No.</th>
            <th>When (UTC)</th>
            <th>What</th>
            <th>Who</th>
            <th>Details</th>
            <th>Seal</th>
          </tr>
        </thead>
        <tbody>
          {events.map((event) => (
            <tr key={event.id} className="border-t border-base-300 align-top">
              <td className="font-mono">{event.sequence}</td>
              <td className="font-mono whitespace-nowrap">
                {event.at.slice(0, 19).replace('T', ' ')}
              </td>
              <td className="font-bold">{event.type.replaceAll('-', ' ')}</td>
              <td>{names[event.actor] ?? event.actor}</td>
              <td>
                {listDetails(event.payload, names)}
                <Picture event={event} />
              </td>
              <td className="font-mono text-xs">{event.hash.slice(0, 8)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </article>
  );
}
