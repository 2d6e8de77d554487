import type { JobCaution } from '../../core/job';

/** What is to be known about the kinds of equipment at hand. */
export function CautionList({ cautions }: { readonly cautions: readonly JobCaution[] }) {
  return (
    <ul className="flex flex-col gap-1">
      {cautions.map(({ kind, title, says, of, basis }) => (
        <li key={kind} data-caution={kind} className="border-l-4 border-warning pl-2 text-sm">
          <strong>
            {title} (<span className="font-mono">{of.join(', ')}</span>)
          </strong>
          {says.map((one) => (
            <p key={one}>{one}</p>
          ))}
          <p className="text-xs">Basis: {basis}</p>
        </li>
      ))}
    </ul>
  );
}

/** The cautions of a job, at every stage until it is closed. */
export function CautionsPanel({ cautions }: { readonly cautions: readonly JobCaution[] }) {
  return (
    <section aria-label="Cautions" className="flex flex-col gap-1">
      <h2 className="text-lg font-bold">Cautions for this equipment</h2>
      <CautionList cautions={cautions} />
    </section>
  );
}
