'use client';

import type { ChangeCommand } from '../../core/changes/commands';
import type { ChangeStep } from '../../core/changes/decide';
import { kindOf } from '../../core/changes/kinds';
import { NEXT_FOR_CHANGE, type ChangeLine } from '../../core/changes/line';
import { PickField } from '../kit/combobox';
import { ChoiceField, SmallForm, TextField } from '../kit/field';

export interface StepProps {
  readonly line: ChangeLine;
  readonly now: string;
  readonly version: number;
  readonly people: readonly { readonly id: string; readonly label: string }[];
  readonly give: (command: ChangeCommand) => void;
}

const inDays = (now: string, days: string): string =>
  new Date(Date.parse(now) + Number(days) * 86_400_000).toISOString();

function AllowForm({ line: { change, until }, now, give }: StepProps) {
  const { number } = change;
  const { isTemporary } = kindOf(change.change);
  const left = until === undefined ? 1 : (Date.parse(until) - Date.parse(now)) / 86_400_000;
  return (
    <SmallForm
      button="Sign that it is allowed"
      onSend={(read) =>
        give({
          kind: 'allow-change',
          number,
          ...(isTemporary ? { until: inDays(now, read('days')) } : {}),
        })
      }
    >
      {isTemporary && (
        <TextField
          label="For how long from now (days)"
          name="days"
          type="number"
          value={String(Math.max(1, Math.floor(left)))}
        />
      )}
    </SmallForm>
  );
}

/** The form of one step. */
function StepForm(props: StepProps & { readonly step: ChangeStep }) {
  const { step, line, version, people, give } = props;
  const { number } = line.change;
  switch (step) {
    case 'assess-change':
      return (
        <SmallForm
          button="Sign what was looked at"
          onSend={(read) =>
            give({ kind: step, number, hazards: read('hazards'), measures: read('measures') })
          }
        >
          <TextField label="What it can do to people and plant" name="hazards" />
          <TextField label="What is done about that" name="measures" />
        </SmallForm>
      );
    case 'allow-change':
      return <AllowForm {...props} />;
    case 'turn-down-change':
      return (
        <SmallForm
          button="Sign that it is turned down"
          onSend={(read) => give({ kind: step, number, why: read('why') })}
        >
          <TextField label="Why it is turned down" name="why" />
        </SmallForm>
      );
    case 'tell-change':
      return (
        <SmallForm
          button="Record who was told"
          onSend={(read) => give({ kind: step, number, people: [read('who')], how: read('how') })}
        >
          <PickField label="Who was told" name="who" value="" options={people} />
          <TextField label="How" name="how" />
        </SmallForm>
      );
    case 'draw-change':
      return (
        <SmallForm
          button="Record the drawing"
          onSend={(read) => give({ kind: step, number, version: Number(read('version')) })}
        >
          <TextField
            label="Version of the drawing that shows it"
            name="version"
            type="number"
            value={String(version)}
          />
        </SmallForm>
      );
    case 'undo-change':
      return (
        <SmallForm
          button="Record that it is put back"
          onSend={(read) => give({ kind: step, number, how: read('how') })}
        >
          <TextField label="How it was put back" name="how" />
        </SmallForm>
      );
    case 'see-undone':
      return (
        <SmallForm
          button="Sign what was seen"
          onSend={(read) =>
            give({
              kind: step,
              number,
              found: read('found') as 'gone' | 'still',
              how: read('how'),
            })
          }
        >
          <ChoiceField
            label="Looked for at the place"
            name="found"
            options={[
              { id: 'gone', label: 'it is gone' },
              { id: 'still', label: 'it is still there' },
            ]}
          />
          <TextField label="What was seen" name="how" />
        </SmallForm>
      );
  }
}

const STEP_NAMES: Readonly<Record<ChangeStep, string>> = {
  'assess-change': 'Look at its hazards',
  'allow-change': 'Allow it',
  'turn-down-change': 'Turn it down',
  'tell-change': 'Say who was told',
  'draw-change': 'Say which drawing shows it',
  'undo-change': 'Put it back',
  'see-undone': 'See whether it is gone',
};

/** What has to be done next about a change, by whom, and what else whoever looks may do. */
export function NextSteps(props: StepProps) {
  const { line } = props;
  const first = line.step;
  const rest = line.may.filter((step) => step !== first);
  const isFirst = line.may.includes(first);
  return (
    <div className="flex flex-col gap-2 border-t border-base-300 pt-2">
      <p className="text-sm">
        <strong>Next: {NEXT_FOR_CHANGE[line.next]}.</strong> {!isFirst && `Waits for ${line.who}.`}
      </p>
      {isFirst && line.next !== 'stands' && <StepForm {...props} step={first} />}
      {(line.next === 'stands' && isFirst ? [first, ...rest] : rest).map((step) => (
        <details key={step}>
          <summary className="cursor-pointer text-sm">
            {step === 'allow-change' && line.change.review.kind === 'allowed'
              ? 'Allow it for longer'
              : STEP_NAMES[step]}
          </summary>
          <StepForm {...props} step={step} />
        </details>
      ))}
    </div>
  );
}
