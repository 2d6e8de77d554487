'use client';

import Link from 'next/link';
import { useState } from 'react';
import { LEAST_PASSPHRASE } from '../../core/people/pin-code';
import { readWho } from '../../core/people/badge';
import { post, type Posted } from '../command/post';
import { Faults } from '../kit/faults';
import { Instant } from '../kit/moment';
import { Note } from '../kit/note';
import { PinInput } from '../kit/pin-input';
import { WhoField } from '../shell/who-field';

interface Answer extends Posted {
  readonly by?: readonly string[];
  readonly at?: string;
}

/** Setting one's own PIN with the code that a site manager gave out. */
export function FirstPin({
  people,
}: {
  readonly people: readonly { readonly id: string; readonly label: string }[] | undefined;
}) {
  const [answer, setAnswer] = useState<Answer>();
  const send = async (form: FormData) => {
    const read = (name: string) => (form.get(name) as string | null) ?? '';
    if (read('pin') !== read('again')) {
      return setAnswer({ ok: false, error: 'The two are not the same: type them again.' });
    }
    setAnswer(
      await post<Answer>('/api/people/pin', {
        person: readWho(read('person')),
        code: read('code'),
        pin: read('pin'),
      }),
    );
  };
  return (
    <main className="mx-auto flex max-w-md flex-col gap-4 p-6 pt-16">
      <h1 className="text-3xl font-bold">Set your PIN</h1>
      {answer?.ok ? (
        <>
          <p role="status">
            Your PIN is set. The code was made by {(answer.by ?? []).join(' and ')} at{' '}
            <Instant at={answer.at ?? ''} />. If you did not ask for it, tell a site manager now.
          </p>
          <Link href="/login" className="btn btn-primary self-start">
            Sign in
          </Link>
        </>
      ) : (
        <form
          className="flex flex-col gap-3 border border-base-300 bg-base-200 p-4"
          onSubmit={(event) => {
            event.preventDefault();
            void send(new FormData(event.currentTarget));
          }}
        >
          <WhoField people={people} />
          <label className="flex flex-col gap-1">
            Code from a site manager
            <input name="code" required autoComplete="off" className="input w-full font-mono" />
          </label>
          <PinInput label="Your new PIN or passphrase" />
          <PinInput label="The same again" name="again" />
          <Faults answer={answer} />
          <button className="btn btn-primary">Set my PIN</button>
        </form>
      )}
      <Note isSmall>
        A PIN signs for you: whoever knows it can put your name under anything. Choose one that
        nobody can guess, and tell nobody. Instead of digits it can be a passphrase of{' '}
        {LEAST_PASSPHRASE} characters or more.
      </Note>
    </main>
  );
}
