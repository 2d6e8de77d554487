'use client';

import { ChevronsUpDown } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import type { Choice } from './choice';

/** Loads what opens: a page that has to go on without a network does so at once. */
export const loadList = () => import('./open-combobox').then((part) => part.OpenCombobox);
const OpenCombobox = dynamic(loadList, { ssr: false });

interface Shared {
  readonly label: string;
  readonly options: readonly Choice[];
  /** Shown while nothing is chosen. */
  readonly empty?: string;
  /** Among larger fields. */
  readonly isLarge?: boolean;
}

/**
 * One of many, chosen from a list that searches: persons, points, locks, instruments, places. It looks like a field and says what is chosen; a
 * press, the arrow down or the first letter opens the list. What opens is loaded once the page stands.
 */
export function Combobox({
  label,
  options,
  value,
  onPick,
  empty = 'nothing to choose',
  isLarge = false,
}: Shared & { readonly value: string | undefined; readonly onPick: (id: string) => void }) {
  const labelId = useId();
  const field = useRef<HTMLButtonElement>(null);
  useEffect(() => void loadList().catch(() => undefined), []);
  const [isOpen, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const chosen = options.find(({ id }) => id === value);
  const open = (first = '') => {
    setTyped(first);
    setOpen(true);
  };
  const onKey = (event: KeyboardEvent) => {
    const isLetter =
      event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey;
    if (!isLetter && event.key !== 'ArrowDown') return;
    event.preventDefault();
    // What is typed before the list is there is not lost.
    open(isLetter ? `${isOpen ? typed : ''}${event.key}` : typed);
  };
  return (
    <div className={`flex min-w-0 grow flex-col ${isLarge ? '' : 'text-sm'}`}>
      <span id={labelId}>{label}</span>
      <span className="relative">
        <button
          ref={field}
          type="button"
          role="combobox"
          data-field={label}
          aria-labelledby={labelId}
          aria-haspopup="listbox"
          aria-expanded={isOpen}
          aria-controls={isOpen ? `${labelId}list` : undefined}
          disabled={options.length === 0}
          className={`input w-full cursor-pointer justify-between gap-2 max-sm:h-11 max-sm:text-base ${isLarge ? '' : 'input-sm'}`}
          onClick={() => open()}
          onKeyDown={onKey}
        >
          <span className="truncate">{chosen?.label ?? empty}</span>
          <ChevronsUpDown size={14} aria-hidden className="shrink-0" />
        </button>
        {isOpen && (
          <OpenCombobox
            listId={`${labelId}list`}
            label={label}
            options={options}
            value={value}
            typed={typed}
            onType={setTyped}
            onPick={(id) => {
              setOpen(false);
              if (id !== value) onPick(id);
            }}
            onClose={() => setOpen(false)}
            onShut={() => field.current?.focus()}
          />
        )}
      </span>
    </div>
  );
}

/** A combobox in a form that reads its fields by name: the first is chosen until another is. */
export function PickField({
  name,
  value,
  onPick,
  ...shared
}: Shared & {
  readonly name: string;
  readonly value?: string | undefined;
  /** Told what is chosen, where another field follows it. */
  readonly onPick?: (id: string) => void;
}) {
  const [picked, setPicked] = useState<string>();
  const kept = useRef<HTMLInputElement>(null);
  // A stand-in that fills the form in picks here as well: what is shown and what is sent stay one.
  useEffect(() => {
    const field = kept.current;
    const take = () => setPicked(field?.value);
    field?.addEventListener('input', take);
    return () => field?.removeEventListener('input', take);
  }, []);
  const has = (id: string | undefined) => shared.options.some((option) => option.id === id);
  const now = [picked, value].find(has) ?? shared.options[0]?.id;
  return (
    <>
      <Combobox
        {...shared}
        value={now}
        onPick={(id) => {
          setPicked(id);
          onPick?.(id);
        }}
      />
      <input ref={kept} type="hidden" name={name} value={now ?? ''} />
    </>
  );
}
