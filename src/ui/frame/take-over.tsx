'use client';

import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { useEffect, useState, type FormEvent } from 'react';
import { Dialog } from '../kit/dialog';
import { PinInput } from '../kit/pin-input';
import { signIn } from '../shell/sign-in-at';

interface Somebody {
  readonly id: string;
  readonly name: string;
  readonly is: string;
}

/** Everybody who may take over, asked for when the dialog opens. */
function usePeople(): readonly Somebody[] {
  const [people, setPeople] = useState<readonly Somebody[]>([]);
  useEffect(() => {
    void fetch('/api/people')
      .then((answer) => (answer.ok ? (answer.json() as Promise<Somebody[]>) : []))
      .then(setPeople)
      .catch(() => undefined);
  }, []);
  return people;
}

/** The PIN of whoever takes over. */
function PinForm({ who, onDone }: { readonly who: Somebody; readonly onDone: () => void }) {
  const [error, setError] = useState<string>();
  const [isBusy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setBusy(true);
    const pin = new FormData(event.currentTarget).get('pin') as string | null;
    const wrong = await signIn(who.id, pin ?? '');
    setBusy(false);
    setError(wrong);
    if (wrong === undefined) onDone();
  };
  return (
    <form className="flex flex-col gap-2" onSubmit={(event) => void submit(event)}>
      <PinInput label={`PIN of ${who.name}`} autoFocus />
      {error !== undefined && (
        <p role="alert" className="font-bold text-error">
          {error}
        </p>
      )}
      <button className="btn btn-primary self-end" disabled={isBusy}>
        Take over as {who.name}
      </button>
    </form>
  );
}

/** Somebody else takes the desk over: a name and their PIN, and the screen stays where it is. */
export function TakeOver({ onClose: close }: { readonly onClose: () => void }) {
  const router = useRouter();
  const people = usePeople();
  const [who, setWho] = useState<Somebody>();
  return (
    <Dialog title="Who takes over this desk?" leave="Leave it as it is" onClose={close}>
      {who ? (
        <PinForm
          who={who}
          onDone={() => {
            close();
            router.refresh();
          }}
        />
      ) : (
        <Command label="Who takes over" className="flex flex-col gap-2">
          <Command.Input autoFocus placeholder="Name or role" className="input w-full" />
          <Command.List className="max-h-72 overflow-y-auto">
            <Command.Empty className="px-2 py-1">Nobody of that name.</Command.Empty>
            {people.map((one) => (
              <Command.Item
                key={one.id}
                value={`${one.name} ${one.is} ${one.id}`}
                onSelect={() => setWho(one)}
                className="flex cursor-pointer justify-between gap-2 rounded px-2 py-1.5 data-[selected=true]:bg-primary data-[selected=true]:text-primary-content"
              >
                <span className="font-bold">{one.name}</span>
                <span className="text-sm">{one.is}</span>
              </Command.Item>
            ))}
          </Command.List>
        </Command>
      )}
    </Dialog>
  );
}
