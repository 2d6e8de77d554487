'use client';

import { useCommand } from '../../command/use-command';
import { SmallForm, TextField } from '../../kit/field';
import type { DossierProps } from '../types';

/** Somebody who was not at the briefing is asked one of its questions, and signs. */
export function BriefLatecomer({
  person,
  view,
  names,
  me,
}: Pick<DossierProps, 'view' | 'names' | 'me'> & { readonly person: string }) {
  const run = useCommand();
  const point = view.dossier.briefing?.points[0];
  const name = names[person] ?? person;
  if (!point) return null;
  if (person === me) {
    return <p className="text-sm">You were not at the briefing. Somebody who was briefs you.</p>;
  }
  return (
    <section
      aria-label={`Brief ${name}`}
      className="flex flex-col gap-1 border-l-4 border-warning pl-2"
    >
      <p className="text-sm">
        <strong>{name} was not at the briefing.</strong> Go through it with them, then ask:
      </p>
      <SmallForm
        button={`Record that ${name} is briefed`}
        onSend={(read) =>
          void run({
            kind: 'brief-latecomer',
            person,
            topic: point.topic,
            question: read('question'),
            answer: read('answer'),
          })
        }
      >
        <TextField label="Question" name="question" value={point.question} />
        <TextField label="What they answered" name="answer" />
      </SmallForm>
    </section>
  );
}
