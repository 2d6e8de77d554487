'use client';

import { useState } from 'react';
import type { Plant } from '../../core/plant';

type Preview =
  | { readonly ok: true; readonly document: Plant; readonly expected: number }
  | { readonly ok: false; readonly problems?: readonly string[]; readonly error?: string };

/** Loads a plant file into the editor, or shows everything that is wrong with it by row and column. */
export function LoadFile({ onLoad }: { readonly onLoad: (plant: Plant, name: string) => void }) {
  const [state, setState] = useState<{ name: string; problems: readonly string[] }>();
  const load = async (file: File) => {
    const preview = await fetch('/api/plant/preview', { method: 'POST', body: file })
      .then((answer) => answer.json() as Promise<Preview>)
      .catch((): Preview => ({ ok: false, error: 'The server could not be reached.' }));
    if (preview.ok) {
      setState(undefined);
      onLoad(preview.document, file.name);
    } else {
      const problems = [preview.error ?? [], preview.problems ?? []].flat();
      setState({ name: file.name, problems });
    }
  };
  return (
    <div className="flex flex-col gap-2">
      <label className="flex flex-wrap items-center gap-2 text-sm">
        Load a plant file (JSON, or a zip of CSV sheets)
        <input
          type="file"
          accept=".json,.zip"
          className="file-input file-input-sm"
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            if (file) void load(file);
            target.value = '';
          }}
        />
      </label>
      {state && (
        <div role="alert" className="border-l-4 border-error pl-2 text-sm">
          <p className="font-bold">
            {state.name} was not loaded; {state.problems.length} to mend:
          </p>
          <ul className="max-h-64 list-disc overflow-auto pl-5" tabIndex={0}>
            {state.problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
