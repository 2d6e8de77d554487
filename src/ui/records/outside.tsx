import { BringOrders } from './bring-orders';
import { Tokens, type TokenLine } from './tokens';

/** What comes in from other programs, and what goes out to them. */
export function OutsideScreen({
  tables,
  tokens,
  names,
  mayMake,
  mayBring,
}: {
  readonly tables: readonly string[];
  readonly tokens: readonly TokenLine[];
  readonly names: Readonly<Record<string, string>>;
  readonly mayMake: boolean;
  readonly mayBring: boolean;
}) {
  return (
    <main className="mx-auto grid max-w-6xl gap-6 p-4 lg:grid-cols-2">
      <h1 className="text-xl font-bold lg:col-span-2">Import and export</h1>
      <section aria-label="Export tables" className="flex flex-col gap-2">
        <h2 className="text-lg font-bold">Export tables</h2>
        {tables.length === 0 && (
          <p className="text-sm">
            Coordinators, issuing authorities, auditors and site managers take these out.
          </p>
        )}
        <ul>
          {tables.map((table) => (
            <li key={table} className="flex gap-3 border-t border-base-300 py-1">
              <span className="grow font-mono">{table}</span>
              {(['csv', 'json'] as const).map((format) => (
                <a key={format} href={`/api/v1/export/${table}.${format}`} className="underline">
                  {format.toUpperCase()}
                </a>
              ))}
            </li>
          ))}
        </ul>
      </section>
      <div className="flex flex-col gap-6">
        {mayBring && <BringOrders />}
        <section aria-label="Calendar" className="flex flex-col gap-1">
          <h2 className="text-lg font-bold">Calendar</h2>
          <p className="text-sm">
            Windows and lapses as a feed:{' '}
            <a href="/api/v1/calendar" className="font-mono underline">
              /api/v1/calendar
            </a>
            . A calendar that can send no header gives <span className="font-mono">?token=…</span>{' '}
            in the address.
          </p>
        </section>
        <Tokens tokens={tokens} names={names} mayMake={mayMake} />
        <section aria-label="Interface" className="flex flex-col gap-1">
          <h2 className="text-lg font-bold">Interface</h2>
          <p className="text-sm">
            Described in{' '}
            <a href="/api/v1/openapi" className="font-mono underline">
              /api/v1/openapi
            </a>{' '}
            (OpenAPI 3.1). A token goes in the header{' '}
            <span className="font-mono">Authorization: Bearer …</span>. Nothing there signs
            anything.
          </p>
        </section>
      </div>
    </main>
  );
}
