'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ORDER_COLUMNS } from '../../core/work-orders/csv';

interface Answer {
  readonly ok: boolean;
  readonly received?: readonly { readonly number: string; readonly became: string }[];
  readonly error?: string;
  readonly problems?: readonly string[];
}

const BECAME_WORDS: Readonly<Record<string, string>> = {
  new: 'new',
  unchanged: 'as it was',
  changed: 'changed',
  'changed-after-raising': 'CHANGED AFTER A JOB WAS RAISED: look at the job',
};

async function sendSheet(file: File): Promise<Answer> {
  try {
    const answer = await fetch('/api/v1/work-orders', {
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
      body: await file.text(),
    });
    return (await answer.json()) as Answer;
  } catch {
    return { ok: false, error: 'The server could not be reached. Nothing was taken in.' };
  }
}

/** A sheet of work orders is taken in whole, or refused by row and column. */
export function BringOrders() {
  const router = useRouter();
  const [answer, setAnswer] = useState<Answer>();
  return (
    <section aria-label="Import work orders" className="flex flex-col gap-2">
      <h2 className="text-lg font-bold">Import work orders</h2>
      <p className="text-sm">
        A CSV sheet with the columns <span className="font-mono">{ORDER_COLUMNS.join(', ')}</span>.
        Places of work are written as{' '}
        <span className="font-mono">P201-CAS open; P201-PSH touch</span>. They wait under Jobs until
        a coordinator raises them.
      </p>
      <label className="flex flex-col text-sm">
        Sheet (CSV)
        <input
          type="file"
          accept=".csv,text/csv"
          className="file-input file-input-sm"
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            if (!file) return;
            void sendSheet(file).then((next) => {
              setAnswer(next);
              target.value = '';
              if (next.ok) router.refresh();
            });
          }}
        />
      </label>
      {answer?.ok && (
        <div role="status">
          <ul>
            {(answer.received ?? []).map(({ number, became }) => (
              <li key={number} className="text-sm">
                <span className="font-mono">{number}</span> {BECAME_WORDS[became]}
              </li>
            ))}
          </ul>
        </div>
      )}
      {answer && !answer.ok && (
        <div role="alert" className="border-l-4 border-error pl-2">
          <p className="font-bold">{answer.error}</p>
          <ul>
            {(answer.problems ?? []).map((problem) => (
              <li key={problem} className="text-sm">
                {problem}
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}
