'use client';

import { useRouter } from 'next/navigation';
import { startTransition, useState } from 'react';
import { post, type Posted } from '../command/post';
import { Faults } from './faults';
import { PinField, SmallForm } from './field';

interface Difference {
  readonly id: string;
  readonly became: 'new' | 'changed';
  readonly words: readonly string[];
}

interface Answer extends Posted {
  readonly differences?: readonly Difference[];
  readonly expected?: number;
}

function Differences({ all }: { readonly all: readonly Difference[] }) {
  if (all.length === 0) return <p>Nothing would change.</p>;
  return (
    <>
      <p className="font-bold">{all.length} would be new or change:</p>
      <ul aria-label="What would change" className="max-h-72 overflow-auto text-sm" tabIndex={0}>
        {all.map(({ id, became, words }) => (
          <li key={id} className="border-t border-base-300 py-1">
            <span className="font-mono font-bold">{id}</span> {became}: {words.join('; ')}
          </li>
        ))}
      </ul>
    </>
  );
}

/** Reads a sheet in: first what is wrong with it or what it would change, then it is saved, signed. */
export function SheetTool({
  url,
  what,
  columns,
}: {
  /** The route that takes the sheet. */
  readonly url: string;
  readonly what: string;
  readonly columns: readonly string[];
}) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [answer, setAnswer] = useState<Answer>();
  const [isSaved, setSaved] = useState(false);
  const look = async (next: string) => {
    setText(next);
    setSaved(false);
    setAnswer(await post<Answer>(url, { text: next }));
  };
  const save = async (pin: string) => {
    const done = await post<Answer>(url, { text, save: { expected: answer?.expected ?? 0, pin } });
    if (!done.ok)
      return setAnswer({ ...done, ...(answer?.ok ? { expected: answer.expected } : {}) });
    setAnswer(undefined);
    // "Saved" stands there only beside what was saved: what is sent from the page before would be refused as stale.
    startTransition(() => {
      router.refresh();
      setSaved(true);
    });
  };
  const differences = answer?.ok ? (answer.differences ?? []) : [];
  return (
    <details className="rounded-box bg-base-200 p-3">
      <summary className="cursor-pointer font-bold">Load {what} from a CSV file</summary>
      <div className="flex flex-col gap-2 pt-2">
        <p className="text-sm">
          Columns: <span className="font-mono">{columns.join(', ')}</span>. A day is written as
          2027-06-30. What the file does not name stays as it is.
        </p>
        <input
          type="file"
          accept=".csv,text/csv"
          aria-label={`CSV file of ${what}`}
          className="file-input file-input-sm"
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            if (file) void file.text().then(look);
            target.value = '';
          }}
        />
        <Faults answer={answer} />
        {answer?.ok && <Differences all={differences} />}
        {answer?.ok && differences.length > 0 && (
          <SmallForm button="Save all of it" onSend={(read) => void save(read('pin'))}>
            <PinField />
          </SmallForm>
        )}
        {isSaved && <p role="status">Saved.</p>}
      </div>
    </details>
  );
}
