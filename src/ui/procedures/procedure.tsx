'use client';

import Link from 'next/link';
import { useState } from 'react';
import type { Diagram } from '../../core/plant/drawing';
import type { ProcedureCommand } from '../../core/procedures/commands';
import { listProcedureSigners, type Procedure } from '../../core/procedures/record';
import { useSigned } from '../command/use-signed';
import { PrintedDiagram } from '../diagram/diagram';
import { HELD_WORDS } from '../job/held-words';
import { RESTORE_NAMES } from '../job/names';
import { Combobox } from '../kit/combobox';
import type { Choice } from '../kit/choice';
import { ChoiceField, SmallForm, TextField } from '../kit/field';
import { Instant } from '../kit/moment';
import { DueBy, StandsOn, type Standing } from './standing';

type Names = Readonly<Record<string, string>>;
type Give = (command: ProcedureCommand) => void;

interface PageProps extends Standing {
  readonly me: string;
  readonly now: string;
  readonly procedure: Procedure;
  readonly name: string;
  readonly version: number;
  readonly equipment: string;
  readonly drawing: Diagram;
  readonly users: readonly string[];
  readonly names: Names;
  readonly people: readonly Choice[];
  readonly mayWrite: boolean;
  readonly mayInspect: boolean;
}

const LIST = 'list-decimal pl-6 text-sm';

/** What the procedure says: points, order of work, proofs, the way back. */
function Text({ check, drawing }: Pick<PageProps, 'check' | 'drawing'>) {
  const { text } = check;
  const { tags, plan } = text;
  const marks = {
    work: text.scope.work.map(({ section }) => section),
    planned: plan.close,
    opened: plan.open,
    order: Object.fromEntries(tags.map(({ point, number }) => [point, number])),
  };
  return (
    <>
      <PrintedDiagram drawing={drawing} marks={marks} />
      <div className="grid gap-4 lg:grid-cols-2">
        <section aria-label="Order of work">
          <h2 className="font-bold">Order of work</h2>
          <ol className={LIST}>
            {text.steps.map(({ subject, words }, n) => (
              <li key={`${subject} ${n}`}>{words}</li>
            ))}
          </ol>
        </section>
        <div className="flex flex-col gap-4">
          <section aria-label="Locks and tags">
            <h2 className="font-bold">Locks and tags</h2>
            <ol className={LIST}>
              {tags.map(({ point, held }) => (
                <li key={point}>
                  <span className="font-mono">{point}</span> {HELD_WORDS[held]}
                </li>
              ))}
            </ol>
          </section>
          <section aria-label="Proofs">
            <h2 className="font-bold">Proofs</h2>
            <ol className={LIST}>
              {text.proofs.map(({ section, reads, why }) => (
                <li key={`${section} ${reads}`}>
                  <span className="font-mono">{section}</span> {reads}: {why}
                </li>
              ))}
            </ol>
          </section>
          <section aria-label="The way back">
            <h2 className="font-bold">The way back</h2>
            <ol className={LIST}>
              {text.restore.map(({ subject, kind }, n) => (
                <li key={`${subject} ${n}`}>
                  {RESTORE_NAMES[kind]} <span className="font-mono">{subject}</span>
                </li>
              ))}
            </ol>
          </section>
        </div>
      </div>
    </>
  );
}

/** Records how the procedure was found to be used, and by whom it is used. */
function InspectForm({
  number,
  people,
  names,
  give,
}: {
  readonly number: number;
  readonly people: readonly Choice[];
  readonly names: Names;
  readonly give: Give;
}) {
  const [users, setUsers] = useState<readonly string[]>([]);
  const left = people.filter(({ id }) => !users.includes(id));
  return (
    <section aria-label="Inspect it" className="flex flex-col gap-2 rounded-box bg-base-200 p-3">
      <h2 className="font-bold">Inspect it</h2>
      <p className="text-sm">
        Watch it used, and go through it with those who use it: does everybody know what to do?
      </p>
      <Combobox
        label="Gone through with"
        options={left}
        value={undefined}
        onPick={(id) => setUsers([...users, id])}
        empty="add a person"
      />
      {users.length > 0 && (
        <ul className="flex flex-wrap gap-2 text-sm">
          {users.map((id) => (
            <li key={id}>
              <button
                type="button"
                className="btn btn-xs"
                onClick={() => setUsers(users.filter((one) => one !== id))}
              >
                {names[id] ?? id}: take out
              </button>
            </li>
          ))}
        </ul>
      )}
      <SmallForm
        button="Sign the inspection"
        onSend={(read) =>
          give({
            kind: 'inspect-procedure',
            procedure: number,
            users: [...users],
            found: read('found') as 'followed' | 'differs',
            seen: read('seen'),
            putRight: read('putRight'),
          })
        }
      >
        <ChoiceField
          label="What was found"
          name="found"
          options={[
            { id: 'followed', label: 'it is followed as it is written' },
            { id: 'differs', label: 'it is done otherwise' },
          ]}
        />
        <TextField label="What was seen" name="seen" />
        <TextField label="What was put right" name="putRight" required={false} />
      </SmallForm>
    </section>
  );
}

function Past({ procedure, names }: Pick<PageProps, 'procedure' | 'names'>) {
  const name = (id: string) => names[id] ?? id;
  return (
    <section aria-label="What became of it" className="text-sm">
      <h2 className="text-base font-bold">What became of it</h2>
      <ul>
        {procedure.versions.map(({ at, by, job, note, text }, n) => (
          <li key={at}>
            Version {n + 1}, {name(by)}, <Instant at={at} />, from{' '}
            <Link href={`/jobs/${job}`} className="font-mono underline">
              {job}
            </Link>{' '}
            on drawing {text.plantVersion}
            {note !== '' && `: ${note}`}
          </li>
        ))}
        {procedure.inspections.map(({ at, by, version, users, found, seen, putRight }) => (
          <li key={at}>
            Version {version} inspected by {name(by)}, <Instant at={at} />, with{' '}
            {users.map(name).join(', ')}:{' '}
            {found === 'followed' ? 'followed as written' : 'done otherwise'}; {seen}
            {putRight !== '' && `. Put right: ${putRight}`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A written procedure: made to be printed and carried, and what is done about it next. */
export function ProcedureScreen(props: PageProps) {
  const { me, now, procedure, name, version, equipment, check, isHolding, names, users } = props;
  const { number, task, withdrawn } = procedure;
  const { give, shown } = useSigned<ProcedureCommand>({
    url: '/api/procedures',
    names,
    signersOf: (command) => listProcedureSigners(command, me),
    changed: 'Somebody was quicker. Nothing of yours was kept: look again.',
  });
  const isOld = check.text.plantVersion !== check.newest;
  return (
    <main className="flex flex-col gap-3 p-4">
      <Link href="/procedures" className="no-print underline">
        All procedures
      </Link>
      <div className="flex flex-wrap items-baseline gap-3">
        <h1 className="text-xl font-bold">
          <span className="font-mono">{name}</span> {task}
        </h1>
        <span>
          <span className="font-mono">{equipment}</span>, version {version}
        </span>
        <button className="btn btn-sm no-print ml-auto" onClick={() => window.print()}>
          Print
        </button>
      </div>
      {withdrawn && (
        <p role="note" className="border-2 border-error p-2 font-bold">
          Withdrawn by {names[withdrawn.by] ?? withdrawn.by}, <Instant at={withdrawn.at} />:{' '}
          {withdrawn.why}
        </p>
      )}
      <p className="text-sm">
        <StandsOn {...props} /> <DueBy {...props} now={now} />
      </p>
      {check.changes.length > 0 && (
        <details>
          <summary className="cursor-pointer text-sm">
            What has changed in the drawing since
          </summary>
          <ul className="list-disc pl-5 font-mono text-xs">
            {check.changes.map(({ words, touches }) => (
              <li key={words}>
                {touches && <strong>near: </strong>}
                {words}
              </li>
            ))}
          </ul>
        </details>
      )}
      <p className="text-sm">
        It is followed by authorised people who have walked it down, and never replaces the review
        of the plan at hand, local rules or licensed practice.
      </p>
      <Text {...props} />
      {!withdrawn && (
        <div className="no-print grid gap-3 lg:grid-cols-2">
          {props.mayInspect ? (
            <InspectForm number={number} people={props.people} names={names} give={give} />
          ) : (
            <p className="text-sm">
              It is inspected by somebody authorised who does not use it
              {users.length > 0 &&
                `. It is used by ${users.map((id) => names[id] ?? id).join(', ')}`}
              .
            </p>
          )}
          {props.mayWrite && (
            <div className="flex flex-col gap-3">
              {isOld && isHolding && (
                <SmallForm
                  button="Let it stand on the newest drawing"
                  onSend={(read) =>
                    give({ kind: 'renew-procedure', procedure: number, note: read('note') })
                  }
                >
                  <TextField label="What of the changes was looked at" name="note" />
                </SmallForm>
              )}
              <details>
                <summary className="cursor-pointer text-sm">Withdraw it</summary>
                <SmallForm
                  button="Withdraw it"
                  onSend={(read) =>
                    give({ kind: 'withdraw-procedure', procedure: number, why: read('why') })
                  }
                >
                  <TextField label="Why" name="why" />
                </SmallForm>
              </details>
            </div>
          )}
        </div>
      )}
      <Past procedure={procedure} names={names} />
      {shown}
    </main>
  );
}
