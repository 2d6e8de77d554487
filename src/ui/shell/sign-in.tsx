'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { readWho } from '../../core/people/badge';
import { PinInput } from '../kit/pin-input';
import { signIn } from './sign-in-at';
import { WhoField } from './who-field';

/** Choosing a person and giving the PIN. */
export function SignIn({
  people,
}: {
  readonly people: readonly { id: string; label: string }[] | undefined;
}) {
  const router = useRouter();
  const [error, setError] = useState('');
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setBusy(true);
    const form = new FormData(event.currentTarget);
    const wrong = await signIn(
      readWho((form.get('person') as string | null) ?? ''),
      (form.get('pin') as string | null) ?? '',
    );
    setBusy(false);
    setError(wrong ?? '');
    if (wrong !== undefined) return;
    router.push('/jobs');
    router.refresh();
  };
  return (
    <main className="mx-auto flex max-w-md flex-col gap-4 p-6 pt-16">
      <h1 className="text-3xl font-bold">Heavy Lantern</h1>
      <p>Every way in which energy can reach the crew is a lamp. Work needs every lamp dark.</p>
      <form
        onSubmit={(event) => void submit(event)}
        className="flex flex-col gap-3 border border-base-300 bg-base-200 p-4"
      >
        <WhoField people={people} />
        <PinInput label="PIN" />
        {error !== '' && (
          <p role="alert" className="font-bold text-error">
            {error}
          </p>
        )}
        <button className="btn btn-primary" disabled={busy}>
          Sign in
        </button>
      </form>
      <p className="text-sm">
        Here for the first time, or your PIN was reset?{' '}
        <Link href="/first-pin" className="underline">
          Set your PIN
        </Link>
      </p>
      <p className="text-sm">
        This tool supports a competent person. It never replaces local codes, licensed practice or
        looking at the plant.
      </p>
    </main>
  );
}
