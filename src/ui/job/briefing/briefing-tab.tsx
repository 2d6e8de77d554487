'use client';

import { useState } from 'react';
import { LOAD_WAYS, LOOKS } from '../../../core/briefing/briefing';
import type { Dossier } from '../../../core/job';
import { capitalise } from '../../../core/text';
import { PickField } from '../../kit/combobox';
import { Instant } from '../../kit/moment';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { BriefingForm } from './briefing-form';
import { BriefLatecomer } from './latecomer';

type BriefingHeld = NonNullable<Dossier['briefing']>;

/** A briefing that was held: what was asked and answered, what was looked at, who has heard it. */
function Held({
  briefing,
  props,
}: {
  readonly briefing: BriefingHeld;
  readonly props: DossierProps;
}) {
  const name = (id: string) => props.names[id] ?? id;
  const topics = new Map(
    props.view.briefing.agenda.topics.map(({ code, name: words }) => [code, words]),
  );
  const late = Object.entries(briefing.heard).filter(([, { asked }]) => asked);
  return (
    <>
      <p>
        Held by {name(briefing.by)}, <Instant at={briefing.at} />, with{' '}
        {briefing.present.map(name).join(', ')}.
      </p>
      <ul className="text-sm">
        {briefing.points.map(({ topic, question, of, answer }, n) => (
          <li key={n}>
            <strong>{topics.get(topic) ?? topic}.</strong> {question} {name(of)}: “{answer}”
          </li>
        ))}
        {late.map(([person, { by, asked }]) => (
          <li key={person}>
            <strong>{name(person)} came later</strong>, briefed by {name(by)}. {asked?.question} “
            {asked?.answer}”
          </li>
        ))}
        {briefing.looked.map(({ what, by, seen }) => (
          <li key={what}>
            <strong>{capitalise(LOOKS[what])}:</strong> {seen}
            {by === undefined ? ' (none is used)' : ` (${name(by)})`}
          </li>
        ))}
        {briefing.loads.map(({ what, kg, way }) => (
          <li key={what}>
            <strong>{capitalise(what)}:</strong> {kg} kg, {LOAD_WAYS[way]}
          </li>
        ))}
        <li>
          <strong>Beside the work:</strong> {briefing.beside}
        </li>
        <li>
          <strong>Air:</strong> {briefing.weather.air_c} °C. {briefing.told.join(' ')}
        </li>
      </ul>
    </>
  );
}

/** Somebody who comes later is picked, and briefed. */
function Later(props: DossierProps) {
  const [person, setPerson] = useState<string>();
  const { view, choices } = props;
  const workers = choices.people.filter(
    ({ id, worker }) => worker && !view.briefing.heard.includes(id),
  );
  const picked = workers.find(({ id }) => id === person) ?? workers[0];
  return (
    <details>
      <summary className="cursor-pointer text-sm">Brief somebody who comes later</summary>
      <PickField
        label="Who comes later"
        name="later"
        onPick={setPerson}
        options={workers.map(({ id, name, employer }) => ({ id, label: `${name}, ${employer}` }))}
      />
      {picked && (
        <BriefLatecomer
          key={picked.id}
          person={picked.id}
          view={view}
          names={props.names}
          me={props.me}
        />
      )}
    </details>
  );
}

/** The briefing before the work: what it goes into, what was said, and who has heard it. */
export function BriefingTab(props: DossierProps) {
  const { dossier, briefing } = props.view;
  const held = dossier.briefing;
  const [isAgain, setAgain] = useState(false);
  const isOpen = !briefing.counts || isAgain;
  return (
    <Panel title="Briefing" spot="briefing">
      {held && <Held briefing={held} props={props} />}
      {held && briefing.counts && <Later {...props} />}
      {isOpen ? (
        <>
          <p className="text-sm">
            Go through the hazards one by one. Ask somebody by name, and write down what they
            answer. A question that can be answered by yes or no does not count.
          </p>
          <BriefingForm key={held?.at} {...props} onHeld={() => setAgain(false)} />
        </>
      ) : (
        <button className="btn btn-sm self-start" onClick={() => setAgain(true)}>
          Hold the briefing again
        </button>
      )}
    </Panel>
  );
}
