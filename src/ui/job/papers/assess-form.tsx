'use client';

import { Plus, Trash2 } from 'lucide-react';
import {
  useFieldArray,
  useForm,
  useWatch,
  type Control,
  type UseFormRegister,
} from 'react-hook-form';
import type { CommandOf, EarlierJob } from '../../../core/job';
import type { Rank, Remains, TaskAssessment } from '../../../core/permits';
import { draftAssessment, listAskedFor, REMAINS } from '../../../core/permits/assessment';
import {
  findHazard,
  HAZARD_CODES,
  HAZARDS,
  nameHazard,
  RANKS,
} from '../../../core/permits/hazards';
import { useCommand } from '../../command/use-command';
import type { DossierProps } from '../types';

/** The form as it is filled in: lists as lines of text. */
interface Filled {
  steps: {
    step: string;
    hazards: {
      hazard: string;
      controls: { rank: Rank; control: string }[];
      remains: Remains;
      accepter: string;
      why: string;
    }[];
  }[];
  left: { code: string; why: string }[];
  wear: string;
  emergency: string;
  questions: string;
}

const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

const toFilled = (from: TaskAssessment, suggested: readonly string[]): Filled => ({
  steps: from.steps.map(({ step, hazards }) => ({
    step,
    hazards: hazards.map(({ hazard, controls, remains, accepter = '', why = '' }) => ({
      hazard,
      controls: controls.map((control) => ({ ...control })),
      remains,
      accepter,
      why,
    })),
  })),
  left: suggested
    .filter((code) => !from.steps.some(({ hazards }) => hazards.some((one) => one.hazard === code)))
    .map((code) => ({ code, why: from.left[code] ?? '' })),
  wear: from.wear.join('\n'),
  emergency: from.emergency.join('\n'),
  questions: from.questions.join('\n'),
});

function toCommand(filled: Filled, takenFrom: string | undefined): CommandOf<'assess-task'> {
  return {
    kind: 'assess-task',
    steps: filled.steps.map(({ step, hazards }) => ({
      step,
      hazards: hazards.map(({ hazard, controls, remains, accepter, why }) => ({
        hazard,
        controls: controls.filter(({ control }) => control.trim() !== ''),
        remains,
        ...(accepter === '' || remains === 'low' ? {} : { accepter }),
        ...(why === '' ? {} : { why }),
      })),
    })),
    left: Object.fromEntries(
      filled.left.filter(({ why }) => why !== '').map(({ code, why }) => [code, why]),
    ),
    wear: linesOf(filled.wear),
    emergency: linesOf(filled.emergency),
    questions: linesOf(filled.questions),
    ...(takenFrom === undefined ? {} : { takenFrom }),
  };
}

interface PartProps {
  readonly control: Control<Filled>;
  readonly register: UseFormRegister<Filled>;
  readonly accepters: readonly { readonly id: string; readonly name: string }[];
  /** Why each hazard is suggested, by its code. */
  readonly whyOf: ReadonlyMap<string, string>;
}

function Controls({
  step,
  hazard,
  control,
  register,
}: Pick<PartProps, 'control' | 'register'> & { readonly step: number; readonly hazard: number }) {
  const name = `steps.${step}.hazards.${hazard}.controls` as const;
  const { fields, append, remove } = useFieldArray({ control, name });
  return (
    <>
      {fields.map((field, n) => (
        <div key={field.id} className="flex items-center gap-1">
          <select
            aria-label="Rank"
            className="select select-xs w-28"
            {...register(`${name}.${n}.rank`)}
          >
            {RANKS.map((rank) => (
              <option key={rank} value={rank}>
                {rank}
              </option>
            ))}
          </select>
          <input
            aria-label="Control"
            className="input input-xs w-full"
            {...register(`${name}.${n}.control`)}
          />
          <button
            type="button"
            aria-label="Take this control out"
            className="btn btn-ghost btn-xs"
            onClick={() => remove(n)}
          >
            <Trash2 size={12} aria-hidden />
          </button>
        </div>
      ))}
      <button
        type="button"
        className="btn btn-ghost btn-xs self-start"
        onClick={() => append({ rank: 'engineer', control: '' })}
      >
        <Plus size={12} aria-hidden /> control
      </button>
    </>
  );
}

function HazardRow({
  step,
  hazard,
  code,
  onRemove,
  ...parts
}: PartProps & {
  readonly step: number;
  readonly hazard: number;
  readonly code: string;
  readonly onRemove: () => void;
}) {
  const name = `steps.${step}.hazards.${hazard}` as const;
  const { register, accepters, control, whyOf } = parts;
  const now = useWatch({ control, name });
  const isOnlyProtected =
    now.controls.length > 0 && now.controls.every(({ rank }) => rank === 'protect');
  return (
    <li className="flex flex-col gap-1 border-t border-base-300 py-1" data-hazard={code}>
      <div className="flex flex-wrap items-center gap-2">
        <strong className="grow text-sm">
          {findHazard(code) ? (
            <>
              {nameHazard(code)}
              <span className="block text-xs font-normal">{whyOf.get(code)}</span>
            </>
          ) : (
            <input
              aria-label="Hazard in words"
              className="input input-sm w-full"
              {...register(`${name}.hazard`)}
            />
          )}
        </strong>
        <label className="flex items-center gap-1 text-xs">
          remains
          <select className="select select-xs" {...register(`${name}.remains`)}>
            {REMAINS.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        </label>
        {now.remains !== 'low' && (
          <label className="flex items-center gap-1 text-xs">
            accepted by
            <select className="select select-xs" {...register(`${name}.accepter`)}>
              <option value="">nobody yet</option>
              {accepters.map(({ id, name: who }) => (
                <option key={id} value={id}>
                  {who}
                </option>
              ))}
            </select>
          </label>
        )}
        <button type="button" className="btn btn-ghost btn-xs" onClick={onRemove}>
          Does not apply
        </button>
      </div>
      <Controls step={step} hazard={hazard} control={parts.control} register={register} />
      {isOnlyProtected && (
        <label className="flex flex-col text-sm">
          People are only protected. Why nothing stronger can be done
          <input className="input input-sm w-full" {...register(`${name}.why`)} />
        </label>
      )}
    </li>
  );
}

function StepBlock({
  step,
  onLeave,
  onRemove,
  ...parts
}: PartProps & {
  readonly step: number;
  readonly onLeave: (code: string) => void;
  readonly onRemove: () => void;
}) {
  const { fields, append, remove } = useFieldArray({
    control: parts.control,
    name: `steps.${step}.hazards`,
  });
  const used = fields.map(({ hazard }) => hazard);
  return (
    <section className="flex flex-col gap-1 border-l-4 border-base-300 pl-2">
      <div className="flex items-end gap-2">
        <label className="flex grow flex-col text-sm">
          Step {step + 1} of the task
          <input className="input input-sm" {...parts.register(`steps.${step}.step`)} />
        </label>
        {step > 0 && (
          <button type="button" className="btn btn-ghost btn-sm" onClick={onRemove}>
            Take the step out
          </button>
        )}
      </div>
      <ul>
        {fields.map((field, n) => (
          <HazardRow
            key={field.id}
            {...parts}
            step={step}
            hazard={n}
            code={field.hazard}
            onRemove={() => {
              if (findHazard(field.hazard)) onLeave(field.hazard);
              remove(n);
            }}
          />
        ))}
      </ul>
      <select
        aria-label="One more hazard"
        className="select select-sm"
        value=""
        onChange={({ target: { value } }) =>
          append({
            hazard: value === 'own' ? '' : value,
            controls: [...(findHazard(value)?.controls ?? [{ rank: 'engineer', control: '' }])],
            remains: 'low',
            accepter: '',
            why: '',
          })
        }
      >
        <option value="">One more hazard…</option>
        <option value="own">in own words</option>
        {HAZARD_CODES.filter((code) => !used.includes(code)).map((code) => (
          <option key={code} value={code}>
            {HAZARDS[code].name}
          </option>
        ))}
      </select>
    </section>
  );
}

function LinesField({
  label,
  name,
  register,
}: {
  readonly label: string;
  readonly name: 'wear' | 'emergency' | 'questions';
  readonly register: UseFormRegister<Filled>;
}) {
  return (
    <label className="flex min-w-56 grow basis-0 flex-col text-sm">
      {label}, one a line
      <textarea rows={6} className="textarea textarea-sm w-full" {...register(name)} />
    </label>
  );
}

/** The task assessed: begun from what is suggested or from an earlier job, then made to fit. */
export function AssessForm({
  props,
  from,
}: {
  readonly props: DossierProps;
  readonly from?: EarlierJob | undefined;
}) {
  const run = useCommand();
  const { suggested } = props.view;
  const codes = suggested.map(({ code }) => code);
  const start = from?.assessment ?? draftAssessment(suggested);
  const { control, register, handleSubmit, getValues, setValue } = useForm<Filled>({
    defaultValues: toFilled(start, codes),
  });
  const steps = useFieldArray({ control, name: 'steps' });
  const left = useFieldArray({ control, name: 'left' });
  const accepters = props.choices.people.filter(({ issues, manager }) => issues || manager);
  const whyOf = new Map<string, string>(suggested.map(({ code, why }) => [code, why.join('; ')]));
  const parts = { control, register, accepters, whyOf };

  /** Adds what the hazards as they stand ask for and the lists do not have yet. */
  const takeAskedFor = () => {
    const filled = getValues();
    const asked = listAskedFor(toCommand(filled, undefined));
    for (const list of ['wear', 'emergency'] as const) {
      setValue(list, [...new Set([...linesOf(filled[list]), ...asked[list]])].join('\n'));
    }
  };

  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) =>
        void handleSubmit((filled) => void run(toCommand(filled, from?.job)))(event)
      }
    >
      {steps.fields.map((field, n) => (
        <StepBlock
          key={field.id}
          {...parts}
          step={n}
          onLeave={(code) => {
            if (codes.some((one) => one === code)) left.append({ code, why: '' });
          }}
          onRemove={() => steps.remove(n)}
        />
      ))}
      <button
        type="button"
        className="btn btn-sm self-start"
        onClick={() => steps.append({ step: '', hazards: [] })}
      >
        One more step
      </button>
      {left.fields.map((field, n) => (
        <label key={field.id} className="flex flex-wrap items-center gap-2 text-sm">
          Suggested: {nameHazard(field.code)} (
          {suggested.find(({ code }) => code === field.code)?.why.join('; ')}). It does not apply
          because
          <input className="input input-sm grow" {...register(`left.${n}.why`)} />
        </label>
      ))}
      <div className="flex flex-wrap gap-2">
        <LinesField label="Protective equipment" name="wear" register={register} />
        <LinesField label="For an emergency" name="emergency" register={register} />
        <LinesField label="Open questions at the briefing" name="questions" register={register} />
      </div>
      <div className="flex gap-2">
        <button className="btn btn-primary btn-sm">Keep the assessment</button>
        <button type="button" className="btn btn-sm" onClick={takeAskedFor}>
          Add what the hazards ask for
        </button>
      </div>
    </form>
  );
}
