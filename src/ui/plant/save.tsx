'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Touch } from '../../core/job';
import type { Plant, PlantChange } from '../../core/plant';
import { describeChange } from '../../core/plant/diff';
import { ChoiceField, PinField, SmallForm, TextField } from '../kit/field';

interface Saved {
  readonly ok: boolean;
  readonly version?: number;
  readonly error?: string;
  readonly problems?: readonly string[];
  /** Open jobs that name what is not on it. */
  readonly touched?: readonly Touched[];
}

interface Touched extends Touch {
  readonly job: string;
  readonly title: string;
}

const FOLLOW = { id: 'follow', label: 'it goes on under the new ids' };
const KEEP = {
  id: 'keep',
  label: 'it keeps its ids, and is held up until its scope or plan is changed',
};

interface Saving {
  readonly document: Plant;
  readonly expected: number;
  readonly note: string;
  readonly pin: string;
  readonly become: Readonly<Record<string, string>>;
}

async function save(saving: Saving): Promise<Saved> {
  try {
    const answer = await fetch('/api/plant/versions', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(saving),
    });
    return (await answer.json()) as Saved;
  } catch {
    return { ok: false, error: 'The server could not be reached. Nothing was saved: try again.' };
  }
}

/** What would change, what is wrong with it, and saving it as the next version under the coordinator's signature. */
export function SavePlant({
  plant,
  version,
  changes,
  problems,
}: {
  readonly plant: Plant;
  readonly version: number;
  readonly changes: readonly PlantChange[];
  readonly problems: readonly string[];
}) {
  const router = useRouter();
  const [refused, setRefused] = useState<readonly string[]>([]);
  const [asked, setAsked] = useState<{ readonly plant: Plant; readonly of: readonly Touched[] }>();
  // Another drawing touches other jobs: it is asked anew.
  const touched = asked?.plant === plant ? asked.of : [];
  const send = async (note: string, pin: string, become: Readonly<Record<string, string>>) => {
    const saved = await save({ document: plant, expected: version, note, pin, become });
    if (!saved.ok) {
      setAsked(saved.touched && { plant, of: saved.touched });
      setRefused([saved.error ?? 'That did not work.', ...(saved.problems ?? [])]);
      return;
    }
    setRefused([]);
    toast.success(`Version ${saved.version} of the plant is saved.`);
    router.push('/plant');
    router.refresh();
  };
  return (
    <section aria-label="What would change" className="flex flex-col gap-2">
      <h2 className="text-lg font-bold">What would change</h2>
      {changes.length === 0 && <p>Nothing yet.</p>}
      <ul className="max-h-64 overflow-auto font-mono text-xs" tabIndex={0} aria-label="Changes">
        {changes.slice(0, 500).map((change) => (
          <li key={change.table + change.id} className="border-t border-base-300 py-1">
            {describeChange(change)}
          </li>
        ))}
        {changes.length > 500 && <li>and {changes.length - 500} more</li>}
      </ul>
      {problems.length > 0 && (
        <div role="alert" className="border-l-4 border-error pl-2 text-sm">
          <p className="font-bold">It cannot be saved like this:</p>
          <ul className="list-disc pl-5">
            {problems.slice(0, 50).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </div>
      )}
      {refused.length > 0 && (
        <div role="alert" className="border-l-4 border-error pl-2">
          {refused.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </div>
      )}
      {changes.length > 0 && problems.length === 0 && (
        <SmallForm
          button={`Save as version ${version + 1}`}
          onSend={(read) =>
            void send(
              read('note'),
              read('pin'),
              Object.fromEntries(touched.map(({ job }) => [job, read(`become ${job}`)])),
            )
          }
        >
          <TextField label="What was changed, and why" name="note" />
          {touched.map(({ job, title, mayFollow }) => (
            <ChoiceField
              key={job}
              label={`What becomes of ${job} ${title}`}
              name={`become ${job}`}
              options={[{ id: '', label: 'choose' }, ...(mayFollow ? [FOLLOW] : []), KEEP]}
            />
          ))}
          <PinField />
        </SmallForm>
      )}
      <p className="text-sm">
        Plans that are accepted stay tied to the version they were made on. When a plan no longer
        passes on a newer version, its job is held up until someone has looked.
      </p>
    </section>
  );
}
