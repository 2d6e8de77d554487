import { groupCautions, type DrawingCaution } from '../../core/plant/lint';

/** What the drawing leaves to doubt, by kind; each kind unfolds. */
export function DrawingCautions({ cautions }: { readonly cautions: readonly DrawingCaution[] }) {
  return (
    <section aria-labelledby="cautions" className="flex flex-col gap-1">
      <h2 id="cautions" className="text-lg font-bold">
        Cautions of this drawing
      </h2>
      {cautions.length === 0 && <p className="text-sm">Nothing is left to doubt.</p>}
      {groupCautions(cautions).map(({ code, title, cautions: of }) => (
        <details key={code} className="border-l-4 border-base-300 pl-2 text-sm">
          <summary className="cursor-pointer">
            {title} <span className="font-mono">({of.length})</span>
          </summary>
          <ul className="py-1">
            {of.map(({ subject, words }) => (
              <li key={subject + words}>{words}</li>
            ))}
          </ul>
        </details>
      ))}
    </section>
  );
}
