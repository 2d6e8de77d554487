'use client';

import { useForm, useWatch } from 'react-hook-form';
import type { AuditAnswer, AuditCode, FollowUpLine } from '../../../core/audit';
import { AUDIT_CHECKS, FOUND, isGrave, listAuditChecks } from '../../../core/audit/checks';
import { listFollowUps } from '../../../core/audit/figures';
import type { HeldPermit } from '../../../core/job';
import { listOn } from '../../../core/job/permit-record';
import { useCommand } from '../../command/use-command';
import { AddPhoto } from '../../photos/add-photo';
import { SmallForm, TextField } from '../../kit/field';
import { FormPick } from '../../kit/form-pick';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { Beside, Instant } from '../../kit/moment';
import { hoursAfter } from '../../../core/hours';

const FOUND_WORDS: Readonly<Record<(typeof FOUND)[number], string>> = {
  'as-written': 'as written',
  differs: 'differs',
  'not-seen': 'not looked at',
};

interface Fields {
  readonly counted: string;
  readonly answers: Record<
    string,
    {
      readonly found?: (typeof FOUND)[number];
      readonly seen: string;
      readonly putRight: string;
      readonly what: string;
      readonly who: string;
      readonly hours: string;
    }
  >;
}

/** An answer as it is sent: fields that were left empty are left out. */
function toAnswer(
  { found, seen, putRight, what, who, hours }: Fields['answers'][string],
  now: string,
): AuditAnswer | undefined {
  if (!found) return undefined;
  const until = hoursAfter(now, Number(hours));
  const isOrdered = found === 'differs' && putRight.trim() === '' && what.trim() !== '';
  return {
    found,
    ...(found === 'as-written' || seen.trim() === '' ? {} : { seen }),
    ...(found !== 'differs' || putRight.trim() === '' ? {} : { putRight }),
    ...(isOrdered ? { followUp: { what, who, until } } : {}),
  };
}

/** The short check of a live permit, question by question, at the place. */
function AuditForm({
  permit,
  props,
}: {
  readonly permit: HeldPermit;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const asked = listAuditChecks(permit.papers);
  const { view, choices } = props;
  const { register, control, handleSubmit, reset } = useForm<Fields>({
    defaultValues: {
      counted: '',
      answers: Object.fromEntries(
        asked.map((code) => {
          return [
            code,
            { seen: '', putRight: '', what: '', who: view.dossier.performer, hours: '8' },
          ];
        }),
      ),
    },
  });
  const given = useWatch({ control, name: 'answers' });
  const send = async ({ counted, answers }: Fields) => {
    const read = asked.flatMap((code) => {
      const answer = answers[code] && toAnswer(answers[code], view.now);
      return answer ? [[code, answer] as const] : [];
    });
    const done = await run({
      kind: 'audit-permit',
      counted: Number(counted),
      answers: Object.fromEntries(read),
    });
    if (done) reset();
  };
  const line = (code: AuditCode, name: 'seen' | 'putRight' | 'what' | 'hours', words: string) => (
    <label className="flex grow flex-col text-sm">
      {words}
      <input
        {...register(`answers.${code}.${name}`)}
        type={name === 'hours' ? 'number' : 'text'}
        step="any"
        className="input input-sm w-full"
      />
    </label>
  );
  return (
    <form className="flex flex-col gap-1" onSubmit={(event) => void handleSubmit(send)(event)}>
      <label className="flex items-center gap-2 text-sm">
        People counted at the work
        <input
          {...register('counted')}
          type="number"
          min={0}
          required
          className="input input-sm w-20 font-mono"
        />
        {Object.keys(listOn(permit)).length} signed on
      </label>
      {asked.map((code) => {
        const found = given[code]?.found;
        return (
          <fieldset key={code} data-check={code} className="border-t border-base-300 py-1">
            <legend className="contents">
              <span className="text-sm">{AUDIT_CHECKS[code].asks}</span>
            </legend>
            <span className="flex flex-wrap gap-3">
              {FOUND.map((value) => (
                <label key={value} className="flex items-center gap-1 text-sm">
                  <input
                    {...register(`answers.${code}.found`)}
                    type="radio"
                    value={value}
                    className="radio radio-sm"
                  />
                  {FOUND_WORDS[value]}
                </label>
              ))}
            </span>
            {found === 'not-seen' && line(code, 'seen', 'Why not')}
            {found === 'differs' && (
              <div className="flex flex-wrap gap-2 border-l-4 border-warning pl-2">
                {line(code, 'seen', 'What was seen')}
                {line(code, 'putRight', 'What was put right at once')}
                {isGrave(code) && (
                  <p className="w-full text-sm font-bold">
                    Unless it is put right at once, this stops the job.
                  </p>
                )}
                {line(code, 'what', 'Otherwise: what is to be done')}
                <FormPick
                  label="By whom"
                  control={control}
                  name={`answers.${code}.who`}
                  options={choices.people.map(({ id, name }) => ({ id, label: name }))}
                />
                {line(code, 'hours', 'Within (h)')}
              </div>
            )}
          </fieldset>
        );
      })}
      <button className="btn btn-primary btn-sm self-start">Sign the check</button>
    </form>
  );
}

const STATE_WORDS: Readonly<Record<FollowUpLine['state'], string>> = {
  open: 'open',
  overdue: 'OVERDUE',
  done: 'done',
};

function FollowUp({ line, props }: { readonly line: FollowUpLine; readonly props: DossierProps }) {
  const run = useCommand();
  const { view, names } = props;
  const { audit, code, what, who, until, state } = line;
  return (
    <li data-follow-up={state} className="border-t border-base-300 py-1 text-sm">
      <strong className={state === 'overdue' ? 'text-error' : ''}>{STATE_WORDS[state]}</strong>{' '}
      {what}: {names[who] ?? who}, by <Beside at={until} now={view.now} />
      {state !== 'done' && (
        <SmallForm
          button="Record it as done"
          onSend={(read) =>
            void run({ kind: 'finish-follow-up', audit, code, done: read('what-was-done') })
          }
        >
          <TextField label="What was done" name="what-was-done" />
        </SmallForm>
      )}
    </li>
  );
}

/** Checks of this job at the place: a new one while its permit is out, earlier ones, and what is still to be done after them. */
export function AuditPanel(props: DossierProps & { readonly permit?: HeldPermit }) {
  const { view, names, permit, jobId } = props;
  const { audits } = view.dossier;
  const lines = listFollowUps(
    audits.map((audit) => ({ ...audit, job: jobId })),
    view.now,
  );
  if (!permit && audits.length === 0) return null;
  return (
    <Panel title="Checked at the place">
      {audits.length === 0 && <p className="text-sm">Not yet.</p>}
      <ul>
        {audits.map(({ at, by, answers }) => {
          const differing = Object.values(answers).filter(({ found }) => found === 'differs');
          return (
            <li key={at} className="text-sm">
              <Instant at={at} />, {names[by] ?? by}:{' '}
              {differing.length === 0
                ? 'as written'
                : differing
                    .map(({ seen, putRight }) =>
                      putRight === undefined ? seen : `${seen} (put right: ${putRight})`,
                    )
                    .join('; ')}
            </li>
          );
        })}
      </ul>
      <ul>
        {lines.map((line) => (
          <FollowUp key={`${line.audit} ${line.code}`} line={line} props={props} />
        ))}
      </ul>
      {permit && (
        <>
          <AddPhoto of="check" subject={permit.number} />
          <details>
            <summary className="cursor-pointer text-sm">Check it now</summary>
            <AuditForm permit={permit} props={props} />
          </details>
        </>
      )}
    </Panel>
  );
}
