'use client';

import { useForm, useWatch, type UseFormRegister } from 'react-hook-form';
import type { ConcentrationUnit, GasDetector, Level, SubstanceCode } from '../../../core/gas';
import { CONCENTRATION_UNITS } from '../../../core/gas/concentration';
import { AIR_MOMENTS } from '../../../core/gas/plan';
import { findSensor } from '../../../core/gas/reading';
import { SUBSTANCES } from '../../../core/gas/substances';
import { AIR_USE_WORDS } from '../../../core/gas/verdict';
import { LEVELS } from '../../../core/gas/where';
import type { AirTest, AirView, CommandOf } from '../../../core/job';
import { useCommand } from '../../command/use-command';
import { FormPick } from '../../kit/form-pick';
import { NumberInput } from '../../kit/number-input';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { Beside } from '../../kit/moment';

interface Fields {
  readonly instrument: string;
  /** Minutes before the reading. */
  readonly bumped: string;
  readonly length: string;
  readonly bore: string;
  readonly place: string;
  readonly drawn: string;
  readonly shown: Record<string, Record<string, string>>;
  readonly places: string[];
  readonly known: Record<string, string>;
}

type Detectors = readonly { readonly id: string; readonly detector: GasDetector }[];

const before = (now: string, seconds: number) =>
  new Date(Date.parse(now) - seconds * 1000).toISOString();

function unitOf(detectors: Detectors, instrument: string, gas: SubstanceCode): ConcentrationUnit {
  const found = detectors.find(({ id }) => id === instrument);
  return (found && findSensor(found.detector, gas)?.unit) ?? CONCENTRATION_UNITS[0];
}

/** The fields as a command: one sample a level, with the readings that were typed there. */
function toCommand(
  fields: Fields,
  air: AirView,
  detectors: Detectors,
  now: string,
): CommandOf<'test-air'> {
  const { instrument, bumped, length, bore, place, drawn, shown, places, known } = fields;
  const hose = Number(length) > 0 ? { length_m: Number(length), bore_mm: Number(bore) } : undefined;
  const samples = LEVELS.flatMap((level) => {
    const readings = air.plan.demands.flatMap(({ gas }) => {
      const text = shown[level]?.[gas]?.trim() ?? '';
      const unit = unitOf(detectors, instrument, gas);
      return text === '' ? [] : [{ gas, shown: Number(text), unit }];
    });
    const drawnFrom = before(now, Number(drawn));
    return readings.length === 0 ? [] : [{ level, place, drawnFrom, readAt: now, readings }];
  });
  return {
    kind: 'test-air',
    use: air.use,
    instrument,
    bumpedAt: before(now, Number(bumped) * 3600),
    ...(hose ? { hose } : {}),
    samples,
    places,
    known: Object.fromEntries(Object.entries(known).filter(([, words]) => words.trim() !== '')),
  };
}

/** What was tested besides the levels. Places inside a space are reached only once someone is in. */
function PlacesTested({
  air,
  register,
}: {
  readonly air: AirView & { readonly places: readonly string[] };
  readonly register: UseFormRegister<Fields>;
}) {
  if (air.places.length === 0) return null;
  return (
    <fieldset className="flex flex-col gap-1 text-sm">
      <legend>
        Tested here as well; the figures above are the worst of all.
        {air.use === 'entry' ? ' From inside: until then one person alone goes in.' : ''}
      </legend>
      {air.places.map((place) => (
        <label key={place} className="flex items-center gap-2">
          <input
            type="checkbox"
            value={place}
            className="checkbox checkbox-sm"
            {...register('places')}
          />
          {place}
        </label>
      ))}
    </fieldset>
  );
}

function AirForm({
  air,
  props,
}: {
  readonly air: DossierProps['view']['air'][number];
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { view, choices } = props;
  const detectors: Detectors = choices.instruments.flatMap(({ id, detector }) =>
    detector ? [{ id, detector }] : [],
  );
  const { demands, unknown } = air.plan;
  const { register, handleSubmit, reset, control } = useForm<Fields>({
    defaultValues: {
      instrument: detectors[0]?.id ?? '',
      bumped: '1',
      length: '0',
      bore: '4',
      place: 'from outside',
      drawn: '120',
      shown: {},
      places: [],
      known: {},
    },
  });
  const chosen = useWatch({ control, name: 'instrument' });
  const send = async (fields: Fields) => {
    if (await run(toCommand(fields, air, detectors, view.now))) reset();
  };
  const isAsked = (gas: SubstanceCode, level: Level) =>
    demands.some((one) => one.gas === gas && one.levels.includes(level));
  return (
    <form className="flex flex-col gap-2" onSubmit={(event) => void handleSubmit(send)(event)}>
      <div className="flex flex-wrap gap-2">
        <FormPick
          label="Detector"
          control={control}
          name="instrument"
          options={detectors.map(({ id }) => ({ id, label: id }))}
        />
        <NumberInput label="Bump-tested before (h)" {...register('bumped')} />
        <NumberInput label="Hose (m); 0: none" {...register('length')} />
        <NumberInput label="Hose bore (mm)" {...register('bore')} />
        <NumberInput label="Drawn for (s)" {...register('drawn')} />
        <label className="flex grow flex-col text-sm">
          Where
          <input {...register('place')} required className="input input-sm w-full" />
        </label>
      </div>
      <table className="text-sm">
        <caption className="sr-only">Readings by gas and level</caption>
        <thead>
          <tr className="text-left">
            <th>Gas</th>
            {LEVELS.map((level) => (
              <th key={level}>{level}</th>
            ))}
            <th>Because of</th>
          </tr>
        </thead>
        <tbody>
          {demands.map(({ gas, why }) => (
            <tr key={gas} className="border-t border-base-300">
              <th className="pr-2 text-left font-normal">
                {SUBSTANCES[gas].name} ({unitOf(detectors, chosen, gas)})
              </th>
              {LEVELS.map((level) => (
                <td key={level} className="pr-2">
                  <input
                    {...register(`shown.${level}.${gas}`)}
                    type="number"
                    step="any"
                    required={isAsked(gas, level)}
                    aria-label={`${SUBSTANCES[gas].name}, ${level}`}
                    className="input input-sm w-24 font-mono"
                  />
                </td>
              ))}
              <td className="text-xs">{why.join('; ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <PlacesTested air={air} register={register} />
      {unknown.map((name) => (
        <label key={name} className="flex flex-col text-sm">
          The drawing does not say what {name} gives off. What was found out?
          <input {...register(`known.${name}`)} required className="input input-sm w-full" />
        </label>
      ))}
      <button className="btn btn-primary btn-sm self-start">
        Sign the test for {AIR_USE_WORDS[air.use]}
      </button>
    </form>
  );
}

function LastTest({
  test,
  props,
  until,
}: {
  readonly test: AirTest;
  readonly props: DossierProps;
  readonly until: string | undefined;
}) {
  const { names, view } = props;
  const { by, at, isFit, findings, near = [], instrument } = test;
  return (
    <div data-air={isFit ? 'fit' : 'unfit'} className="text-sm">
      <p className={isFit ? '' : 'font-bold text-error'}>
        {isFit ? '✓ fit' : '▲ NOT FIT'}, {names[by] ?? by} with {instrument},{' '}
        <Beside at={at} now={view.now} />
        {isFit && until !== undefined && (
          <>
            ; lets people on until <Beside at={until} now={view.now} />
          </>
        )}
      </p>
      <ul>
        {findings.map((finding) => (
          <li key={finding}>{finding}</li>
        ))}
        {near.map((one) => (
          <li key={one} data-near>
            Near its limit: {one}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The air at the work, for each use that the papers name: what is tested for, the newest test, and a new one. */
export function AirPanel(props: DossierProps) {
  const { view } = props;
  return view.air.map((air) => {
    const test = view.dossier.airTests.findLast(({ use }) => use === air.use);
    return (
      <Panel key={air.use} title={`Air for ${AIR_USE_WORDS[air.use]}`} spot="air">
        {test ? (
          <LastTest test={test} props={props} until={air.until} />
        ) : (
          <p className="text-sm">Not tested yet.</p>
        )}
        <details>
          <summary className="cursor-pointer text-sm">When it is tested</summary>
          <ul className="list-disc pl-5 text-sm">
            {AIR_MOMENTS[air.use].map((moment) => (
              <li key={moment}>{moment}</li>
            ))}
          </ul>
        </details>
        <details open={!test}>
          <summary className="cursor-pointer text-sm">Test the air</summary>
          <AirForm air={air} props={props} />
        </details>
      </Panel>
    );
  });
}
