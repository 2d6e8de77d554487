import { CAUTION_OF_DRAWING, type DrawingCaution } from '../../core/plant/lint';

/** What the drawing leaves to doubt, by kind; each kind unfolds. */
export function DrawingCautions({ cautions }: { readonly cautions: readonly DrawingCaution[] }) {
  const codes = [...new Set(cautions.map(({ code }) => code))];
  return (
    <section aria-labelledby="cautions" className="flex flex-col gap-1">
      <h2 id="cautions" className="text-lg font-bold">
        Cautions of this drawing
      </h2>
      {codes.length === 0 && <p className="text-sm">Nothing is left to doubt.</p>}
      {codes.map((code) => {
        const of = cautions.filter((one) => one.code === code);
        return (
          <details key={code} className="border-l-4 border-base-300 pl-2 text-sm">
            <summary className="cursor-pointer">
              {CAUTION_OF_DRAWING[code]} <span className="font-mono">({of.length})</span>
            </summary>
            <ul className="py-1">
              {of.map(({ subject, words }) => (
                <li key={subject + words}>{words}</li>
              ))}
            </ul>
          </details>
        );
      })}
    </section>
  );
}
