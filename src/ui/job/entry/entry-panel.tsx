'use client';

import type { CommandOf, EntryView } from '../../../core/job';
import { isHeld } from '../../../core/job/permit-record';
import { useCommand } from '../../command/use-command';
import { PickField } from '../../kit/combobox';
import { ChoiceField, SmallForm, TextField } from '../../kit/field';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { Opening } from './space-opening';
import { Beside } from '../../kit/moment';
import { Note } from '../../kit/note';

type Plan = CommandOf<'plan-entry'>;

const RESCUE: Readonly<Record<Plan['rescue'], string>> = {
  device: 'mechanical device over the opening',
  reach: 'pulled out by line from outside',
  team: 'rescue team that goes in',
};
const HAZARD = {
  atmosphere: 'air that may be bad',
  engulfment: 'can drown or bury',
  converging: 'walls that lead inward',
  other: 'other danger',
} as const;

/** Of which class the space is, and whether its isolation is positive. */
function SpaceClass({ entry }: { readonly entry: EntryView }) {
  const { space, hazards, notPositive } = entry;
  const kinds = (Object.keys(HAZARD) as (keyof typeof HAZARD)[]).map((kind) => ({
    kind,
    why: hazards.filter((one) => one.kind === kind).map(({ why }) => why),
  }));
  return (
    <section aria-label="Class of the space" className="text-sm">
      <h3 className="text-base font-bold">
        {space?.name ?? 'The space'}:{' '}
        {hazards.length > 0 ? 'entry by permit' : 'no danger on the drawing; still by permit here'}
      </h3>
      <ul>
        {kinds
          .filter(({ why }) => why.length > 0)
          .map(({ kind, why }) => (
            <li key={kind}>
              ▲ {HAZARD[kind]}: {why.join(', ')}
            </li>
          ))}
      </ul>
      <p>
        {notPositive.length === 0
          ? '✓ Everything that flows is kept away by a gap or a blank, or was lowered by name.'
          : `▲ Not positive: ${notPositive.map(({ source }) => source).join(', ')}.`}
      </p>
    </section>
  );
}

function PlanForm({ entry, props }: { readonly entry: EntryView; readonly props: DossierProps }) {
  const run = useCommand();
  const { plan } = props.view.dossier.entry;
  return (
    <section aria-label="Entry plan" data-spot="entry-plan" className="flex flex-col gap-1">
      <h3 className="font-bold">Entry plan</h3>
      {plan && (
        <p className="text-sm">
          ✓ At most {plan.most} in {plan.space}
          {entry.stay_min === undefined ? '' : `, ${entry.stay_min} min each`}; got out by{' '}
          {RESCUE[plan.rescue]}: {plan.rescueHow}; practised {plan.drilledAt.slice(0, 10)}; talk:{' '}
          {plan.talk}; help: {plan.call}
        </p>
      )}
      <details open={!plan}>
        <summary className="cursor-pointer text-sm">{plan ? 'Plan it anew' : 'Plan it'}</summary>
        <SmallForm
          button="Sign the entry plan"
          onSend={(read) =>
            void run({
              kind: 'plan-entry',
              space: read('space'),
              most: Number(read('most')),
              ...(read('stay') === '' ? {} : { stay_min: Number(read('stay')) }),
              rescue: read('rescue') as Plan['rescue'],
              rescueHow: read('how'),
              drilledAt: `${read('drilled')}T12:00:00.000Z`,
              talk: read('talk'),
              call: read('call'),
            })
          }
        >
          <PickField
            label="Space"
            name="space"
            value={entry.space?.id}
            options={entry.spaces.map(({ id, name }) => ({ id, label: `${id} ${name}` }))}
          />
          <TextField label="At most inside" name="most" type="number" value="2" />
          <TextField
            label="Longest stay (min), if limited"
            name="stay"
            type="number"
            required={false}
          />
          <ChoiceField
            label="Got out by"
            name="rescue"
            options={Object.entries(RESCUE).map(([id, label]) => ({ id, label }))}
          />
          <TextField label="How, with what" name="how" />
          <label className="flex flex-col text-sm">
            Rescue last practised
            <input type="date" name="drilled" required className="input input-sm" />
          </label>
          <TextField label="How those inside talk" name="talk" />
          <TextField label="How help is called" name="call" />
        </SmallForm>
      </details>
    </section>
  );
}

function Inside({ entry, props }: { readonly entry: EntryView; readonly props: DossierProps }) {
  const run = useCommand();
  const { view, names } = props;
  const { dossier, now } = view;
  const { inside, plan, tools, heard } = dossier.entry;
  const { permit } = dossier;
  const people = Object.entries(inside);
  const outside = isHeld(permit) ? Object.keys(permit.people).filter((id) => !(id in inside)) : [];
  const isLate = entry.callDue !== undefined && Date.parse(entry.callDue) < Date.parse(now);
  return (
    <section aria-label="Who is inside" data-spot="inside" className="flex flex-col gap-1">
      <h3 className="font-bold">Who is inside</h3>
      <p>
        <strong data-testid="count-inside" className="font-mono text-2xl">
          {people.length}
        </strong>{' '}
        of at most {plan?.most ?? 0} inside, {tools} things inside
        {entry.callDue !== undefined && (
          <span className={isLate ? 'font-bold text-error' : ''}>
            {isLate ? '; ▲ a call was due ' : '; next call by '}
            <span className="font-mono">
              <Beside at={entry.callDue} now={now} />
            </span>
          </span>
        )}
        {heard ? `; last heard: ${heard.heard}` : ''}
      </p>
      <ul>
        {people.map(([person, { since, tools: own }]) => (
          <li key={person} data-inside={person}>
            <SmallForm
              button={`${names[person] ?? person} is out`}
              onSend={(read) =>
                void run({ kind: 'leave-space', person, tools: Number(read('tools')) })
              }
            >
              <span className="grow">
                {names[person] ?? person}, since{' '}
                <span className="font-mono">
                  <Beside at={since} now={now} />
                </span>
              </span>
              <TextField
                label="Things brought out"
                name="tools"
                type="number"
                value={String(own)}
              />
            </SmallForm>
          </li>
        ))}
      </ul>
      {people.length > 0 && (
        <SmallForm
          button="Record that they answered"
          onSend={(read) => void run({ kind: 'call-in', heard: read('heard') })}
        >
          <TextField label="What was heard" name="heard" value="all well" />
        </SmallForm>
      )}
      {people.length > 0 && entry.insideLeft.length > 0 && (
        <Note tone="warning" isSmall>
          Nobody follows before the air is tested inside as well: {entry.insideLeft.join('; ')}.
          Tick these in the test of the air.
        </Note>
      )}
      {outside.length > 0 && dossier.halt && (
        <p className="text-sm">Nobody goes in: the job is stopped.</p>
      )}
      {outside.length > 0 && !dossier.halt && (
        <SmallForm
          button="Let this person in"
          onSend={(read) =>
            void run({ kind: 'enter-space', person: read('person'), tools: Number(read('tools')) })
          }
        >
          <PickField
            label="Who goes in"
            name="person"
            options={outside.map((id) => ({ id, label: names[id] ?? id }))}
          />
          <TextField label="Things taken in" name="tools" type="number" value="0" />
        </SmallForm>
      )}
    </section>
  );
}

/** The entry into a confined space: its class, its plan, opening and purging in order, and who is in it. */
export function EntryPanel(props: DossierProps) {
  const { entry } = props.view;
  if (!entry) return null;
  return (
    <Panel title="Entry into the space">
      {isHeld(props.view.dossier.permit) && <Inside entry={entry} props={props} />}
      <Opening entry={entry} props={props} />
      <SpaceClass entry={entry} />
      <PlanForm entry={entry} props={props} />
    </Panel>
  );
}
