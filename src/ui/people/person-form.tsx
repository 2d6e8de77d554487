'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import { endOfDay, startOfDay } from '../../core/days';
import { ROLE_NAMES, ROLES, type Person, type Role } from '../../core/people/people';
import { post, type Posted } from '../command/post';
import { Faults } from '../kit/faults';
import { useMoments } from '../kit/moment';
import { PinInput } from '../kit/pin-input';

interface Grant {
  role: Role;
  from: string;
  until: string;
  volts: string;
  areas: string;
  evidence: string;
}

interface Fields {
  id: string;
  name: string;
  employer: string;
  leftAt: string;
  grants: Grant[];
  pin: string;
}

const NEW_GRANT: Grant = {
  role: 'worker',
  from: '',
  until: '',
  volts: '',
  areas: '',
  evidence: '',
};

/** Adds a person, or changes one: their authorisations, each with its evidence, and when they left. */
export function PersonForm({
  person,
  version,
  employers,
  bundles,
  areas,
}: {
  readonly person: Person | undefined;
  readonly version: number;
  readonly employers: readonly string[];
  /** Roles that the site grants together. */
  readonly bundles: readonly {
    readonly id: string;
    readonly name: string;
    readonly roles: readonly Role[];
  }[];
  /** Areas of the plant, by id. */
  readonly areas: readonly string[];
}) {
  const router = useRouter();
  const { day, zone } = useMoments();
  const [answer, setAnswer] = useState<Posted>();
  const { register, control, handleSubmit, resetField } = useForm<Fields>({
    defaultValues: {
      id: person?.id ?? '',
      name: person?.name ?? '',
      employer: person?.employer ?? '',
      leftAt: person?.leftAt === undefined ? '' : day(person.leftAt),
      grants: (person?.authorisations ?? []).map(
        ({ role, from, until, up_to_v, areas, evidence }) => ({
          role,
          from: from === undefined ? '' : day(from),
          until: day(until),
          volts: up_to_v === undefined ? '' : String(up_to_v),
          areas: (areas ?? []).join(' '),
          evidence: evidence ?? '',
        }),
      ),
      pin: '',
    },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'grants' });
  const grants = useWatch({ control, name: 'grants' });
  /** What was not touched stays as it was kept, to the second. */
  const keep = (text: string, before: string | undefined, toInstant: (text: string) => string) =>
    before !== undefined && day(before) === text ? before : toInstant(text);
  const send = async ({ id, name, employer, leftAt, grants: all, pin }: Fields) => {
    const authorisations = all.map(({ role, from, until, volts, areas, evidence }, n) => {
      const only = areas.split(/[\s,;]+/).filter((one) => one !== '');
      const before = person?.authorisations.find((one, at) => at === n && one.role === role);
      return {
        role,
        ...(from === '' ? {} : { from: keep(from, before?.from, (one) => startOfDay(one, zone)) }),
        until: keep(until, before?.until, (one) => endOfDay(one, zone)),
        ...(volts === '' ? {} : { up_to_v: Number(volts) }),
        ...(only.length === 0 ? {} : { areas: only }),
        ...(evidence === '' ? {} : { evidence }),
        ...(before?.by === undefined ? {} : { by: before.by }),
      };
    });
    const left =
      leftAt === '' ? {} : { leftAt: keep(leftAt, person?.leftAt, (one) => endOfDay(one, zone)) };
    const done = await post('/api/people', {
      person: { id, name, employer, authorisations, ...left },
      expected: version,
      pin,
    });
    setAnswer(done);
    resetField('pin');
    if (!done.ok) return;
    router.push(`/people?person=${id}`);
    router.refresh();
  };
  return (
    <form
      aria-label={person ? `Change ${person.name}` : 'Add a person'}
      className="flex flex-col gap-3"
      onSubmit={(event) => void handleSubmit(send)(event)}
    >
      <div className="grid gap-2 sm:grid-cols-3">
        <label className="flex flex-col text-sm">
          Name
          <input {...register('name', { required: true })} className="input input-sm w-full" />
        </label>
        <label className="flex flex-col text-sm">
          Short name
          <input
            {...register('id', { required: true })}
            readOnly={person !== undefined}
            placeholder="jo"
            className="input input-sm w-full font-mono"
          />
        </label>
        <label className="flex flex-col text-sm">
          Employer
          <input
            {...register('employer', { required: true })}
            list="employers"
            className="input input-sm w-full"
          />
          <datalist id="employers">
            {employers.map((one) => (
              <option key={one} value={one} />
            ))}
          </datalist>
        </label>
      </div>
      <fieldset className="flex flex-col gap-2">
        <legend className="font-bold">Authorisations</legend>
        {fields.map(({ id }, n) => (
          <div
            key={id}
            role="group"
            aria-label={`Authorisation ${n + 1}`}
            className="grid items-end gap-2 border-t border-base-300 pt-2 sm:grid-cols-[minmax(13rem,1fr)_8rem_8rem_5.25rem]"
          >
            <label className="flex flex-col text-sm">
              Authorised as
              <select {...register(`grants.${n}.role`)} className="select select-sm w-full">
                {ROLES.map((role) => (
                  <option key={role} value={role}>
                    {ROLE_NAMES[role]}
                  </option>
                ))}
              </select>
            </label>
            <label className="flex flex-col text-sm">
              From (may be empty)
              <input
                type="date"
                {...register(`grants.${n}.from`)}
                className="input input-sm w-full"
              />
            </label>
            <label className="flex flex-col text-sm">
              Until
              <input
                type="date"
                {...register(`grants.${n}.until`, { required: true })}
                className="input input-sm w-full"
              />
            </label>
            <button type="button" className="btn btn-sm" onClick={() => remove(n)}>
              Remove
            </button>
            <label className="flex flex-col text-sm sm:col-span-3">
              Evidence: course, drill or assessment, with its date
              <input {...register(`grants.${n}.evidence`)} className="input input-sm w-full" />
            </label>
            <label className="flex flex-col text-sm sm:col-span-2">
              Only in these areas (empty: everywhere)
              <input
                {...register(`grants.${n}.areas`)}
                placeholder={areas.slice(0, 3).join(' ')}
                className="input input-sm w-full font-mono"
              />
            </label>
            {grants[n]?.role === 'isolating-electrical' && (
              <label className="flex flex-col text-sm">
                Up to (V)
                <input
                  type="number"
                  step="any"
                  {...register(`grants.${n}.volts`)}
                  className="input input-sm w-full"
                />
              </label>
            )}
          </div>
        ))}
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn btn-sm" onClick={() => append(NEW_GRANT)}>
            Add an authorisation
          </button>
          {bundles.map(({ id, name, roles }) => (
            <button
              key={id}
              type="button"
              className="btn btn-sm"
              title={roles.map((role) => ROLE_NAMES[role]).join(', ')}
              onClick={() => append(roles.map((role) => ({ ...NEW_GRANT, role })))}
            >
              Add what a {name.toLowerCase()} holds
            </button>
          ))}
        </div>
      </fieldset>
      {person && (
        <label className="flex flex-col self-start text-sm">
          Left the site at the end of (empty while they are here)
          <input type="date" {...register('leftAt')} className="input input-sm" />
        </label>
      )}
      <Faults answer={answer} />
      {answer?.ok && <p role="status">Saved.</p>}
      <div className="flex flex-wrap items-end gap-2">
        <PinInput label="Your PIN" isSmall field={register('pin', { required: true })} />
        <button className="btn btn-primary btn-sm">
          {person ? 'Save the change' : 'Add this person'}
        </button>
      </div>
    </form>
  );
}
