'use client';

import { Camera } from 'lucide-react';
import { useState } from 'react';
import { readBadge } from '../../core/people/badge';
import { CameraCode } from '../kit/camera-code';
import { PickField } from '../kit/combobox';

interface Someone {
  readonly id: string;
  readonly label: string;
}

/** Picked from the names of the site on a device that is enrolled, else typed by the short name; a badge reader types as well. */
function NameField({ people }: { readonly people: readonly Someone[] | undefined }) {
  if (people) return <PickField label="Who are you?" name="person" options={people} isLarge />;
  return (
    <label className="flex flex-col gap-1">
      Who are you? Your short name, or your badge
      <input
        name="person"
        required
        autoCapitalize="none"
        autoComplete="off"
        className="input w-full font-mono"
      />
    </label>
  );
}

/** Who signs in: by name, or by a badge held before the camera. The badge only says who. */
export function WhoField({ people }: { readonly people: readonly Someone[] | undefined }) {
  const [isOpen, setOpen] = useState(false);
  const [badge, setBadge] = useState<string>();
  const [problem, setProblem] = useState('');
  const read = (code: string) => {
    const who = readBadge(code);
    setOpen(false);
    setBadge(who);
    setProblem(who === undefined ? 'That is no badge.' : '');
  };
  return (
    <div className="flex flex-col gap-2">
      {badge === undefined ? (
        <NameField people={people} />
      ) : (
        <p>
          You are <strong>{people?.find(({ id }) => id === badge)?.label ?? badge}</strong>, by your
          badge.
          <input type="hidden" name="person" value={badge} />
        </p>
      )}
      {isOpen && <CameraCode onCode={read} />}
      {problem !== '' && <p role="alert">{problem}</p>}
      <button
        type="button"
        aria-pressed={isOpen}
        className="btn btn-sm self-start max-sm:h-11"
        onClick={() => {
          setBadge(undefined);
          setOpen(!isOpen && badge === undefined);
        }}
      >
        <Camera size={16} aria-hidden />
        {badge !== undefined ? 'Someone else' : isOpen ? 'Close the camera' : 'Show my badge'}
      </button>
    </div>
  );
}
