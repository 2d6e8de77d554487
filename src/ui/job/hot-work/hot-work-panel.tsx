'use client';

import type { ClearWay, Neighbour } from '../../../core/hotwork';
import { BriefWatch } from './brief-watch';
import { Cylinders } from './cylinders';
import { isDownwind, WAYS_OF } from '../../../core/hotwork/surroundings';
import { isFlammableSensor } from '../../../core/gas/sensors';
import type { HotWorkView } from '../../../core/job';
import { useCommand } from '../../command/use-command';
import { ChoiceField, SmallForm, TextField } from '../../kit/field';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { BreathingPart, blanksOf } from '../entry/breathing-part';
import { PlotPlan } from './plot-plan';

const CAN = [
  { id: 'no', label: 'No, neither' },
  { id: 'cold', label: 'It can be done cold' },
  { id: 'elsewhere', label: 'It can be done elsewhere' },
] as const;
type Can = (typeof CAN)[number]['id'];

/** What has to be asked first: whether it has to be hot, and here. */
function ColdQuestion(props: DossierProps) {
  const run = useCommand();
  const { cold } = props.view.dossier.hotWork;
  return (
    <section aria-label="Cold or elsewhere" data-spot="cold" className="flex flex-col gap-1">
      <h3 className="font-bold">Can it be done cold, or elsewhere?</h3>
      {cold && (
        <p className="text-sm">
          {CAN.find(({ id }) => id === cold.can)?.label}. Cold: {cold.cold}. Elsewhere:{' '}
          {cold.elsewhere} ({props.names[cold.by] ?? cold.by})
        </p>
      )}
      {cold?.can !== 'no' && (
        <SmallForm
          button="Keep the answer"
          onSend={(read) =>
            void run({
              kind: 'ask-cold',
              can: read('can') as Can,
              cold: read('cold'),
              elsewhere: read('elsewhere'),
            })
          }
        >
          <ChoiceField label="Answer" name="can" options={CAN} />
          <TextField label="Cold: why not, or how" name="cold" />
          <TextField label="Elsewhere: why not, or where" name="elsewhere" />
        </SmallForm>
      )}
    </section>
  );
}

const NOT_YET: Readonly<Record<Neighbour['kind'], string>> = {
  combustible: 'can burn',
  cylinder: 'cylinder',
  drain: 'drain',
  vent: 'vent',
  'sample-point': 'sample point or bleed',
  'open-end': 'open end',
  opening: 'opening',
  'other-side': 'other side of the wall',
  'floor-below': 'what is below',
  body: 'holds what burns',
  connected: 'connected to the work, and holds what burns',
};

const splitTags = (text: string): string[] => text.split(/[\s,;]+/).filter((tag) => tag !== '');

function NeighbourRow({
  one,
  blanks,
  props,
}: {
  readonly one: Neighbour;
  /** Where it can be blanked, as far as the drawing says. */
  readonly blanks: readonly string[];
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { cleared, monitors } = props.view.dossier.hotWork;
  const done = cleared[one.id];
  const isDown =
    monitors !== undefined &&
    one.bearing_deg !== undefined &&
    isDownwind(one.bearing_deg, monitors.from_deg);
  return (
    <li
      data-neighbour={one.id}
      data-cleared={done !== undefined}
      className="border-t border-base-300 py-1"
    >
      <p className="text-sm">
        {done ? '✓' : '▲'} <span className="font-mono">{one.id}</span> {one.name}:{' '}
        {NOT_YET[one.kind]},{' '}
        <span className="font-mono">
          {one.distance_m === undefined ? 'distance not drawn' : `${one.distance_m.toFixed(1)} m`}
          {one.above_m !== undefined && Math.abs(one.above_m) >= 1
            ? `, ${Math.abs(one.above_m).toFixed(1)} m ${one.above_m > 0 ? 'above' : 'below'}`
            : ''}
        </span>
        {isDown ? ', downwind' : ''}
      </p>
      {done ? (
        <p className="pl-4 text-sm">
          {done.way}
          {done.blank ? ` at ${done.blank.links.join(', ')} under ${done.blank.under}` : ''}:{' '}
          {done.note} ({props.names[done.by] ?? done.by})
        </p>
      ) : (
        <SmallForm
          button={`Tick ${one.id}`}
          onSend={(read) =>
            void run({
              kind: 'clear-neighbour',
              neighbour: one.id,
              way: read('way') as ClearWay,
              note: read('note'),
              ...(read('way') === 'blanked'
                ? { blank: { links: splitTags(read('links')), under: read('under').trim() } }
                : {}),
            })
          }
        >
          <ChoiceField
            label="It is"
            name="way"
            options={WAYS_OF[one.kind].map((way) => ({ id: way, label: way.replace('-', ' ') }))}
          />
          <TextField label="How, and what was seen" name="note" />
          {one.section !== undefined && (
            <>
              <TextField
                label="If blanked: at"
                name="links"
                value={blanks.join(', ')}
                required={false}
              />
              <TextField label="under job" name="under" required={false} />
            </>
          )}
        </SmallForm>
      )}
    </li>
  );
}

function Monitors({ hot, props }: { readonly hot: HotWorkView; readonly props: DossierProps }) {
  const run = useCommand();
  const { monitors } = props.view.dossier.hotWork;
  const { ring } = hot;
  const able = props.choices.instruments.filter(({ detector }) =>
    detector?.sensors.some(isFlammableSensor),
  );
  if (!ring) {
    return (
      <p className="text-sm">No gas can come here on the drawing: no monitors are asked for.</p>
    );
  }
  return (
    <section
      aria-label="Monitors round the work"
      data-spot="monitors"
      className="flex flex-col gap-1"
    >
      <h3 className="font-bold">Monitors round the work</h3>
      <p className="text-sm">
        <strong data-testid="monitors-wanted" className="font-mono">
          {ring.count}
        </strong>{' '}
        on a circle of <span className="font-mono">{ring.radius_m.toFixed(1)} m</span>, the first
        upwind, at most {props.view.values['monitor-spacing-m']} m apart
        {ring.warning_s === undefined
          ? '; still air'
          : `; a cloud is shown ${ring.warning_s.toFixed(0)} s before it is here`}
        . Places are numbered on the plan.
      </p>
      {monitors && (
        <p className="text-sm">
          ✓ {monitors.devices.join(', ')} stand; wind from{' '}
          <span className="font-mono">{monitors.from_deg}°</span> at{' '}
          <span className="font-mono">{monitors.wind_m_s} m/s</span> (
          {props.names[monitors.by] ?? monitors.by})
        </p>
      )}
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const form = new FormData(event.currentTarget);
          void run({
            kind: 'place-monitors',
            devices: form.getAll('devices').map(String),
            from_deg: Number(form.get('from')),
            wind_m_s: Number(form.get('wind')),
          });
        }}
      >
        <TextField label="Wind from (° from north)" name="from" type="number" value="0" />
        <TextField label="Wind (m/s)" name="wind" type="number" value="0" />
        <fieldset className="w-full">
          <legend className="text-sm">Devices that stand there</legend>
          <div className="grid grid-cols-4 gap-1 sm:grid-cols-8">
            {able.map(({ id, name }) => (
              <label key={id} title={name} className="flex items-center gap-1 font-mono text-sm">
                <input type="checkbox" name="devices" value={id} className="checkbox checkbox-sm" />
                {id}
              </label>
            ))}
          </div>
        </fieldset>
        <button className="btn btn-primary btn-sm">Record where they stand</button>
      </form>
    </section>
  );
}

/** The surroundings of hot work: asked cold first, what can breathe out, what lies within the radius, monitors. */
export function HotWorkPanel(props: DossierProps) {
  const { hotWork: hot, dossier } = props.view;
  if (!hot) return null;
  const { cleared, monitors } = dossier.hotWork;
  const open = hot.neighbours.filter(({ id }) => !(id in cleared)).length;
  return (
    <Panel title="Surroundings of the hot work">
      <ColdQuestion {...props} />
      <BreathingPart hot={hot} props={props} />
      <PlotPlan hot={hot} cleared={cleared} wind={monitors} />
      <section aria-label="Within the radius" data-spot="radius">
        <h3 className="font-bold">
          Within {hot.radius_m} m: {hot.neighbours.length}, of which {open} not dealt with
        </h3>
        <p className="text-sm">
          From the drawing: look for what it does not show, above and below as well.
        </p>
        <ul>
          {hot.neighbours.map((one) => (
            <NeighbourRow key={one.id} one={one} blanks={blanksOf(hot, one.id)} props={props} />
          ))}
        </ul>
      </section>
      <Monitors hot={hot} props={props} />
      <BriefWatch {...props} />
      <Cylinders {...props} />
    </Panel>
  );
}
