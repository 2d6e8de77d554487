'use client';

import { useState, type ReactNode } from 'react';
import { Combobox } from './combobox';
import { Dialog } from './dialog';
import { CheckField, ChoiceField, PinField, SmallForm, TextField } from './field';
import { LampSign, LampWord } from './lamp';
import { Menu } from './menu';
import { Beside, Day, Instant, Time } from './moment';
import { Note } from './note';
import { Panel } from './panel';
import { Standing } from './standing';

const STATES = ['lit', 'shuttered', 'dark'] as const;
const PEOPLE = [
  { id: 'ada', label: 'Ada Thornquist, Quillmere' },
  { id: 'wil', label: 'Wilhelmina Ashgrove-Featherstonehaugh of the Long Name, Oxmoor Electrical' },
  ...Array.from({ length: 80 }, (_, n) => ({ id: `w${n}`, label: `Worker ${n + 1}, Tarnbeck` })),
];

/** One piece, under its name, with what it is for. */
function Piece({
  name,
  use,
  children,
}: {
  readonly name: string;
  readonly use: string;
  readonly children: ReactNode;
}) {
  return (
    <section aria-label={name} className="flex flex-col gap-3 rounded-box bg-base-200 p-3">
      <div>
        <h2 className="font-bold">{name}</h2>
        <p className="text-sm">{use}</p>
      </div>
      {children}
    </section>
  );
}

function Buttons() {
  return (
    <div className="flex flex-wrap gap-2">
      <button className="btn btn-primary btn-sm">The next step</button>
      <button className="btn btn-sm">Something else</button>
      <button className="btn btn-error btn-sm">Stop this job</button>
      <button className="btn btn-sm" disabled>
        Not now
      </button>
    </div>
  );
}

function Fields() {
  const [sent, setSent] = useState('');
  return (
    <SmallForm
      button="Send the form"
      onSend={(read) => setSent(['what', 'hours', 'how', 'sure'].map(read).join(', '))}
    >
      <TextField label="A word" name="what" value="told at 06:10" />
      <TextField label="A number (h)" name="hours" type="number" required={false} />
      <ChoiceField
        label="A few fixed words"
        name="how"
        options={[
          { id: 'cold', label: 'cold' },
          { id: 'hot', label: 'hot' },
        ]}
      />
      <PinField />
      <CheckField name="sure" label="a tick" />
      {sent !== '' && <p role="status">Sent: {sent}</p>}
    </SmallForm>
  );
}

function Pickers() {
  const [who, setWho] = useState<string>('ada');
  return (
    <div className="flex flex-col gap-2">
      <Combobox label="Chosen among many" options={PEOPLE} value={who} onPick={setWho} />
      <Combobox
        label="A long name"
        options={PEOPLE}
        value={PEOPLE[1]?.id}
        onPick={() => undefined}
      />
      <Combobox label="Nobody is there" options={[]} value={undefined} onPick={() => undefined} />
    </div>
  );
}

function OpenAndShut() {
  const [isOpen, setOpen] = useState(false);
  return (
    <div className="flex gap-2">
      <button className="btn btn-sm" onClick={() => setOpen(true)}>
        Open a dialog
      </button>
      {isOpen && (
        <Dialog title="A question" leave="Leave it" onClose={() => setOpen(false)}>
          <p>Escape, the button or a press beside it shut it.</p>
        </Dialog>
      )}
      <Menu
        label="A menu"
        className="btn btn-sm"
        button="A menu"
        items={[
          { label: 'Bench', href: '/bench', isCurrent: true },
          { label: 'Nothing', does: () => undefined },
        ]}
      />
    </div>
  );
}

/** Every shared piece of the screens in its states, by day or by night as the device is set. */
export function KitScreen({ now }: { readonly now: string }) {
  const soon = new Date(Date.parse(now) + 12 * 60_000).toISOString();
  return (
    <main className="flex flex-col gap-4 p-4">
      <h1 className="text-xl font-bold">The pieces of the screens</h1>
      <div className="grid items-start gap-4 md:grid-cols-2 xl:grid-cols-3">
        <Piece
          name="Lamp"
          use="A way in which energy can reach the crew, by shape, word and colour."
        >
          <div className="flex flex-wrap gap-4">
            {STATES.map((state) => (
              <span key={state} className="flex items-center gap-2">
                <LampSign state={state} /> <LampWord state={state} />
              </span>
            ))}
          </div>
        </Piece>
        <Piece name="Standing" use="How a job or permit stands. A stop is red and in capitals.">
          <p className="flex flex-wrap gap-4">
            {['to be planned', 'waits for its permit', 'permit live', 'STOPPED'].map((words) => (
              <Standing key={words} words={words} />
            ))}
          </p>
        </Piece>
        <Piece name="Moment" use="By the clock on the site’s wall, with how far off it is.">
          <p className="flex flex-col font-mono">
            <Time at={soon} />
            <Day at={soon} />
            <Instant at={soon} />
            <Beside at={soon} now={now} />
          </p>
        </Piece>
        <Piece name="Button" use="Says what happens. One is the next step; red is stop alone.">
          <Buttons />
        </Piece>
        <Piece
          name="Dialog and menu"
          use="Opened by a press, shut by Escape; the keyboard stays within."
        >
          <OpenAndShut />
        </Piece>
        <Piece name="Note" use="What is wrong, what to mind, what to know.">
          <Note tone="error">Nobody has allowed it yet.</Note>
          <Note tone="warning">A new shift began.</Note>
          <Note tone="info">Worked out for 20 °C.</Note>
          <Note isSmall>As it was accepted.</Note>
        </Piece>
        <Piece name="Fields" use="Words, numbers, a few fixed choices, a PIN, a tick.">
          <Fields />
        </Piece>
        <Piece
          name="Picker"
          use="Persons, points, locks, instruments and places: typing finds them among thousands."
        >
          <Pickers />
        </Piece>
        <Piece name="Panel" use="One titled part of a view.">
          <Panel title="A part">
            <p>What belongs to it.</p>
          </Panel>
        </Piece>
      </div>
    </main>
  );
}
