'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { HeldPermit } from '../../../core/job';
import { isHeld, listOn } from '../../../core/job/permit-record';
import { PAPERS } from '../../../core/permits/papers';
import { useCommand } from '../../command/use-command';
import { listFree } from '../box-panel';
import { Crews } from '../crews';
import { PickField } from '../../kit/combobox';
import { CheckField, ChoiceField, SmallForm, TextField } from '../../kit/field';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { AssessmentText } from '../papers/assess-panel';
import { Copies } from '../papers/copies';
import { DutyPanel } from './duty-panel';
import { TailPanel } from '../hot-work/tail-panel';
import { TeamPanel } from './team-panel';
import { ValidityPanel } from './validity-panel';
import { Beside } from '../../kit/moment';

const BriefLatecomer = dynamic(() =>
  import('../briefing/latecomer').then((file) => file.BriefLatecomer),
);
const FirmsPanel = dynamic(() => import('../firms-panel').then((file) => file.FirmsPanel));

interface Props {
  readonly permit: HeldPermit;
  readonly props: DossierProps;
}

function SignOnForm({ permit, props }: Props) {
  const run = useCommand();
  const { choices, view } = props;
  const { team, isolation } = view.dossier;
  const points = isolation.lockout === 'each-point' ? Object.keys(isolation.locked) : [];
  const crews = Object.keys(permit.crews);
  const owned = listFree(props, 'personal');
  const isHot = permit.papers.includes('hot-work');
  const on = listOn(permit);
  const named = choices.people.filter(
    ({ id, worker }) => worker && !(id in on) && (team.length === 0 || team.includes(id)),
  );
  const [picked, setPerson] = useState<string>();
  const { isSigned, heard } = view.briefing;
  const isBriefed = (id: string) => !isSigned || heard.includes(id);
  const first = named.find(({ id }) => isBriefed(id)) ?? named[0];
  const person = named.some(({ id }) => id === picked) ? picked : first?.id;
  // Whoever signs on hangs their own lock, where the site gave them one.
  const own = owned.find(({ owner }) => owner === person)?.id;
  return (
    <>
      {person !== undefined && !isBriefed(person) && (
        <BriefLatecomer
          key={person}
          person={person}
          view={view}
          names={props.names}
          me={props.me}
        />
      )}
      <SmallForm
        button="Sign on"
        onSend={(read) =>
          void run({
            kind: 'sign-on',
            person: read('person'),
            ...(points.length > 0
              ? { each: Object.fromEntries(points.map((point) => [point, read(`at ${point}`)])) }
              : { lock: read('lock') }),
            ...(read('inCrew') === '' ? {} : { crew: read('inCrew') }),
            ...(read('inHand') === '' ? {} : { permit: read('inHand') }),
            ...(read('sparks') === 'on' ? { sparks: true } : {}),
          })
        }
      >
        <PickField
          label="Who signs on"
          name="person"
          value={first?.id}
          onPick={setPerson}
          options={named.map(({ id, name, employer }) => ({ id, label: `${name}, ${employer}` }))}
        />
        {crews.length > 0 && (
          <ChoiceField
            label="In crew"
            name="inCrew"
            options={[
              { id: '', label: 'the performing authority’s own' },
              ...crews.map((id) => ({ id, label: id })),
            ]}
            required={false}
          />
        )}
        {points.length === 0 ? (
          <PickField key={own} label="Personal lock" name="lock" options={owned} value={own} />
        ) : (
          points.map((point) => (
            <PickField
              key={point}
              label={`Own lock on ${point}`}
              name={`at ${point}`}
              options={owned}
            />
          ))
        )}
        <TextField label="Number on the permit in their hand" name="inHand" required={false} />
        {isHot && <CheckField name="sparks" label="makes flame, sparks or heat" />}
      </SmallForm>
    </>
  );
}

function HandBackForm({ permit, props }: Props) {
  const run = useCommand();
  const isHot = permit.papers.includes('hot-work');
  const watchers = props.choices.people.filter(({ fireWatch }) => fireWatch);
  return (
    <SmallForm
      spot="hand-back"
      button="Hand back"
      onSend={(read) => {
        const watcher = read('watcher');
        void run({
          kind: 'hand-back',
          cleared: read('cleared') === 'on',
          finished: read('finished') === 'yes',
          ...(read('who') === '' && read('unsignedWhy') === ''
            ? {}
            : { unsigned: { who: read('who'), reason: read('unsignedWhy') } }),
          remarks: read('remarks'),
          ...(watcher === '' ? {} : { watcher }),
          ...(read('opening') === 'on' ? { watchedFrom: 'opening' } : {}),
        });
      }}
    >
      <ChoiceField
        label="The work"
        name="finished"
        value={permit.kind === 'lapsed' ? 'no' : 'yes'}
        options={[
          { id: 'yes', label: 'is finished' },
          { id: 'no', label: 'goes on under another number' },
        ]}
      />
      {isHot && (
        <PickField
          label={`Who watches for fire for ${props.view.values['tail-min']} min`}
          name="watcher"
          options={watchers.map(({ id, name }) => ({ id, label: name }))}
        />
      )}
      {isHot && permit.papers.includes('confined-space') && (
        <CheckField name="opening" label="everyone is out; it is watched from the opening" />
      )}
      {!permit.worked && (
        <>
          <TextField
            label="Nobody was signed on: who did the work, if it is finished"
            name="who"
            required={false}
          />
          <TextField label="Why they were not signed on" name="unsignedWhy" required={false} />
        </>
      )}
      <TextField label="Remarks (may be empty)" name="remarks" required={false} />
      <label className="flex items-center gap-1 text-sm">
        <input type="checkbox" name="cleared" className="checkbox checkbox-sm" /> tools and people
        out, guards on
      </label>
    </SmallForm>
  );
}

/** In which state the permit is, in words and until when. */
function StateLine({ permit, props }: Props) {
  const { now } = props.view;
  const count = Object.keys(permit.people).length;
  const words = {
    issued: 'Live until',
    suspended: 'SUSPENDED, would lapse at',
    lapsed: 'LAPSED at',
  }[permit.kind];
  return (
    <p className="text-lg">
      <strong className={permit.kind === 'issued' ? 'font-normal' : 'text-error'}>{words}</strong>{' '}
      <span className="font-mono">
        <Beside at={permit.until} now={now} />
      </span>
      ; signed on:{' '}
      <strong data-testid="count-on" className="font-mono">
        {count}
      </strong>
      {permit.kind === 'lapsed' && count > 0 && (
        <strong className="block text-error">
          Call off by name:{' '}
          {Object.keys(permit.people)
            .map((id) => props.names[id] ?? id)
            .join(', ')}
        </strong>
      )}
    </p>
  );
}

function CloseForm(props: DossierProps) {
  const run = useCommand();
  const { permit } = props.view.dossier;
  if (permit.kind !== 'handed-back' && permit.kind !== 'watched') return null;
  return (
    <Panel title={permit.kind === 'watched' ? 'Watched for fire' : 'Handed back'}>
      {permit.kind === 'watched' && <TailPanel permit={permit} props={props} />}
      <p>
        {permit.finished
          ? 'The work is finished.'
          : 'The work is not finished: the next number is issued after this one is closed.'}
      </p>
      <Copies permit={permit} props={props} />
      <SmallForm
        spot="close-permit"
        button="Inspected: close the permit"
        onSend={(read) => void run({ kind: 'close-permit', inspected: read('inspected') })}
      >
        <TextField label="What was inspected" name="inspected" />
      </SmallForm>
    </Panel>
  );
}

/** Work under a permit that is out: its state, who stands by, who is on, handing back, closing. */
export function WorkPanel(props: DossierProps) {
  const { permit } = props.view.dossier;
  if (!isHeld(permit)) {
    return <CloseForm {...props} />;
  }
  return (
    <>
      <Panel title={`Permit ${permit.number}`}>
        <StateLine permit={permit} props={props} />
        <p className="text-sm">
          {permit.papers.map((kind) => PAPERS[kind]).join(', ')};{' '}
          <a href={`/api/jobs/${props.jobId}/papers`} className="underline">
            print for reading (PDF)
          </a>
        </p>
        <DutyPanel permit={permit} props={props} />
        <Crews permit={permit} props={props} />
        <SignOnForm permit={permit} props={props} />
        <ValidityPanel permit={permit} props={props} />
        <HandBackForm permit={permit} props={props} />
        <details>
          <summary className="cursor-pointer text-sm">Hazards, controls and arrangements</summary>
          <AssessmentText assessment={permit.assessment} names={props.names} />
        </details>
      </Panel>
      {props.view.firms.length > 0 && <FirmsPanel {...props} />}
      <TeamPanel {...props} />
    </>
  );
}
