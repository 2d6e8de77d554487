'use client';

import { useState } from 'react';
import type { Ask, SimAnswer } from '../../sim';
import type { DossierProps } from '../job/types';
import { askStandIns } from './ask';

/** Values by the name of their field; true and false for boxes to tick. */
type Values = Readonly<Record<string, string | boolean>>;

function fill(form: HTMLFormElement, values: Values): void {
  for (const [name, value] of Object.entries(values)) {
    const field = form.elements.namedItem(name);
    if (field instanceof HTMLInputElement && typeof value === 'boolean') field.checked = value;
    else if (field instanceof HTMLInputElement || field instanceof HTMLSelectElement) {
      field.value = String(value);
      field.dispatchEvent(new Event('input'));
    }
  }
}

function valuesOf(answer: SimAnswer, asked: readonly string[]): Values {
  switch (answer.kind) {
    case 'proof': {
      const { reading, seen, round } = answer;
      const ticks = asked.map((one) => [one, (seen as readonly string[]).includes(one)] as const);
      if (!round) return { reading: String(reading), ...Object.fromEntries(ticks) };
      const { source, source_v, before_v, after_v, readings } = round;
      return Object.fromEntries(
        Object.entries({ source, source_v, before_v, after_v, ...readings }).map(
          ([name, value]) => [name, String(value)],
        ),
      );
    }
    case 'take-lock':
      return answer.lock === undefined ? {} : { lock: answer.lock };
    case 'try-start':
    case 'unknown':
      return {};
  }
}

function wordsOf(answer: SimAnswer): string {
  switch (answer.kind) {
    case 'proof':
      return 'Filled in as the stand-ins show it. Look at each figure before you record it.';
    case 'take-lock':
      return answer.lock === undefined
        ? 'The cabinet has none left.'
        : `The cabinet gave out ${answer.lock}.`;
    case 'unknown':
      return `This job has no ${answer.what}.`;
    case 'try-start':
      return answer.moved ? 'IT MOVES.' : 'Nothing moves; the control is back at off.';
  }
}

/** Asks a stand-in and puts what it shows into the form that the button stands in. Only where practice is on. */
export function ReadButton({
  props,
  label,
  ask,
  sees = [],
}: {
  readonly props: DossierProps;
  readonly label: string;
  /** What is asked, from what the form holds by now. */
  readonly ask: (read: (name: string) => string) => Ask;
  readonly sees?: readonly string[];
}) {
  const [said, setSaid] = useState('');
  if (!props.practice) return null;
  const run = async (form: HTMLFormElement | null) => {
    const data = form ? new FormData(form) : new FormData();
    const asked = ask((name) => (data.get(name) as string | null) ?? '');
    const answer = await askStandIns(props.jobId, asked);
    if (typeof answer === 'string') return setSaid(answer);
    if (form) fill(form, valuesOf(answer, sees));
    setSaid(wordsOf(answer));
  };
  return (
    <div className="flex w-full flex-wrap items-center gap-2 border-l-4 border-dashed border-base-content/50 pl-2">
      <button
        type="button"
        className="btn btn-sm max-sm:h-11"
        onClick={(event) => void run(event.currentTarget.form)}
      >
        {label}
      </button>
      <span role="status" className="text-sm">
        {said}
      </span>
    </div>
  );
}
