'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { LEAST_PASSPHRASE } from '../../core/people/pin-code';
import { post, type Posted } from '../command/post';
import { PickField } from '../kit/combobox';
import { Faults } from '../kit/faults';
import { Note } from '../kit/note';
import { signIn } from '../shell/sign-in-at';

function Field({
  label,
  name,
  type = 'text',
  value,
  hint,
}: {
  readonly label: string;
  readonly name: string;
  readonly type?: 'text' | 'password' | 'date';
  readonly value?: string;
  readonly hint?: string;
}) {
  return (
    <label className="flex flex-col">
      {label}
      <input
        name={name}
        type={type}
        defaultValue={value}
        required
        autoComplete="off"
        className="input w-full"
      />
      {hint !== undefined && <span className="text-sm">{hint}</span>}
    </label>
  );
}

/** A day a year from now, as a field for a day holds it. */
const inAYear = (today: string): string => `${Number(today.slice(0, 4)) + 1}${today.slice(4, 10)}`;

/** The first start of a site: the server's code, the site, and who manages it. */
export function SetUpScreen({
  zones,
  today,
}: {
  readonly zones: readonly string[];
  readonly today: string;
}) {
  const router = useRouter();
  const [answer, setAnswer] = useState<Posted>();
  const [isBusy, setBusy] = useState(false);
  const send = async (form: FormData) => {
    const read = (name: string) => (form.get(name) as string | null) ?? '';
    if (read('pin') !== read('again')) {
      return setAnswer({ ok: false, error: 'The two are not the same: type them again.' });
    }
    setBusy(true);
    const done = await post('/api/set-up', {
      code: read('code'),
      name: read('name'),
      zone: read('zone'),
      shifts: read('shifts')
        .split(',')
        .map((one) => one.trim()),
      manager: { id: read('id'), name: read('manager'), employer: read('employer') },
      until: read('until'),
      evidence: read('evidence'),
      pin: read('pin'),
    });
    setAnswer(done);
    setBusy(false);
    if (!done.ok) return;
    await signIn(read('id'), read('pin'));
    router.push('/site');
    router.refresh();
  };
  return (
    <main className="mx-auto flex max-w-3xl flex-col gap-4 p-6">
      <h1 className="text-3xl font-bold">Set up this site</h1>
      <p>
        Nobody is here yet. Name the site and its first site manager; plant, people, locks and
        instruments come after that, one by one.
      </p>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void send(new FormData(event.currentTarget));
        }}
      >
        <Field
          label="Code from the server"
          name="code"
          hint="The server printed it when it started; it also lies beside the database, in the file that ends in .set-up-code."
        />
        <fieldset className="grid gap-3 sm:grid-cols-2">
          <legend className="col-span-full text-lg font-bold">The site</legend>
          <Field label="Name of the site" name="name" />
          <PickField
            label="Time zone"
            name="zone"
            value="UTC"
            options={zones.map((id) => ({ id, label: id }))}
            isLarge
          />
          <Field
            label="Shifts begin at"
            name="shifts"
            value="06:00, 18:00"
            hint="By the clock on the wall, with commas between."
          />
        </fieldset>
        <fieldset className="grid gap-3 sm:grid-cols-2">
          <legend className="col-span-full text-lg font-bold">The first site manager</legend>
          <Field label="Name" name="manager" />
          <Field label="Short name" name="id" hint="Small letters, as in the record: jo, jo-2." />
          <Field label="Employer" name="employer" />
          <Field label="Authorised until" name="until" type="date" value={inAYear(today)} />
          <Field
            label="On what evidence"
            name="evidence"
            hint="Who appointed them, when, and on what training."
          />
          <span />
          <Field
            label="Passphrase, or a PIN of at least six digits"
            name="pin"
            type="password"
            hint={`A passphrase has ${LEAST_PASSPHRASE} characters or more.`}
          />
          <Field label="The same again" name="again" type="password" />
        </fieldset>
        <Note>
          The rules begin as in the demonstration: the stricter practice where practice differs. All
          of them can be changed under Site. Days are written 2026-12-01 on every screen and paper,
          so that nobody takes the day for the month (a field in which a day is picked shows it as
          your browser does); figures can be typed in the units that people use.
        </Note>
        <Note>
          A site manager authorises people and sets the rules. Nobody authorises themselves: have a
          second site manager soon.
        </Note>
        <Faults answer={answer} />
        <button className="btn btn-primary self-start" disabled={isBusy}>
          Set the site up
        </button>
      </form>
    </main>
  );
}
