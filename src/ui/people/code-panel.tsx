'use client';

import { useState } from 'react';
import { post, type Posted } from '../command/post';
import { PickField } from '../kit/combobox';
import { Faults } from '../kit/faults';
import { PinField, SmallForm } from '../kit/field';
import { PinInput } from '../kit/pin-input';

interface Answer extends Posted {
  readonly code?: string;
}

/** Gives out the code with which a person sets their own PIN; whoever has one already gets it by two. */
export function CodePanel({
  person,
  me,
  hasPin,
  witnesses,
}: {
  readonly person: { readonly id: string; readonly name: string };
  readonly me: string;
  readonly hasPin: boolean;
  readonly witnesses: readonly { readonly id: string; readonly label: string }[];
}) {
  const [answer, setAnswer] = useState<Answer>();
  const send = async (read: (name: string) => string) => {
    const signatures = [
      { person: me, pin: read('pin') },
      ...(hasPin ? [{ person: read('second'), pin: read('second-pin') }] : []),
    ];
    setAnswer(await post<Answer>('/api/people/code', { person: person.id, signatures }));
  };
  return (
    <section aria-label="PIN" className="flex flex-col gap-2 border-t-2 border-base-content pt-2">
      <h2 className="text-lg font-bold">PIN</h2>
      <p className="text-sm">
        {hasPin
          ? `${person.name} has a PIN of their own. Where it is forgotten, two make a code; ${person.name} is told who did.`
          : `${person.name} has no PIN yet and signs nothing. Make a code, and hand it over in person.`}
      </p>
      {answer?.code === undefined ? (
        <SmallForm button="Make a code" onSend={(read) => void send(read)}>
          <PinField />
          {hasPin && (
            <>
              <PickField label="Second" name="second" options={witnesses} />
              <PinInput label="PIN of the second" name="second-pin" isSmall />
            </>
          )}
        </SmallForm>
      ) : (
        <p role="status">
          Code for {person.name}: <strong className="font-mono text-xl">{answer.code}</strong>. It
          is shown this once and counts for a week: they open <em>Set your PIN</em> on the sign-in
          page.
        </p>
      )}
      <Faults answer={answer} />
    </section>
  );
}
