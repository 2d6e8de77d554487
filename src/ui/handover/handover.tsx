'use client';

import type { HandoverReport } from '../../core/handover/parts';
import { listUnread, type Handover, type HandoverRecord } from '../../core/handover/record';
import type { HandoverCommand } from '../../core/handover/commands';
import type { Choice } from '../kit/choice';
import { PickField } from '../kit/combobox';
import { SmallForm, TextField } from '../kit/field';
import { GiveForm } from './give-form';
import { ReportView } from './report';
import { useHandover } from './use-handover';
import { Beside, Instant, useMoments } from '../kit/moment';

type Give = (command: HandoverCommand, onDone?: () => void) => void;
type Names = Readonly<Record<string, string>>;

function Promises({
  record,
  names,
  now,
  give,
}: {
  readonly record: HandoverRecord;
  readonly names: Names;
  readonly now: string;
  readonly give: Give;
}) {
  const open = record.promises.filter(({ kept }) => !kept);
  if (open.length === 0) return null;
  return (
    <section aria-label="Open promises" className="flex flex-col gap-1">
      <h2 className="text-lg font-bold">Open promises</h2>
      <ul>
        {open.map(({ number, what, who, until }) => (
          <li key={number} className="border-t border-base-300 py-1 text-sm">
            {what}: {names[who] ?? who}, by <Beside at={until} now={now} />
            <SmallForm
              button="Record the promise as kept"
              onSend={(read) => give({ kind: 'keep-promise', promise: number, done: read('done') })}
            >
              <TextField label="What was done" name="done" />
            </SmallForm>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Earlier({
  handover,
  names,
  give,
  isOpen,
}: {
  readonly handover: Handover;
  readonly names: Names;
  readonly give: Give;
  readonly isOpen: boolean;
}) {
  const { time } = useMoments();
  const { number, at, by, incoming, notes, report, read, ledger } = handover;
  const unread = listUnread(handover);
  const name = (id: string) => names[id] ?? id;
  return (
    <details open={isOpen} data-handover={number} className="rounded-box bg-base-200 p-2">
      <summary className="cursor-pointer">
        <strong className="font-mono">H-{String(number).padStart(4, '0')}</strong>{' '}
        <Instant at={at} />, {name(by)} to {name(incoming)};{' '}
        {unread.length === 0 ? 'read by all' : `${unread.length} have not read it`}
      </summary>
      <div className="flex flex-col gap-3 py-2">
        <p className="whitespace-pre-wrap border-l-4 border-primary pl-2">
          {notes === '' ? 'No notes.' : notes}
        </p>
        <ReportView report={report} names={names} />
        <p className="text-sm">
          Read:{' '}
          {Object.entries(read)
            .map(([person, when]) => `${name(person)} ${time(when)}`)
            .join(', ')}
        </p>
        {ledger && (
          <p className="text-xs">
            Ledger at this handover: {ledger.events} events, head{' '}
            <span className="font-mono">{ledger.hash.slice(0, 16)}</span>
          </p>
        )}
        {unread.length > 0 && (
          <>
            <p className="text-sm" data-unread>
              <strong>Not read by:</strong> {unread.map(name).join(', ')}
            </p>
            <SmallForm
              button="Sign that I have read it"
              onSend={(field) =>
                give({ kind: 'read-handover', handover: number, person: field('reader') })
              }
            >
              <PickField
                label="Who has read it"
                name="reader"
                options={unread.map((id) => ({ id, label: name(id) }))}
              />
            </SmallForm>
          </>
        )}
      </div>
    </details>
  );
}

/** The handover of a shift: the report as it stands, notes and promises, both signatures, and who has read the earlier ones. */
export function HandoverScreen({
  me,
  now,
  version,
  record,
  report,
  digest,
  due,
  names,
  everybody,
  takers,
  mayGive,
}: {
  readonly me: string;
  readonly now: string;
  readonly version: number;
  readonly record: HandoverRecord;
  readonly report: HandoverReport;
  readonly digest: string;
  readonly due: string | undefined;
  readonly names: Names;
  readonly everybody: readonly Choice[];
  readonly takers: readonly Choice[];
  readonly mayGive: boolean;
}) {
  const { give, shown } = useHandover({ me, version, digest, names });
  const newestFirst = [...record.handovers].reverse();
  return (
    <main className="grid gap-6 p-4 lg:grid-cols-[minmax(0,1fr)_26rem]">
      <div className="flex min-w-0 flex-col gap-3">
        <h1 className="text-xl font-bold">Shift handover</h1>
        {due !== undefined && (
          <p role="status" className="border-l-4 border-warning pl-2 font-bold">
            The shift that began at <Beside at={due} now={now} /> has not been handed over.
          </p>
        )}
        <p className="text-sm">Made from the record as it stands now.</p>
        <ReportView report={report} names={names} />
      </div>
      <div className="flex flex-col gap-4 max-lg:order-first">
        <section
          aria-label="Hand over"
          className="flex flex-col gap-2 rounded-box border-2 border-primary p-3"
        >
          <h2 className="text-lg font-bold">Hand over</h2>
          {mayGive ? (
            <GiveForm now={now} everybody={everybody} takers={takers} onGive={give} />
          ) : (
            <p>An issuing authority or a coordinator hands the shift over.</p>
          )}
        </section>
        <Promises record={record} names={names} now={now} give={give} />
        <section aria-label="Earlier handovers" className="flex flex-col gap-2">
          <h2 className="text-lg font-bold">Earlier handovers</h2>
          {newestFirst.length === 0 && <p className="text-sm">None yet.</p>}
          {newestFirst.slice(0, 30).map((handover, n) => (
            <Earlier
              key={handover.number}
              handover={handover}
              names={names}
              give={give}
              isOpen={n === 0 && listUnread(handover).length > 0}
            />
          ))}
        </section>
      </div>
      {shown}
    </main>
  );
}
