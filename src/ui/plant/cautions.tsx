import type { CautionGroup } from '../../core/plant/lint';

/** What the drawing leaves to doubt, by kind; each kind unfolds. */
export function DrawingCautions({ groups }: { readonly groups: readonly CautionGroup[] }) {
  return (
    <section aria-labelledby="cautions" className="flex flex-col gap-1">
      <h2 id="cautions" className="text-lg font-bold">
        Cautions of this drawing
      </h2>
      {groups.length === 0 && <p className="text-sm">Nothing is left to doubt.</p>}
      {groups.map(({ code, title, count, first }) => (
        <details key={code} className="border-l-4 border-base-300 pl-2 text-sm">
          <summary className="cursor-pointer">
            {title} <span className="font-mono">({count})</span>
          </summary>
          <ul className="py-1">
            {first.map(({ subject, words }) => (
              <li key={subject + words}>{words}</li>
            ))}
            {count > first.length && (
              <li>
                and {count - first.length} more: <code>lantern plant lint</code> names all of them
              </li>
            )}
          </ul>
        </details>
      ))}
    </section>
  );
}
