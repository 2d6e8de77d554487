'use client';

import type { CriticalMessage } from '../../../core/job';
import { useCommand } from '../../command/use-command';
import { PickField } from '../../kit/combobox';
import { ChoiceField, SmallForm, TextField } from '../../kit/field';
import { Time } from '../../kit/moment';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';

function Message({
  message,
  props,
}: {
  readonly message: CriticalMessage;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { names, me } = props;
  const { number, by, to, said, at, back } = message;
  const name = (id: string) => names[id] ?? id;
  const isTheirs = me === by || me === to;
  return (
    <li
      data-message={number}
      className={`border-l-4 py-1 pl-2 ${back?.right ? 'border-base-300' : 'border-error'}`}
    >
      <p>
        {number}. {name(by)} to {name(to)}, <Time at={at} />: {said}
      </p>
      {back && (
        <p className="text-sm">
          {back.right ? '✓ Read back right' : '▲ Read back wrong: send it again'},{' '}
          <Time at={back.at} />: {back.heard}
        </p>
      )}
      {!back && !isTheirs && <p className="text-sm">Not read back yet.</p>}
      {!back && isTheirs && (
        <SmallForm
          button={`Note the answer to ${number}`}
          onSend={(read) =>
            void run({
              kind: 'read-back',
              message: number,
              right: read('right') === 'yes',
              heard: read('heard'),
            })
          }
        >
          <TextField label="What was read back" name="heard" />
          <ChoiceField
            label="It was"
            name="right"
            options={[
              { id: 'yes', label: 'what was sent' },
              { id: 'no', label: 'something else' },
            ]}
          />
        </SmallForm>
      )}
    </li>
  );
}

/** Messages between people who do not see each other: each is read back before the next step is open. */
export function Messages(props: DossierProps) {
  const run = useCommand();
  const { view, choices, me } = props;
  const { messages } = view.dossier;
  return (
    <Panel title="Messages" spot="messages">
      <p className="text-sm">
        Whoever does not see the others sends a message and has it read back before anything is
        started. An answer counts for {view.values['message-counts-min']} min.
      </p>
      <ol className="flex flex-col gap-1">
        {messages.map((message) => (
          <Message key={message.number} message={message} props={props} />
        ))}
      </ol>
      <SmallForm
        key={messages.length}
        button="Note that it was sent"
        onSend={(read) => void run({ kind: 'send-message', to: read('to'), said: read('said') })}
      >
        <PickField
          label="To whom"
          name="to"
          options={choices.people
            .filter(({ id }) => id !== me)
            .map(({ id, name }) => ({ id, label: name }))}
        />
        <TextField label="What was said" name="said" />
      </SmallForm>
    </Panel>
  );
}
