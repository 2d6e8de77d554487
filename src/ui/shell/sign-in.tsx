'use client';

import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';

/** Choosing a person and giving the PIN. */
export function SignIn({ people }: { readonly people: readonly { id: string; label: string }[] }) {
  const router = useRouter();
  const [error, setError] = useState('');
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setBusy(true);
    const form = new FormData(event.currentTarget);
    const answer = await fetch('/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ person: form.get('person'), pin: form.get('pin') }),
    }).catch(() => undefined);
    setBusy(false);
    if (answer?.ok) {
      router.push('/jobs');
      router.refresh();
    } else {
      const body = (await answer?.json().catch(() => undefined)) as { error?: string } | undefined;
      setError(body?.error ?? 'The server could not be reached. Nothing was sent.');
    }
  };
  return (
    <main className="mx-auto flex max-w-md flex-col gap-4 p-6 pt-16">
      <h1 className="text-3xl font-bold">Heavy Lantern</h1>
      <p>Every way in which energy can reach the crew is a lamp. Work needs every lamp dark.</p>
      <form
        onSubmit={(event) => void submit(event)}
        className="flex flex-col gap-3 border border-base-300 bg-base-200 p-4"
      >
        <label className="flex flex-col gap-1">
          Who are you?
          <select name="person" required className="select w-full">
            {people.map(({ id, label }) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-1">
          PIN
          <input
            name="pin"
            type="password"
            inputMode="numeric"
            required
            autoComplete="off"
            className="input w-full font-mono"
          />
        </label>
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
        This tool supports a competent person. It never replaces local codes, licensed practice or
        looking at the plant.
      </p>
    </main>
  );
}
