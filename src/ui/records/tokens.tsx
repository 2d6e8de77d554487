'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ChoiceField, PinField, SmallForm, TextField } from '../kit/field';
import { post, type Posted } from '../command/post';
import { Day } from '../kit/moment';

export interface TokenLine {
  readonly id: string;
  readonly name: string;
  readonly scope: string;
  readonly by: string;
  readonly at: string;
  readonly revokedAt?: string;
}

const SCOPE_WORDS: Readonly<Record<string, string>> = {
  read: 'read everything',
  calendar: 'the calendar',
  'work-orders': 'bring in work orders',
  readings: 'send readings; it is named for the detector',
  metrics: 'read how the server does, for Prometheus',
};

interface Answer extends Posted {
  readonly text?: string;
}

/** Tokens for other programs: who made each, what it opens, and its end. */
export function Tokens({
  tokens,
  names,
  mayMake,
}: {
  readonly tokens: readonly TokenLine[];
  readonly names: Readonly<Record<string, string>>;
  readonly mayMake: boolean;
}) {
  const router = useRouter();
  const [answer, setAnswer] = useState<Answer>();
  const give = (data: unknown) =>
    void post<Answer>('/api/tokens', data).then((next: Answer) => {
      setAnswer(next);
      router.refresh();
    });
  return (
    <section aria-label="Tokens" className="flex flex-col gap-2">
      <h2 className="text-lg font-bold">Tokens for other programs</h2>
      {tokens.length === 0 && <p className="text-sm">None has been made.</p>}
      <ul>
        {tokens.map(({ id, name, scope, by, at, revokedAt }) => (
          <li key={id} data-token={name} className="border-t border-base-300 py-1 text-sm">
            <strong>{name}</strong>, {SCOPE_WORDS[scope]}; {names[by] ?? by}, <Day at={at} />
            {revokedAt !== undefined && (
              <>
                ; ended <Day at={revokedAt} />
              </>
            )}
            {revokedAt === undefined && mayMake && (
              <SmallForm
                button="End this token"
                onSend={(read) => give({ kind: 'revoke-token', id, pin: read('pin') })}
              >
                <PinField />
              </SmallForm>
            )}
          </li>
        ))}
      </ul>
      {mayMake ? (
        <SmallForm
          button="Make a token"
          onSend={(read) =>
            give({
              kind: 'make-token',
              name: read('token-name'),
              scope: read('scope'),
              pin: read('pin'),
            })
          }
        >
          <TextField label="What it is for" name="token-name" />
          <ChoiceField
            label="It opens"
            name="scope"
            options={Object.entries(SCOPE_WORDS).map(([id, label]) => ({ id, label }))}
          />
          <PinField />
        </SmallForm>
      ) : (
        <p className="text-sm">A site manager makes and ends them.</p>
      )}
      {answer?.text !== undefined && (
        <p role="status" className="border-2 border-base-content p-2">
          Copy it now; it is shown this once: <code data-testid="token">{answer.text}</code>
        </p>
      )}
      {answer && !answer.ok && (
        <p role="alert" className="font-bold text-error">
          {[answer.error, ...(answer.problems ?? [])].join(' ')}
        </p>
      )}
    </section>
  );
}
